import {
  type Anchor,
  type Annotation,
  type AnnotationKind,
  type Area,
  FRAME_GAP_PX,
  type PictureSizes,
  type Rect,
  type Step,
  type StepPicture,
} from '../guides'
import type { WayOfUse } from '../ways'
import { anchorAt, areaFrom, areaOf, pinned, pinnedArea, pointOf, rectOf, unitOf, wholeOf, type Ground } from './attach'
import { cut, middleOf, type Point } from './geometry'
import { groundOf } from './groundOf'
import { anchorFor, areaFor } from './placing'

type Labels = WayOfUse['labels']
type OfKind<K extends AnnotationKind> = Extract<Annotation, { kind: K }>
const tenth = (value: number) => Math.round(value * 10) / 10

/** What can be taken hold of to change an annotation: its dot, the ends and the middle of an arrow, the corners of an area. */
export type Handle = { name: 'dot' | 'from' | 'to' | 'bend' | 'nw' | 'ne' | 'se' | 'sw'; at: Point }
/** Where and how large a new annotation is drawn by hand; absent: where it is put when nobody says where. */
export type DrawnBy = { from: Point; to: Point }
/** What a new annotation may go by: what was drawn, a spot and an area that fit it, and the number for a new tag. */
type Placed = { drawn: DrawnBy | null; spot: Anchor; area: Area; sequence: number; ground: Ground }
/** How something is moved: by pixels of the picture; of a label, where its slip stands now. */
type Moving = { by: Point; ground: Ground; slip: Rect | undefined; way: Labels }

/** What an author does to a kind of annotation. How it is drawn stands in `drawing`, what texts are in it in `guides/annotation`. */
type Kind<K extends AnnotationKind> = {
  create: (id: string, placed: Placed) => OfKind<K>
  moved: (annotation: OfKind<K>, moving: Moving) => OfKind<K>
  /** Attached to the picture itself, standing where it stands: its element is about to go. */
  pinned: (annotation: OfKind<K>, ground: Ground) => OfKind<K>
  handles: (annotation: OfKind<K>, ground: Ground) => Handle[]
  handleMoved: (annotation: OfKind<K>, name: Handle['name'], to: Point, ground: Ground) => OfKind<K>
}

/** An anchor moved by some pixels of the picture; it stays attached to what it is attached to. */
export function anchorMoved(anchor: Anchor, by: Point, ground: Ground): Anchor {
  const point = pointOf(anchor, ground)
  return point ? anchorAt({ x: point.x + by.x, y: point.y + by.y }, anchor.to, ground) : anchor
}
/** An area moved within the picture. One that was fitted around an element leaves it. */
function areaMoved(area: Area, by: Point, ground: Ground): Area {
  const rect = areaOf(area, ground)
  if (!rect) return area
  const whole = wholeOf(ground)
  const x = Math.min(Math.max(rect.x + by.x, 0), Math.max(0, whole.width - rect.width))
  const y = Math.min(Math.max(rect.y + by.y, 0), Math.max(0, whole.height - rect.height))
  return areaFrom({ ...rect, x, y }, ground)
}

/** A label with its slip somewhere else, seen from its dot. In Practise this parts it from where it stands otherwise, if it has been parted. */
export function slipPlaced(annotation: OfKind<'label'>, slip: Rect, ground: Ground, way: Labels): OfKind<'label'> {
  const dot = pointOf(annotation.at, ground)
  if (!dot) return annotation
  const middle = middleOf(slip)
  const unit = unitOf(ground)
  const place = { dx: tenth((middle.x - dot.x) / unit), dy: tenth((middle.y - dot.y) / unit) }
  return way === 'practise' && annotation.practisePlace ? { ...annotation, practisePlace: place } : { ...annotation, place }
}

/** The middle of an arrow's shaft. */
function bendPoint(from: Point, to: Point, bend: number): Point {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  return { x: (from.x + to.x) / 2 + (dy * bend) / 200, y: (from.y + to.y) / 2 - (dx * bend) / 200 }
}
function bendThrough(from: Point, to: Point, middle: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const length2 = dx * dx + dy * dy
  if (length2 < 1) return 0
  const [mx, my] = [middle.x - (from.x + to.x) / 2, middle.y - (from.y + to.y) / 2]
  const bend = ((mx * dy - my * dx) / length2) * 200
  return Math.abs(bend) < 6 ? 0 : Math.max(-150, Math.min(150, Math.round(bend)))
}

const handle = (name: Handle['name'], point: Point | undefined): Handle[] => (point ? [{ name, at: point }] : [])
function cornersOf(area: Area, ground: Ground): Handle[] {
  const rect = areaOf(area, ground)
  if (!rect) return []
  const { x, y, width, height } = rect
  return [
    ...handle('nw', { x, y }),
    ...handle('ne', { x: x + width, y }),
    ...handle('se', { x: x + width, y: y + height }),
    ...handle('sw', { x, y: y + height }),
  ]
}
/** An area of which one corner was put somewhere else. */
function cornerMoved(area: Area, name: Handle['name'], to: Point, ground: Ground): Area {
  const rect = areaOf(area, ground)
  if (!rect) return area
  const fixed = {
    x: name === 'nw' || name === 'sw' ? rect.x + rect.width : rect.x,
    y: name === 'nw' || name === 'ne' ? rect.y + rect.height : rect.y,
  }
  const drawn = {
    x: Math.min(fixed.x, to.x),
    y: Math.min(fixed.y, to.y),
    width: Math.abs(to.x - fixed.x),
    height: Math.abs(to.y - fixed.y),
  }
  return areaFrom(cut(drawn, wholeOf(ground)), ground)
}

/** Parts of a kind that covers an area. */
const inArea = {
  moved: <A extends { area: Area }>(annotation: A, { by, ground }: Moving): A => ({
    ...annotation,
    area: areaMoved(annotation.area, by, ground),
  }),
  pinned: <A extends { area: Area }>(annotation: A, ground: Ground): A => ({ ...annotation, area: pinnedArea(annotation.area, ground) }),
  handles: ({ area }: { area: Area }, ground: Ground): Handle[] => cornersOf(area, ground),
  handleMoved: <A extends { area: Area }>(annotation: A, name: Handle['name'], to: Point, ground: Ground): A => ({
    ...annotation,
    area: cornerMoved(annotation.area, name, to, ground),
  }),
}
/** Parts of a kind that stands at one spot. */
const atSpot = {
  moved: <A extends { at: Anchor }>(annotation: A, { by, ground }: Moving): A => ({
    ...annotation,
    at: anchorMoved(annotation.at, by, ground),
  }),
  pinned: <A extends { at: Anchor }>(annotation: A, ground: Ground): A => ({ ...annotation, at: pinned(annotation.at, ground) }),
  handles: (): Handle[] => [],
  handleMoved: <A>(annotation: A): A => annotation,
}

/** What an author does to every kind of annotation: one that is added to `Annotation` has to say all of it here. */
const ANNOTATION_KINDS: { readonly [K in AnnotationKind]: Kind<K> } = {
  frame: { ...inArea, create: (id, { area }) => ({ id, kind: 'frame', area }) },
  rectangle: { ...inArea, create: (id, { area }) => ({ id, kind: 'rectangle', area }) },
  ellipse: { ...inArea, create: (id, { area }) => ({ id, kind: 'ellipse', area }) },
  blackout: { ...inArea, create: (id, { area }) => ({ id, kind: 'blackout', area }) },
  label: {
    ...atSpot,
    create: (id, { spot }) => ({ id, kind: 'label', words: '', at: spot }),
    moved: (label, { by, ground, slip, way }) =>
      slip ? slipPlaced(label, { ...slip, x: slip.x + by.x, y: slip.y + by.y }, ground, way) : label,
    handles: (label, ground) => handle('dot', pointOf(label.at, ground)),
    handleMoved: (label, name, to, ground) => (name === 'dot' ? { ...label, at: anchorFor(to, ground) } : label),
  },
  text: { ...atSpot, create: (id, { spot }) => ({ id, kind: 'text', words: '', at: spot }) },
  tag: {
    ...atSpot,
    create: (id, { drawn, spot, sequence, ground }) => ({
      id,
      kind: 'tag',
      number: sequence,
      meaning: 'sequence',
      at: drawn || !ground.element ? spot : { to: 'element', at: 'top-left', gapPx: 4 },
    }),
  },
  arrow: {
    create: (id, { drawn, spot, ground }) => {
      const { shown } = ground
      const above = { x: middleOf(shown).x, y: shown.y + shown.height * 0.15 }
      const from = drawn ? anchorFor(drawn.from, ground) : anchorAt(above, 'picture', ground)
      return { id, kind: 'arrow', from, to: spot, bend: 0, heads: 'end' }
    },
    moved: (arrow, { by, ground }) => ({
      ...arrow,
      from: anchorMoved(arrow.from, by, ground),
      to: anchorMoved(arrow.to, by, ground),
    }),
    pinned: (arrow, ground) => ({ ...arrow, from: pinned(arrow.from, ground), to: pinned(arrow.to, ground) }),
    handles: (arrow, ground) => {
      const [from, to] = [pointOf(arrow.from, ground), pointOf(arrow.to, ground)]
      return from && to ? [...handle('from', from), ...handle('to', to), ...handle('bend', bendPoint(from, to, arrow.bend))] : []
    },
    handleMoved: (arrow, name, to, ground) => {
      if (name === 'from' || name === 'to') return { ...arrow, [name]: anchorFor(to, ground) }
      const [from, end] = [pointOf(arrow.from, ground), pointOf(arrow.to, ground)]
      return from && end ? { ...arrow, bend: bendThrough(from, end, to) } : arrow
    },
  },
  inset: {
    create: (id, { area, ground }) => {
      const { shown } = ground
      const right = { x: shown.x + shown.width * 0.75, y: shown.y + shown.height * 0.7 }
      return { id, kind: 'inset', detail: area, at: anchorAt(right, 'picture', ground), zoom: 2.5 }
    },
    moved: atSpot.moved,
    pinned: (inset, ground) => ({ ...inset, at: pinned(inset.at, ground), detail: pinnedArea(inset.detail, ground) }),
    handles: (inset, ground) => cornersOf(inset.detail, ground),
    handleMoved: (inset, name, to, ground) => ({ ...inset, detail: cornerMoved(inset.detail, name, to, ground) }),
  },
}
const kindOf = <A extends Annotation>(annotation: A): Kind<A['kind']> => ANNOTATION_KINDS[annotation.kind] as Kind<A['kind']>

/** A new annotation, attached to the element where there is one.
 * @param sequence number for a new tag */
export function newAnnotation(kind: AnnotationKind, id: string, ground: Ground, drawn: DrawnBy | null, sequence = 1): Annotation {
  const { shown } = ground
  const middle = middleOf(shown)
  const spot: Anchor = drawn
    ? anchorFor(drawn.to, ground)
    : ground.element
      ? { to: 'element', at: 'right', gapPx: 0 }
      : anchorAt(middle, 'picture', ground)
  const third: Rect = { x: middle.x - shown.width / 6, y: middle.y - shown.height / 6, width: shown.width / 3, height: shown.height / 3 }
  const area: Area = drawn
    ? areaFor(
        {
          x: Math.min(drawn.from.x, drawn.to.x),
          y: Math.min(drawn.from.y, drawn.to.y),
          width: Math.abs(drawn.to.x - drawn.from.x),
          height: Math.abs(drawn.to.y - drawn.from.y),
        },
        ground,
      )
    : ground.element
      ? { to: 'element', gapPx: FRAME_GAP_PX }
      : areaFrom(third, ground)
  return ANNOTATION_KINDS[kind].create(id, { drawn, spot, area, sequence, ground })
}

/** An annotation moved by hand or by keys.
 * @param by   in pixels of the picture
 * @param slip of a label, where it stands now */
export const movedBy = (annotation: Annotation, by: Point, ground: Ground, slip: Rect | undefined, way: Labels = 'read'): Annotation =>
  kindOf(annotation).moved(annotation, { by, ground, slip, way })

/** The handles of an annotation, in pixels of the picture. */
export const handlesOf = (annotation: Annotation, ground: Ground): Handle[] => kindOf(annotation).handles(annotation, ground)

/** An annotation after one of its handles was put somewhere else.
 * @param to in pixels of the picture */
export const handleMoved = (annotation: Annotation, name: Handle['name'], to: Point, ground: Ground): Annotation =>
  kindOf(annotation).handleMoved(annotation, name, to, ground)

/** The annotation attached to the picture itself, standing where it stands: its element is about to go. */
export function pinnedDown(annotation: Annotation, step: Step, picture: StepPicture, sizes: PictureSizes): Annotation {
  const ground = groundOf(step, picture, sizes[picture.id])
  return ground ? kindOf(annotation).pinned(annotation, ground) : annotation
}

/** An anchor attached to something else, at the same point of the picture; the nearest of the nine points when it is close to one. */
export function attachedTo(anchor: Anchor, to: Anchor['to'], ground: Ground): Anchor {
  const point = pointOf(anchor, ground) ?? middleOf(ground.shown)
  const rect = rectOf(to, ground)
  if (!rect) return { ...anchor, to }
  return anchorAt(point, to, ground, 6 * unitOf(ground))
}
