import type { Rect } from '../guides'
import { n } from './geometry'

/** How much of a side each arm of a bracket takes, and within which lengths in pixels at the reading width. */
const ARM_SHARE = 0.32
const ARM_MIN_PX = 5
const ARM_MAX_PX = 18
/** Room for the line and its casing at the picture's edge. */
const EDGE_PX = 3

/** The frame around an area: four corner brackets.
 * @param area        what the brackets enclose, in pixels of the picture
 * @param within      the shown part of the picture; the brackets stay inside
 * @param unit        pixels of the picture for one at the reading width
 * @param leastSidePx the frame of something small is made at least this large, so that the thing can be seen in it
 * @returns the area that the brackets enclose, and one SVG path for each corner */
export function frameBrackets(
  area: Rect,
  within: Rect,
  unit: number,
  leastSidePx = 0,
): { area: Rect; paths: [string, string, string, string] } {
  const edge = EDGE_PX * unit
  const inside = (at: number, from: number, size: number) =>
    Math.min(Math.max(at, from + Math.min(edge, size / 2)), from + Math.max(size / 2, size - edge))
  const [moreX, moreY] = [Math.max(0, (leastSidePx - area.width) / 2), Math.max(0, (leastSidePx - area.height) / 2)]
  const left = inside(area.x - moreX, within.x, within.width)
  const top = inside(area.y - moreY, within.y, within.height)
  const right = inside(area.x + area.width + moreX, within.x, within.width)
  const bottom = inside(area.y + area.height + moreY, within.y, within.height)
  const arm = (side: number) => Math.min(Math.max(side * ARM_SHARE, ARM_MIN_PX * unit), ARM_MAX_PX * unit, side / 2)
  const across = arm(right - left)
  const down = arm(bottom - top)
  const corner = (x: number, y: number, toX: number, toY: number) => `M${n(x + toX)} ${n(y)}H${n(x)}V${n(y + toY)}`
  return {
    area: { x: left, y: top, width: right - left, height: bottom - top },
    paths: [
      corner(left, top, across, down),
      corner(right, top, -across, down),
      corner(right, bottom, -across, -down),
      corner(left, bottom, across, -down),
    ],
  }
}
