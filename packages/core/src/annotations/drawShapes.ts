import type { Annotation } from '../guides'
import { areaOf, pointOf, type Ground } from './attach'
import { arrowPaths } from './arrow'
import { INK, WHITE } from './colour'
import type { Drawn } from './drawing'
import { frameBrackets } from './frame'
import { around, grown, middleOf, movedInto, n, type Point, rectPath } from './geometry'
import type { Rect } from '../guides'
import type { Pen, Setting } from './pen'
import { cased, type Shape } from './shape'

type ShapeLike = Exclude<Annotation, { kind: 'label' | 'tag' | 'text' }>

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
    const to = all[(i + 1) % 4]!
    return Array.from({ length: 6 }, (_, k) => ({ x: from.x + ((to.x - from.x) * k) / 6, y: from.y + ((to.y - from.y) * k) / 6 }))
  })

/** Draws frames, shapes, arrows, insets and blackouts.
 * @returns `undefined` when what it is attached to is not in this picture */
export function drawShapeLike(annotation: ShapeLike, ground: Ground, pen: Pen, setting: Setting): Drawn | undefined {
  const { id, kind } = annotation
  const { colour, casing, strokePx, casingPx } = pen
  const base = { id, kind, stroke: colour, casing }
  const reach = strokePx / 2 + casingPx
  if (annotation.kind === 'arrow') {
    const [from, to] = [pointOf(annotation.from, ground), pointOf(annotation.to, ground)]
    if (!from || !to) return undefined
    const { paths, along } = arrowPaths(from, to, annotation.bend, annotation.heads, Math.max(HEAD_PX * pen.unit, strokePx * 3.6))
    const box = grown(around(along.map((point) => ({ ...point, width: 0, height: 0 }))), reach)
    // All casings first, so that they do not cut through the shaft.
    const shapes = paths.map((d) => cased(d, colour, casing, strokePx, casingPx))
    return { ...base, box, along, shapes: [...shapes.map((each) => each[0]!), ...shapes.map((each) => each[1]!)] }
  }
  if (annotation.kind === 'inset') return drawInset(annotation, ground, pen)
  const area = areaOf(annotation.area, ground)
  if (!area) return undefined
  if (annotation.kind === 'frame') {
    const least = (LEAST_FRAME_PX * ground.shown.width) / setting.shownPx
    const { area: box, paths } = frameBrackets(area, ground.shown, pen.unit, least)
    const shapes = paths.map((d) => cased(d, colour, casing, strokePx, casingPx, 'square'))
    return {
      ...base,
      box: grown(box, reach),
      along: edgeOf(box),
      shapes: [...shapes.map((each) => each[0]!), ...shapes.map((each) => each[1]!)],
    }
  }
  if (annotation.kind === 'blackout') {
    return { ...base, box: area, along: [], shapes: coverShapes(area, pen.unit) }
  }
  const d = annotation.kind === 'ellipse' ? ellipsePath(area) : rectPath(area)
  return { ...base, box: grown(area, reach), along: edgeOf(area), shapes: cased(d, colour, casing, strokePx, casingPx) }
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
function drawInset(annotation: Extract<Annotation, { kind: 'inset' }>, ground: Ground, { unit, colour, casing }: Pen): Drawn | undefined {
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
    .map((corner, i) => `M${n(corners[corner]!.x)} ${n(corners[corner]!.y)}L${n(ends[opposite[i]!]!.x)} ${n(ends[opposite[i]!]!.y)}`)
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
