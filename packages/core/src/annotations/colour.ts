import { nth } from '../shared'
import type { Colour, Look } from '../guides'

/** The ink of the interface and the white of its sheets. */
export const INK = '#17212b'
/** White, as `#rrggbb`. */
export const WHITE = '#ffffff'

/** Colours offered for annotations, by name. None of them is red or orange: those pairs of colour and shape mean safety. */
export const PALETTE = {
  kingfisher: '#0fb5c9',
  ink: INK,
  petrol: '#095660',
  moss: '#245834',
  plum: '#7b2d6b',
  sky: '#2f6fde',
  straw: '#f2d64b',
  white: WHITE,
} as const

/** Red, green and blue, 0 to 255. */
export type Rgb = readonly [red: number, green: number, blue: number]
const eachPart = ([red, green, blue]: Rgb, make: (part: number) => number): Rgb => [make(red), make(green), make(blue)]

/** Reads `#rrggbb`. @throws RangeError for anything else */
export function rgbOf(hex: string): Rgb {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) throw new RangeError(`no colour: ${hex}`)
  const part = (at: number) => parseInt(hex.slice(at, at + 2), 16)
  return [part(1), part(3), part(5)]
}
const hexOf = (rgb: Rgb): string => `#${rgb.map((part) => Math.round(part).toString(16).padStart(2, '0')).join('')}`

/** A colour of an annotation as `#rrggbb`. */
export const hexFor = (colour: Colour, look: Pick<Look, 'colour'>): string => (colour === 'company' ? look.colour : colour)

/** Relative luminance, 0 to 1 (WCAG 2.2). */
function luminance(rgb: Rgb): number {
  const [red, green, blue] = eachPart(rgb, (part) => {
    const share = part / 255
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
  })
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}
/** Contrast of two colours, 1 to 21 (WCAG 2.2). */
export function contrast(one: Rgb, other: Rgb): number {
  const [a, b] = [luminance(one), luminance(other)]
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
}
/** What can be read better on a colour: ink or white. */
export const wordsOn = (hex: string): string => (contrast(rgbOf(hex), rgbOf(WHITE)) >= contrast(rgbOf(hex), rgbOf(INK)) ? WHITE : INK)
/** The casing with which a stroke stands best on whatever is under it: ink around light strokes, white around dark ones. Around 0.21 both
 * are as good on the worst ground. */
export const casingFor = (hex: string): string => (luminance(rgbOf(hex)) > 0.21 ? INK : WHITE)

/** A colour made darker, step by step, until it reaches a contrast on white; for words and buttons in the company's own colour.
 * @param least contrast wanted, such as 4.5
 * @returns `#rrggbb`; the colour itself when it is dark enough */
export function darkened(hex: string, least: number): string {
  let rgb = rgbOf(hex)
  for (let n = 0; n < 100 && contrast(rgb, [255, 255, 255]) < least; n++) rgb = eachPart(rgb, (part) => part * 0.95)
  return hexOf(rgb)
}
/** Pixels of a picture, four bytes each: red, green, blue, and one that is not read. */
export type Pixels = { widthPx: number; heightPx: number; bytes: ArrayLike<number> }

/** How well a stroke with its casing can be told from what is under it: the better of the two at each place, and of all places that which
 * a fifth are worse than, so that a few odd pixels do not count.
 * @param places in pixels of `pixels`; those outside are left out
 * @returns contrast, 1 to 21; 21 when there is no place to look at */
export function contrastUnder(pixels: Pixels, places: readonly { x: number; y: number }[], stroke: string, casing: string): number {
  const [a, b] = [rgbOf(stroke), rgbOf(casing)]
  const found = places
    .map(({ x, y }) => ({ x: Math.floor(x), y: Math.floor(y) }))
    .filter(({ x, y }) => x >= 0 && y >= 0 && x < pixels.widthPx && y < pixels.heightPx)
    .map(({ x, y }) => {
      const at = (y * pixels.widthPx + x) * 4
      const under: Rgb = [pixels.bytes[at]!, pixels.bytes[at + 1]!, pixels.bytes[at + 2]!]
      return Math.max(contrast(a, under), contrast(b, under))
    })
    .sort((one, other) => one - other)
  return found.length === 0 ? 21 : nth(found, Math.floor(found.length / 5))
}
/** Least contrast of a stroke or its casing to what is under it (WCAG 2.2, 1.4.11). */
export const LEAST_CONTRAST = 3
