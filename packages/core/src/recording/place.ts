import { nth } from '../shared'
import type { Rect } from '../guides'

/** Where in the window something stands, in ninths. */
export const PLACES = ['top-left', 'top', 'top-right', 'left', 'middle', 'right', 'bottom-left', 'bottom', 'bottom-right'] as const
/** One of the ninths of a window. */
export type Place = (typeof PLACES)[number]

/** The ninth of the window in which the middle of an area lies.
 * @param window its size in the same pixels as `rect` */
export function placeOf(rect: Rect, window: { width: number; height: number }): Place {
  const third = (at: number, length: number) => Math.min(2, Math.max(0, Math.floor((at / Math.max(1, length)) * 3)))
  const column = third(rect.x + rect.width / 2, window.width)
  const row = third(rect.y + rect.height / 2, window.height)
  return nth(PLACES, row * 3 + column)
}
