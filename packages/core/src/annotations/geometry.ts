import type { Rect } from '../guides'

/** A place, in pixels. */
export type Point = { x: number; y: number }
/** A size, in pixels. */
export type Size = { width: number; height: number }

/** The middle of an area. */
export const middleOf = (rect: Rect): Point => ({ x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 })
/** An area grown on all sides; a negative gap makes it smaller, to nothing at the most. */
export function grown(rect: Rect, gap: number): Rect {
  const [width, height] = [Math.max(0, rect.width + 2 * gap), Math.max(0, rect.height + 2 * gap)]
  const middle = middleOf(rect)
  return { x: middle.x - width / 2, y: middle.y - height / 2, width, height }
}
/** The part of an area that lies in another one; without extent where they do not meet. */
export function cut(rect: Rect, to: Rect): Rect {
  const [left, top] = [Math.max(rect.x, to.x), Math.max(rect.y, to.y)]
  const right = Math.min(rect.x + rect.width, to.x + to.width)
  const bottom = Math.min(rect.y + rect.height, to.y + to.height)
  return {
    x: Math.min(left, to.x + to.width),
    y: Math.min(top, to.y + to.height),
    width: Math.max(0, right - left),
    height: Math.max(0, bottom - top),
  }
}
/** The smallest area that holds all of these. */
export function around(rects: readonly Rect[]): Rect {
  const left = Math.min(...rects.map((each) => each.x))
  const top = Math.min(...rects.map((each) => each.y))
  const right = Math.max(...rects.map((each) => each.x + each.width))
  const bottom = Math.max(...rects.map((each) => each.y + each.height))
  return { x: left, y: top, width: right - left, height: bottom - top }
}
/** How much of one area another one covers, in square pixels. */
export function overlap(a: Rect, b: Rect): number {
  const width = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)
  if (width <= 0) return 0
  const height = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y)
  return height <= 0 ? 0 : width * height
}
/** Whether an area lies in another one, edges included, within a millionth of a pixel. */
export const holds = (outer: Rect, inner: Rect): boolean =>
  inner.x >= outer.x - 1e-6 &&
  inner.y >= outer.y - 1e-6 &&
  inner.x + inner.width <= outer.x + outer.width + 1e-6 &&
  inner.y + inner.height <= outer.y + outer.height + 1e-6
/** An area moved into another one as far as it fits. */
export const movedInto = (rect: Rect, outer: Rect): Rect => ({
  ...rect,
  x: Math.max(outer.x, Math.min(rect.x, outer.x + outer.width - rect.width)),
  y: Math.max(outer.y, Math.min(rect.y, outer.y + outer.height - rect.height)),
})
/** How far two points are from each other, in their pixels. */
export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)

const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
/** Whether two lines cross in a point inside of both. */
export function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0
}
/** Length of the part of a line that lies in an area, as a share of the line (0 to 1). Liang and Barsky, 1984. */
export function shareInside(a: Point, b: Point, rect: Rect): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  let [from, to] = [0, 1]
  for (const [p, q] of [
    [-dx, a.x - rect.x],
    [dx, rect.x + rect.width - a.x],
    [-dy, a.y - rect.y],
    [dy, rect.y + rect.height - a.y],
  ] as const) {
    if (p === 0) {
      if (q <= 0) return 0
      continue
    }
    const at = q / p
    if (p < 0) from = Math.max(from, at)
    else to = Math.min(to, at)
    if (from >= to) return 0
  }
  return to - from
}
/** A number as it is written in a path: a tenth of a pixel is enough. */
export const n = (value: number): string => String(Math.round(value * 10) / 10)
/** An area as a path. */
export const rectPath = ({ x, y, width, height }: Rect): string => `M${n(x)} ${n(y)}h${n(width)}v${n(height)}h${n(-width)}z`
