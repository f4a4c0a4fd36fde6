import type { Rect } from '../../guides'
import type { PictureId } from '../../shared'
import type { Part } from './part'
import type { Style } from './type'

/** Where words lead: an address, or a place on paper. */
export type LeadsTo = { href: string } | { anchor: string }

/** Something on paper. Lengths in points; `x` from the left edge of the column, `y` from the top of its box, or of the page.
 * `part`: to what it belongs; `null` for what is only decoration.
 * Of words, `y` is the base line. Of a path, `d` is SVG path data, of which one unit is `scale` points; `lined` is the width of its stroke in units.
 * Of a picture, `from` is the part of the stored picture that is shown, `hidden` areas that are filled in it, all in its pixels. */
export type Placed = { x: number; y: number; part: Part | null } & (
  | { is: 'words'; words: string; style: Style; widthPt: number; to?: LeadsTo }
  | {
      is: 'path'
      d: string
      scale: number
      fill?: string
      stroke?: string
      lined?: number
      cap?: 'butt' | 'round' | 'square'
      evenOdd?: true
    }
  | { is: 'picture'; picture: PictureId; from: Rect; hidden: Rect[]; widthPt: number; heightPt: number }
  | { is: 'logo'; data: string; widthPt: number; heightPt: number }
)

/** Something that is never cut by the end of a page.
 * `beforePt`: room above it, which it does not need at the top of a page.
 * `keep`: the next box stands on the same page.
 * `group`: boxes of one group stand on one page where they fit on one.
 * `instead`: of the first of a group: the same group with smaller pictures, for where there is no room for it.
 * `repeat`: what stands over it where it begins a page: the head of a table.
 * `anchor`: the place by which it is found; `mark`: a bookmark to it.
 * `ruled`: whether the ruler stands beside it. */
export type Box = {
  heightPt: number
  beforePt: number
  placed: Placed[]
  keep?: boolean
  group?: string
  instead?: Box[]
  repeat?: { heightPt: number; placed: Placed[] }
  anchor?: string
  mark?: { title: string; level: number }
  ruled?: boolean
}

/** Something placed that is moved. */
export const shifted = (placed: Placed, x: number, y: number): Placed => ({ ...placed, x: placed.x + x, y: placed.y + y })

/** The outline of a rectangle as a path. */
export const rectPath = (width: number, height: number): string => `M0 0H${width}V${height}H0Z`
