import type { Anchor, Area, Rect } from '../guides'
import { FRAME_GAP_PX } from '../guides'
import { anchorAt, areaFrom, rectOf, unitOf, type Ground } from './attach'
import { grown, type Point } from './geometry'

/** How close to the element something counts as put on it, in pixels at the reading width. */
const NEAR_PX = 14

/** What a place in the picture belongs to: the element when the place is on it or close by, else the picture. */
export function ownerOf(point: Point, ground: Ground): Anchor['to'] {
  for (const to of ['element', 'onto'] as const) {
    const rect = rectOf(to, ground)
    if (!rect) continue
    const near = grown(rect, NEAR_PX * unitOf(ground))
    if (point.x >= near.x && point.x <= near.x + near.width && point.y >= near.y && point.y <= near.y + near.height) return to
  }
  return 'picture'
}

/** An anchor for a place in the picture; close to one of the nine points of what it belongs to, it is that point. */
export const anchorFor = (point: Point, ground: Ground): Anchor => anchorAt(point, ownerOf(point, ground), ground, 6 * unitOf(ground))

const near = (a: Rect, b: Rect, by: number): boolean =>
  Math.abs(a.x - b.x) <= by &&
  Math.abs(a.y - b.y) <= by &&
  Math.abs(a.x + a.width - b.x - b.width) <= by &&
  Math.abs(a.y + a.height - b.y - b.height) <= by
/** An area drawn by hand: around the element when it was drawn about there, else a part of the picture. */
export function areaFor(rect: Rect, ground: Ground): Area {
  for (const to of ['element', 'onto'] as const) {
    const element = rectOf(to, ground)
    if (element && near(rect, element, 9 * unitOf(ground))) return { to, gapPx: FRAME_GAP_PX }
  }
  return areaFrom(rect, ground)
}
