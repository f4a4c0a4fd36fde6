import type { Anchor, Annotation, Area, Rect } from '../guides'
import { anchorAt, areaFrom, areaOf, pointOf, rectOf, unitOf, wholeOf, type Ground } from './attach'
import { cut, middleOf, type Point } from './geometry'
import { anchorFor } from './create'

type Way = 'read' | 'practise'
const tenth = (value: number) => Math.round(value * 10) / 10

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
export function slipPlaced(annotation: Extract<Annotation, { kind: 'label' }>, slip: Rect, ground: Ground, way: Way): Annotation {
  const dot = pointOf(annotation.at, ground)
  if (!dot) return annotation
  const middle = middleOf(slip)
  const unit = unitOf(ground)
  const place = { dx: tenth((middle.x - dot.x) / unit), dy: tenth((middle.y - dot.y) / unit) }
  return way === 'practise' && annotation.practisePlace ? { ...annotation, practisePlace: place } : { ...annotation, place }
}

/** An annotation moved by hand or by keys.
 * @param by   in pixels of the picture
 * @param slip of a label, where it stands now */
export function movedBy(annotation: Annotation, by: Point, ground: Ground, slip: Rect | undefined, way: Way = 'read'): Annotation {
  switch (annotation.kind) {
    case 'label':
      return slip ? slipPlaced(annotation, { ...slip, x: slip.x + by.x, y: slip.y + by.y }, ground, way) : annotation
    case 'tag':
    case 'text':
    case 'inset':
      return { ...annotation, at: anchorMoved(annotation.at, by, ground) }
    case 'arrow':
      return { ...annotation, from: anchorMoved(annotation.from, by, ground), to: anchorMoved(annotation.to, by, ground) }
    default:
      return { ...annotation, area: areaMoved(annotation.area, by, ground) }
  }
}

/** What can be taken hold of to change an annotation: its dot, the ends and the middle of an arrow, the corners of an area. */
export type Handle = { name: 'dot' | 'from' | 'to' | 'bend' | 'nw' | 'ne' | 'se' | 'sw'; at: Point }

/** The handles of an annotation, in pixels of the picture. */
export function handlesOf(annotation: Annotation, ground: Ground): Handle[] {
  const at = (name: Handle['name'], point: Point | undefined): Handle[] => (point ? [{ name, at: point }] : [])
  switch (annotation.kind) {
    case 'label':
      return at('dot', pointOf(annotation.at, ground))
    case 'tag':
    case 'text':
      return []
    case 'arrow': {
      const [from, to] = [pointOf(annotation.from, ground), pointOf(annotation.to, ground)]
      if (!from || !to) return []
      return [...at('from', from), ...at('to', to), ...at('bend', bendPoint(from, to, annotation.bend))]
    }
    default: {
      const rect = areaOf(annotation.kind === 'inset' ? annotation.detail : annotation.area, ground)
      if (!rect) return []
      const { x, y, width, height } = rect
      return [
        ...at('nw', { x, y }),
        ...at('ne', { x: x + width, y }),
        ...at('se', { x: x + width, y: y + height }),
        ...at('sw', { x, y: y + height }),
      ]
    }
  }
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

/** An annotation after one of its handles was put somewhere else.
 * @param to in pixels of the picture */
export function handleMoved(annotation: Annotation, name: Handle['name'], to: Point, ground: Ground): Annotation {
  if (annotation.kind === 'label' && name === 'dot') return { ...annotation, at: anchorFor(to, ground) }
  if (annotation.kind === 'arrow') {
    if (name === 'from' || name === 'to') return { ...annotation, [name]: anchorFor(to, ground) }
    const [from, end] = [pointOf(annotation.from, ground), pointOf(annotation.to, ground)]
    return from && end ? { ...annotation, bend: bendThrough(from, end, to) } : annotation
  }
  if (!('area' in annotation) && annotation.kind !== 'inset') return annotation
  const rect = areaOf(annotation.kind === 'inset' ? annotation.detail : annotation.area, ground)
  if (!rect) return annotation
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
  const area = areaFrom(cut(drawn, wholeOf(ground)), ground)
  return annotation.kind === 'inset' ? { ...annotation, detail: area } : { ...annotation, area }
}

/** An anchor attached to something else, at the same point of the picture; the nearest of the nine points when it is close to one. */
export function attachedTo(anchor: Anchor, to: Anchor['to'], ground: Ground): Anchor {
  const point = pointOf(anchor, ground) ?? middleOf(ground.shown)
  const rect = rectOf(to, ground)
  if (!rect) return { ...anchor, to }
  return anchorAt(point, to, ground, 6 * unitOf(ground))
}
