import type { Rect } from '../guides'
import type { Point } from './geometry'

/** Length of the level piece at a slip before a leader bends, in pixels at the reading width. */
const STUB_PX = 9

/** The line from a slip to its dot: straight where it leaves the slip across from the dot, else with one bend.
 * @param unit pixels of the picture for one at the reading width
 * @returns two or three points, the dot last; only the dot when it lies under the slip */
export function leaderOf(slip: Rect, dot: Point, unit: number): Point[] {
  const right = slip.x + slip.width
  const bottom = slip.y + slip.height
  const besideX = dot.x >= slip.x && dot.x <= right
  const besideY = dot.y >= slip.y && dot.y <= bottom
  if (besideX && besideY) return [dot]
  if (besideX) return [{ x: dot.x, y: dot.y < slip.y ? slip.y : bottom }, dot]
  const edge = dot.x < slip.x ? slip.x : right
  if (besideY) return [{ x: edge, y: dot.y }, dot]
  const y = slip.y + slip.height / 2
  const gap = Math.abs(dot.x - edge)
  const stub = Math.min(STUB_PX * unit, gap)
  return [{ x: edge, y }, { x: edge + (dot.x < slip.x ? -stub : stub), y }, dot]
}
