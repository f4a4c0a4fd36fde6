/** How a picture that stands in the middle of a box is enlarged: by a factor, and moved by shares of the box before that. */
export type Zoom = { factor: number; x: number; y: number }

/** Width of a pixel of the picture on the screen, below which the picture is enlarged to show what matters. */
const SMALL = 0.8
const MOST = 2.2

/** Enlarges a picture that is shown small, so that an element on it is seen well. The picture fills the height of its box; where it is
 * narrower than the box it stands in the middle. What is seen never ends before the picture does, unless all of it is seen.
 * @param spot    where the element stands, in shares of the picture
 * @param shownPx width at which the picture is shown
 * @param boxPx   width of its box
 * @param widthPx width of the picture itself
 * @returns `null` when the picture is shown large enough, or not shown yet */
export function zoomOn(spot: { x: number; y: number }, shownPx: number, boxPx: number, widthPx: number): Zoom | null {
  const scale = shownPx / widthPx
  if (scale >= SMALL || !(shownPx > 0)) return null
  const factor = Math.min(MOST, 1 / scale)
  const off = (at: number, share: number) => {
    const most = Math.max(0, share / 2 - 0.5 / factor)
    return Math.min(most, Math.max(-most, (at - 0.5) * share))
  }
  return { factor, x: -off(spot.x, shownPx / boxPx), y: -off(spot.y, 1) }
}
