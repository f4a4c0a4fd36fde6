import type { ArrowHeads } from '../guides'
import { n, type Point } from './geometry'

const HEAD_ANGLE = (27 * Math.PI) / 180

/** An arrow as SVG paths: its shaft, straight or an arc of a circle, and open heads.
 * @param bend  how far the middle bulges, in per cent of half the length; above 0 clockwise, below counter-clockwise
 * @param headPx length of a head's stroke, in pixels of the picture
 * @returns the paths, and points along the shaft from one end to the other */
export function arrowPaths(from: Point, to: Point, bend: number, heads: ArrowHeads, headPx: number): { paths: string[]; along: Point[] } {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const length = Math.hypot(dx, dy)
  if (length < 0.5) return { paths: [], along: [from] }
  const half = length / 2
  const chord = Math.atan2(dy, dx)
  const bulge = (bend / 100) * half
  const straight = Math.abs(bulge) < 0.5
  // Angle between the chord and the shaft at its ends.
  const lean = straight ? 0 : 2 * Math.atan(bulge / half)
  const radius = straight ? 0 : (half * half + bulge * bulge) / (2 * Math.abs(bulge))
  const end = (point: Point, angle: number) =>
    `M${n(point.x + headPx * Math.cos(angle + HEAD_ANGLE))} ${n(point.y + headPx * Math.sin(angle + HEAD_ANGLE))}L${n(point.x)} ${n(point.y)}L${n(point.x + headPx * Math.cos(angle - HEAD_ANGLE))} ${n(point.y + headPx * Math.sin(angle - HEAD_ANGLE))}`
  const shaft = straight
    ? `M${n(from.x)} ${n(from.y)}L${n(to.x)} ${n(to.y)}`
    : `M${n(from.x)} ${n(from.y)}A${n(radius)} ${n(radius)} 0 ${Math.abs(bulge) > half ? 1 : 0} ${bulge > 0 ? 1 : 0} ${n(to.x)} ${n(to.y)}`
  const paths = [shaft]
  if (heads === 'end' || heads === 'both') paths.push(end(to, chord + lean + Math.PI))
  if (heads === 'start' || heads === 'both') paths.push(end(from, chord - lean))
  return { paths, along: pointsAlong(from, chord, length, lean, radius) }
}

const POINTS = 16
function pointsAlong(from: Point, chord: number, length: number, lean: number, radius: number): Point[] {
  return Array.from({ length: POINTS + 1 }, (_, i) => {
    const share = i / POINTS
    if (lean === 0) return { x: from.x + Math.cos(chord) * length * share, y: from.y + Math.sin(chord) * length * share }
    // From the centre of the circle, the shaft turns by twice the lean.
    const side = Math.sign(lean)
    const startAngle = chord - lean - (side * Math.PI) / 2
    const centre = { x: from.x - radius * Math.cos(startAngle), y: from.y - radius * Math.sin(startAngle) }
    const angle = startAngle + 2 * lean * share
    return { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) }
  })
}
