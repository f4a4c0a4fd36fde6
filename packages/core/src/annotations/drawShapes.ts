import { nth } from '../shared'
import type { Annotation, AnnotationKind, Rect } from '../guides'
import { areaOf, pointOf, type Ground } from './attach'
import { arrowPaths } from './arrow'
import { INK, WHITE } from './colour'
import { frameBrackets } from './frame'
import { around, grown, middleOf, movedInto, n, type Point, rectPath } from './geometry'
import type { Pen, Setting } from './pen'
import { cased, type Drawn, type Shape } from './shape'

/** The frame of something small is at least so large on the screen, in CSS pixels. */
const LEAST_FRAME_PX = 24
const HEAD_PX = 13

function ellipsePath({ x, y, width, height }: Rect): string {
  const [rx, ry] = [width / 2, height / 2]
  return `M${n(x)} ${n(y + ry)}a${n(rx)} ${n(ry)} 0 1 1 ${n(width)} 0a${n(rx)} ${n(ry)} 0 1 1 ${n(-width)} 0z`
}
const cornersOf = ({ x, y, width, height }: Rect): [Point, Point, Point, Point] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
]
/** Points along the edge of an area, for measuring. */
const edgeOf = (rect: Rect): Point[] =>
  cornersOf(rect).flatMap((from, i, all) => {
    const to = nth(all, (i + 1) % 4)
    return Array.from({ length: 6 }, (_, k) => ({ x: from.x + ((to.x - from.x) * k) / 6, y: from.y + ((to.y - from.y) * k) / 6 }))
  })

type OfKind<K extends AnnotationKind> = Extract<Annotation, { kind: K }>
const based = ({ id, kind }: Annotation, { colour, casing }: Pen) => ({ id, kind, stroke: colour, casing })
/** How far a stroke with its casing reaches over its line. */
const reachOf = ({ strokePx, casingPx }: Pen): number => strokePx / 2 + casingPx
/** All casings first, so that they do not cut through other strokes. */
const casedPaths = (paths: readonly string[], { colour, casing, strokePx, casingPx }: Pen, cap?: 'square'): Shape[] => {
  const shapes = paths.map((d) => cased(d, colour, casing, strokePx, casingPx, cap))
  return [...shapes.map((each) => nth(each, 0)), ...shapes.map((each) => nth(each, 1))]
}

/** Draws an arrow; `undefined` when what it is attached to is not in this picture, as below. */
export function drawArrow(arrow: OfKind<'arrow'>, ground: Ground, pen: Pen): Drawn | undefined {
  const [from, to] = [pointOf(arrow.from, ground), pointOf(arrow.to, ground)]
  if (!from || !to) return undefined
  const { paths, along } = arrowPaths(from, to, arrow.bend, arrow.heads, Math.max(HEAD_PX * pen.unit, pen.strokePx * 3.6))
  const box = grown(around(along.map((point) => ({ ...point, width: 0, height: 0 }))), reachOf(pen))
  return { ...based(arrow, pen), box, along, shapes: casedPaths(paths, pen) }
}

/** Draws a frame: four brackets around an area, never too small to be seen. */
export function drawFrame(frame: OfKind<'frame'>, ground: Ground, pen: Pen, setting: Setting): Drawn | undefined {
  const area = areaOf(frame.area, ground)
  if (!area) return undefined
  const least = (LEAST_FRAME_PX * ground.shown.width) / setting.shownPx
  const { area: box, paths } = frameBrackets(area, ground.shown, pen.unit, least)
  return { ...based(frame, pen), box: grown(box, reachOf(pen)), along: edgeOf(box), shapes: casedPaths(paths, pen, 'square') }
}

/** Draws a blackout that has not been applied yet. */
export function drawBlackout(blackout: OfKind<'blackout'>, ground: Ground, pen: Pen): Drawn | undefined {
  const area = areaOf(blackout.area, ground)
  return area && { ...based(blackout, pen), box: area, along: [], shapes: coverShapes(area, pen.unit) }
}

/** Draws a rectangle or an ellipse. */
export function drawOutline(shape: OfKind<'rectangle'> | OfKind<'ellipse'>, ground: Ground, pen: Pen): Drawn | undefined {
  const area = areaOf(shape.area, ground)
  if (!area) return undefined
  const d = shape.kind === 'ellipse' ? ellipsePath(area) : rectPath(area)
  const { colour, casing, strokePx, casingPx } = pen
  return { ...based(shape, pen), box: grown(area, reachOf(pen)), along: edgeOf(area), shapes: cased(d, colour, casing, strokePx, casingPx) }
}

/** Flat ink with a fine hatch. @param unit pixels of the picture for one at the reading width */
export function coverShapes(area: Rect, unit: number): Shape[] {
  const gap = 7 * unit
  const lines: string[] = []
  for (let at = gap; at < area.width + area.height; at += gap) {
    const start = at <= area.width ? { x: area.x + at, y: area.y } : { x: area.x + area.width, y: area.y + at - area.width }
    const end = at <= area.height ? { x: area.x, y: area.y + at } : { x: area.x + at - area.height, y: area.y + area.height }
    lines.push(`M${n(start.x)} ${n(start.y)}L${n(end.x)} ${n(end.y)}`)
  }
  return [
    { is: 'path', d: rectPath(area), fill: INK },
    ...(lines.length > 0 ? [{ is: 'path' as const, d: lines.join(''), stroke: '#4a5661', widthPx: unit, cap: 'butt' as const }] : []),
  ]
}

/** A detail enlarged, in a plain border, with hairlines to where it belongs. */
export function drawInset(annotation: OfKind<'inset'>, ground: Ground, { unit, colour, casing }: Pen): Drawn | undefined {
  const from = areaOf(annotation.detail, ground)
  const at = pointOf(annotation.at, ground)
  if (!from || !at || from.width < 1 || from.height < 1) return undefined
  const { shown } = ground
  const zoom = Math.min(annotation.zoom, (shown.width * 0.9) / from.width, (shown.height * 0.9) / from.height)
  const [width, height] = [from.width * zoom, from.height * zoom]
  const to = movedInto({ x: at.x - width / 2, y: at.y - height / 2, width, height }, grown(shown, -3 * unit))
  const [source, box] = [middleOf(from), middleOf(to)]
  // The two corners that look past the two areas towards each other.
  const [corners, ends] = [cornersOf(from), cornersOf(to)]
  const side = Math.abs(box.x - source.x) * from.height > Math.abs(box.y - source.y) * from.width
  const pairs = side ? (box.x > source.x ? [1, 2] : [0, 3]) : box.y > source.y ? [2, 3] : [0, 1]
  const opposite = side ? (box.x > source.x ? [0, 3] : [1, 2]) : box.y > source.y ? [1, 0] : [3, 2]
  const hairlines = pairs
    .map(
      (corner, i) =>
        `M${n(nth(corners, corner).x)} ${n(nth(corners, corner).y)}L${n(nth(ends, nth(opposite, i)).x)} ${n(nth(ends, nth(opposite, i)).y)}`,
    )
    .join('')
  return {
    id: annotation.id,
    kind: 'inset',
    stroke: colour,
    casing,
    box: grown(to, 2 * unit),
    along: edgeOf(to),
    shapes: [
      { is: 'path', d: rectPath(from) + hairlines, stroke: WHITE, widthPx: 3 * unit, cap: 'butt' },
      { is: 'path', d: rectPath(from) + hairlines, stroke: INK, widthPx: unit, cap: 'butt' },
      { is: 'path', d: rectPath(grown(to, 2.5 * unit)), fill: WHITE },
      { is: 'detail', from, to },
      { is: 'path', d: rectPath(to), stroke: INK, widthPx: 1.5 * unit, cap: 'square' },
    ],
  }
}
