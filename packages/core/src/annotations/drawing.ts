import { known } from '../shared'
import type { Annotation, AnnotationKind, Rect } from '../guides'
import { areaOf, pointOf, unitOf, type Ground } from './attach'
import { grown, type Point } from './geometry'
import { coverShapes, drawArrow, drawBlackout, drawFrame, drawInset, drawOutline } from './drawShapes'
import { drawLabel, drawListMark, drawTag, drawText, LIST_MARK_PX, slipSize } from './drawWords'
import { hiddenInDetail } from './hidden'
import { penFor, type Pen, type Setting } from './pen'
import { placeLabels, sideOf, type LabelToPlace, type Side } from './placeLabels'
import type { Drawn, Shape } from './shape'

export type { Drawn } from './shape'
export type { Setting } from './pen'

/** Words that stand under the picture, because on it they would be too small to be read. */
export type Listed = { id: string; mark: string; words: string }
/** All annotations of a picture as they are drawn, those below first. */
export type Drawing = {
  drawn: Drawn[]
  /** What blackouts of other places hide of this picture; lies below everything else. */
  covers: Shape[]
  listed: Listed[]
  /** Side on which most labels stand; `null` without labels. */
  side: Side | null
  /** Annotations that have lost what they were attached to, by id. */
  lost: string[]
}

/** Words smaller than this on the screen go into a list under the picture, in CSS pixels. */
export const LEAST_TYPE_PX = 12
/** A thing that fills more of the picture than this is no obstacle: there would be no room left for labels. */
const MOST_COVERED = 0.45

/** Whether words on the picture would be too small at this width. */
export function isListed(ground: Ground, setting: Setting): boolean {
  return (setting.look.labelPx * unitOf(ground) * setting.shownPx) / ground.shown.width < LEAST_TYPE_PX - 0.01
}

type Worded = Extract<Annotation, { kind: 'label' | 'text' }>
type OfKind<K extends AnnotationKind> = Extract<Annotation, { kind: K }>
type Draw<K extends AnnotationKind> = (annotation: OfKind<K>, ground: Ground, pen: Pen, setting: Setting) => Drawn | undefined
/** How every kind is drawn; those that stand first lie below. Labels find their places together, see {@link placeLabels}.
 * What an author does to each kind stands in `ANNOTATION_KINDS`: whoever reads needs none of it. */
const DRAWN: { readonly [K in Exclude<AnnotationKind, 'label'>]: Draw<K> } & { readonly label: 'placed' } = {
  inset: (inset, ground, pen) => drawInset(inset, ground, pen),
  rectangle: drawOutline,
  ellipse: drawOutline,
  frame: drawFrame,
  arrow: (arrow, ground, pen) => drawArrow(arrow, ground, pen),
  blackout: (blackout, ground, pen) => drawBlackout(blackout, ground, pen),
  text: (text, ground, pen) => {
    const at = pointOf(text.at, ground)
    return at && drawText(text, at, pen, ground)
  },
  tag: (tag, ground, pen, setting) => {
    const at = pointOf(tag.at, ground)
    return at && drawTag(tag, at, pen, ground.shown.width / setting.shownPx)
  },
  label: 'placed',
}
const LAYERS = Object.keys(DRAWN)
const wordsOf = (annotation: Worded, { way }: Setting): string =>
  (annotation.kind === 'label' && way === 'practise' ? annotation.practiseWords : undefined) ?? annotation.words

/** Draws the annotations of a picture: where everything stands, in which size and colour.
 * @param prefer side on which the labels of the step before stand
 * @param hidden areas of the picture that blackouts elsewhere hide; what is derived from it does not show them either */
export function drawAnnotations(
  annotations: readonly Annotation[],
  ground: Ground,
  setting: Setting,
  prefer: Side | null = null,
  hidden: readonly Rect[] = [],
): Drawing {
  const asList = isListed(ground, setting)
  const sorted = [...annotations].sort((a, b) => LAYERS.indexOf(a.kind) - LAYERS.indexOf(b.kind))
  const blackedOut = [...hidden, ...annotations.flatMap((each) => (each.kind === 'blackout' ? (areaOf(each.area, ground) ?? []) : []))]
  const drawn: Drawn[] = []
  const lost: string[] = []
  const worded: Worded[] = []
  for (const annotation of sorted) {
    if (annotation.kind === 'label' || (annotation.kind === 'text' && asList)) {
      worded.push(annotation)
      continue
    }
    const done = drawOne(annotation, ground, setting)
    if (done) drawn.push({ ...done, shapes: withHidden(done.shapes, blackedOut, ground) })
    else lost.push(annotation.id)
  }
  const obstacles = obstaclesOf(ground, drawn)
  const marks = worded.filter((each) => wordsOf(each, setting).trim() !== '' || !asList)
  const markOf = markerFor(annotations)
  const spots = marks.flatMap((annotation): LabelToPlace[] => {
    const dot = pointOf(annotation.at, ground)
    if (!dot) {
      lost.push(annotation.id)
      return []
    }
    const pen = penFor(annotation, ground, setting)
    const size = asList
      ? { width: listMarkSize(ground, setting), height: listMarkSize(ground, setting) }
      : slipSize(annotation, wordsOf(annotation, setting), pen, ground)
    return [{ id: annotation.id, dot, size, fixed: asList ? undefined : fixedSlip(annotation, dot, size, setting, ground) }]
  })
  const slips = placeLabels(spots, {
    bounds: grown(ground.shown, -2 * unitOf(ground)),
    obstacles: asList ? obstacles.filter((each) => each.width * each.height < (ground.shown.width * ground.shown.height) / 20) : obstacles,
    unit: asList ? (ground.shown.width / setting.shownPx) * 0.5 : unitOf(ground),
    prefer: prefer ?? undefined,
  })
  const listed: Listed[] = []
  for (const { id, dot } of spots) {
    const annotation = marks.find((each) => each.id === id)!
    const slip = known(slips, id)
    const pen = penFor(annotation, ground, setting)
    const words = wordsOf(annotation, setting)
    if (asList) {
      const mark = markOf(listed.length)
      listed.push({ id, mark, words })
      drawn.push(drawListMark(annotation, mark, slip, dot, pen, ground.shown.width / setting.shownPx))
    } else drawn.push(drawLabel(annotation, words, slip, dot, pen))
  }
  const covers = hidden.flatMap((area) => coverShapes(area, unitOf(ground)))
  return { drawn, covers, listed, side: sideOfMost(spots, slips), lost }
}

/** Shapes of which a detail of the picture shows nothing that is blacked out. */
const withHidden = (shapes: readonly Shape[], hidden: readonly Rect[], ground: Ground): Shape[] =>
  shapes.flatMap((shape) =>
    shape.is === 'detail'
      ? [shape, ...hiddenInDetail(hidden, shape.from, shape.to).flatMap((area) => coverShapes(area, unitOf(ground)))]
      : [shape],
  )

const listMarkSize = (ground: Ground, { shownPx }: Setting): number => (LIST_MARK_PX * ground.shown.width) / shownPx

/** Numbers, or letters where the picture has number tags of its own. */
const markerFor = (annotations: readonly Annotation[]): ((index: number) => string) =>
  annotations.some((each) => each.kind === 'tag')
    ? (index) => (index < 26 ? String.fromCharCode(97 + index) : `a${index - 25}`)
    : (index) => String(index + 1)

const drawOne = (annotation: Exclude<Annotation, { kind: 'label' }>, ground: Ground, setting: Setting): Drawn | undefined =>
  (DRAWN[annotation.kind] as Draw<typeof annotation.kind>)(annotation, ground, penFor(annotation, ground, setting), setting)

function obstaclesOf(ground: Ground, drawn: readonly Drawn[]): Rect[] {
  const most = MOST_COVERED * ground.shown.width * ground.shown.height
  const things = [ground.element, ground.onto].flatMap((each) => (each ? [grown(each, 4 * unitOf(ground))] : []))
  const others = drawn
    .filter((each) => each.kind !== 'arrow' && each.kind !== 'ellipse' && each.kind !== 'rectangle')
    .map((each) => each.box)
  // Along an arrow there are small places that no slip may cover; its whole box would take too much room.
  const along = drawn
    .filter((each) => each.kind === 'arrow')
    .flatMap((each) =>
      each.along.filter((_, n) => n % 3 === 0).map((point) => grown({ ...point, width: 0, height: 0 }, 3 * unitOf(ground))),
    )
  return [...things, ...others, ...along].filter((each) => each.width * each.height <= most)
}

/** Where the author has put a label, if so; moved into the shown part as far as it fits. */
function fixedSlip(
  annotation: Annotation,
  dot: Point,
  size: { width: number; height: number },
  { way }: Setting,
  ground: Ground,
): Rect | undefined {
  if (annotation.kind !== 'label') return undefined
  const place = (way === 'practise' ? annotation.practisePlace : undefined) ?? annotation.place
  if (!place) return undefined
  const unit = unitOf(ground)
  const { shown } = ground
  const x = dot.x + place.dx * unit - size.width / 2
  const y = dot.y + place.dy * unit - size.height / 2
  return {
    x: Math.max(shown.x, Math.min(x, shown.x + shown.width - size.width)),
    y: Math.max(shown.y, Math.min(y, shown.y + shown.height - size.height)),
    ...size,
  }
}

function sideOfMost(spots: readonly LabelToPlace[], slips: ReadonlyMap<string, Rect>): Side | null {
  const counts = new Map<Side, number>()
  for (const { id, dot } of spots) {
    const side = sideOf(known(slips, id), dot)
    counts.set(side, (counts.get(side) ?? 0) + 1)
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
}
