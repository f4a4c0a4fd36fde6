import type { AnnotationKind, Rect, TypeFace } from '../guides'
import type { Point } from './geometry'

/** One thing to draw. Everything that shows annotations (page, editor, print) knows these three only. Coordinates in pixels of the
 * stored picture; a path is SVG path data. */
export type Shape =
  | { is: 'path'; d: string; stroke?: string; widthPx?: number; fill?: string; cap?: 'square' | 'round' | 'butt' }
  /** Lines of words at weight 600; `x`, `y` is the left end of the first line's base line, or its middle. */
  | { is: 'words'; lines: readonly string[]; x: number; y: number; typePx: number; face: TypeFace; fill: string; align: 'start' | 'middle' }
  /** A part of the picture, shown in another place and size. */
  | { is: 'detail'; from: Rect; to: Rect }

/** A stroke with its casing on both sides, so that it stands on any background. */
export const cased = (
  d: string,
  colour: string,
  casing: string,
  widthPx: number,
  casingPx: number,
  cap: 'square' | 'round' = 'round',
): Shape[] => [
  { is: 'path', d, stroke: casing, widthPx: widthPx + 2 * casingPx, cap },
  { is: 'path', d, stroke: colour, widthPx, cap },
]

/** One annotation as it is drawn. */
export type Drawn = {
  id: string
  kind: AnnotationKind
  /** What it covers, in pixels of the stored picture. */
  box: Rect
  shapes: Shape[]
  /** Points along its strokes, where contrast is measured. */
  along: Point[]
  stroke: string
  casing: string
  /** Of a label: what it speaks of, and its slip. */
  dot?: Point
  slip?: Rect
}
