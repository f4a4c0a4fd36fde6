import type { Rect } from '../../guides'
import { findPrivate } from './privateText'
import type { PrivateKind, RawAction, TextBox } from '../rawAction'

/** The words that stand in the picture of an action, where they stand in pixels of that picture. */
export function textInPicture(action: RawAction, picture: { widthPx: number; heightPx: number }): TextBox[] {
  if (action.window.width <= 0) return []
  const scale = picture.widthPx / action.window.width
  return (action.textBoxes ?? []).flatMap(({ rect, text }) => {
    const left = Math.max(0, rect.x * scale)
    const top = Math.max(0, rect.y * scale)
    const width = Math.min(picture.widthPx, (rect.x + rect.width) * scale) - left
    const height = Math.min(picture.heightPx, (rect.y + rect.height) * scale) - top
    return width > 0 && height > 0 ? [{ rect: { x: left, y: top, width, height }, text }] : []
  })
}

/** A part of a picture in which something private stands. */
export type PrivateArea = { kind: PrivateKind; rect: Rect; words: string }

/** Of a line this much is left and right of a passage, in widths of a letter: letters are not all as wide as their mean. */
const MARGIN_LETTERS = 1.2
/** A passage that takes this share of its line is taken with all of it. */
const WHOLE_FROM = 0.6
/** A box higher than this many letters are wide holds more than one line; where in it a passage stands is then not known. */
const LINE_AT_MOST = 4.5

/** Finds what looks private among the words in a picture.
 * @param boxes  in pixels of the picture
 * @param isName whether some words are the name of a person in the directory
 * @returns areas in pixels of the picture, large enough to hold all of the passage */
export function privateAreas(
  boxes: readonly TextBox[],
  kinds: ReadonlySet<PrivateKind>,
  isName: (words: string) => boolean,
): PrivateArea[] {
  return boxes.flatMap(({ rect, text }) =>
    findPrivate(text, kinds, isName).map(({ kind, start, end }): PrivateArea => {
      const words = text.slice(start, end)
      const letter = rect.width / Math.max(1, text.length)
      const oneLine = rect.height <= letter * LINE_AT_MOST
      if (!oneLine || (end - start) / text.length >= WHOLE_FROM) return { kind, rect, words }
      const left = Math.max(rect.x, rect.x + (start - MARGIN_LETTERS) * letter)
      const right = Math.min(rect.x + rect.width, rect.x + (end + MARGIN_LETTERS) * letter)
      return { kind, rect: { ...rect, x: left, width: right - left }, words }
    }),
  )
}
