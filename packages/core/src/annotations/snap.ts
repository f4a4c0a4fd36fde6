import type { Rect } from '../guides'
import { rectOf, SHARES, type Ground } from './attach'
import type { Point } from './geometry'

/** A line to which something has snapped: at `at` along one axis, with what it is called. */
export type Guideline = { axis: 'x' | 'y'; at: number; of: 'element' | 'label' | 'picture' }
/** Where something lands when it is let go, and the lines that drew it there. */
export type Snapped = { x: number; y: number; lines: Guideline[] }

type Candidate = { at: number; of: Guideline['of'] }

/** Draws a moved box to natural places: in line with corners and middles of the element, with other labels, with the thirds and the
 * middle of the picture.
 * @param box    where the hand has it, in pixels of the picture
 * @param others boxes to stand in line with
 * @param near   how close counts, in pixels of the picture
 * @returns the box's new left and top */
export function snapBox(box: Rect, ground: Ground, others: readonly Rect[], near: number): Snapped {
  const lines: Guideline[] = []
  const along = (axis: 'x' | 'y'): number => {
    const [start, size] = axis === 'x' ? [box.x, box.width] : [box.y, box.height]
    const side = axis === 'x' ? 'width' : 'height'
    const candidates: Candidate[] = [
      ...(['element', 'onto'] as const).flatMap((to) => {
        const rect = rectOf(to, ground)
        return rect ? [0, 0.5, 1].map((share) => ({ at: rect[axis] + share * rect[side], of: 'element' as const })) : []
      }),
      ...others.flatMap((rect) => [0, 0.5, 1].map((share) => ({ at: rect[axis] + share * rect[side], of: 'label' as const }))),
      ...[1 / 3, 0.5, 2 / 3].map((share) => ({ at: ground.shown[axis] + share * ground.shown[side], of: 'picture' as const })),
    ]
    let best: { by: number; line: Guideline } | undefined
    for (const candidate of candidates)
      for (const share of [0, 0.5, 1]) {
        const by = candidate.at - (start + share * size)
        if (Math.abs(by) <= near && (best === undefined || Math.abs(by) < Math.abs(best.by) - 1e-9))
          best = { by, line: { axis, at: candidate.at, of: candidate.of } }
      }
    if (best) lines.push(best.line)
    return start + (best?.by ?? 0)
  }
  return { x: along('x'), y: along('y'), lines }
}

/** Draws a moved point to the nine points of the element, or to those of the shown part.
 * @returns the point and the lines through it; the point as it was when none is near */
export function snapPoint(point: Point, ground: Ground, near: number): Snapped {
  const targets = [
    ...(['element', 'onto'] as const).flatMap((to) => {
      const rect = rectOf(to, ground)
      return rect ? [{ rect, of: 'element' as const }] : []
    }),
    { rect: ground.shown, of: 'picture' as const },
  ]
  for (const { rect, of } of targets)
    for (const share of Object.values(SHARES)) {
      const at = { x: rect.x + share.x * rect.width, y: rect.y + share.y * rect.height }
      if (Math.hypot(at.x - point.x, at.y - point.y) <= near)
        return {
          ...at,
          lines: [
            { axis: 'x', at: at.x, of },
            { axis: 'y', at: at.y, of },
          ],
        }
    }
  return { ...point, lines: [] }
}

/** The area between two corners, whichever is which. */
export function areaBetween(a: Point, b: Point): Rect {
  return { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), width: Math.abs(a.x - b.x), height: Math.abs(a.y - b.y) }
}
