import { nth } from '../shared'
import type { TypeFace } from '../guides'
import { MEASURED, WIDTHS } from './typeWidths'

const tableOf = (face: TypeFace): Map<number, number> => {
  const widths = WIDTHS[face].split(' ').map(Number)
  const table = new Map<number, number>()
  let at = 0
  for (const [from, to] of MEASURED) for (let code = from; code <= to; code++) table.set(code, nth(widths, at++))
  return table
}
const TABLES = { sans: tableOf('sans'), serif: tableOf('serif') }
/** Of a character that was not measured: a whole em, so that there is always room for it. */
const UNKNOWN = 1_000
/** Height of a line, in sizes of the type. */
export const LINE_HEIGHT = 1.28

/** Width of a line of words set at weight 600.
 * @returns in the unit of `typePx` */
export function widthOf(words: string, typePx: number, face: TypeFace): number {
  const table = TABLES[face]
  let sum = 0
  for (const character of words) sum += table.get(character.codePointAt(0)!) ?? UNKNOWN
  return (sum * typePx) / 1_000
}

/** Breaks words into lines no wider than a width; a word that is wider than a line is broken where it has to be.
 * @param widest in the unit of `typePx` */
export function linesOf(words: string, typePx: number, face: TypeFace, widest: number): string[] {
  return words.split('\n').flatMap((paragraph) => {
    const lines: string[] = []
    let line = ''
    for (const word of paragraph.split(/ +/)) {
      const longer = line === '' ? word : `${line} ${word}`
      if (widthOf(longer, typePx, face) <= widest) {
        line = longer
        continue
      }
      if (line !== '') lines.push(line)
      line = ''
      for (const character of word) {
        if (line !== '' && widthOf(line + character, typePx, face) > widest) {
          lines.push(line)
          line = ''
        }
        line += character
      }
    }
    return [...lines, line]
  })
}

/** Words with the room that they take. */
export type SetWords = { lines: string[]; width: number; height: number; typePx: number; face: TypeFace }

/** Sets words in lines of about equal length.
 * @param widest   width of the longest line allowed
 * @param wish     at least as large as this, never smaller than the words
 * @returns sizes in the unit of `typePx`, without any space around the words */
export function setWords(
  words: string,
  { typePx, face, widest, wish }: { typePx: number; face: TypeFace; widest: number; wish?: { width: number; height: number } | undefined },
): SetWords {
  const wide = Math.max(widest, wish?.width ?? 0)
  let lines = linesOf(words, typePx, face, wide)
  if (lines.length > 1 && !wish) {
    // As narrow as the number of lines allows: two lines of one length look better than a long one and a short one.
    let [low, high] = [wide / lines.length, wide]
    for (let n = 0; n < 7; n++) {
      const middle = (low + high) / 2
      const tried = linesOf(words, typePx, face, middle)
      if (tried.length <= lines.length) {
        lines = tried
        high = middle
      } else low = middle
    }
  }
  const width = Math.max(...lines.map((line) => widthOf(line, typePx, face)), wish?.width ?? 0)
  return { lines, width, height: Math.max(lines.length * typePx * LINE_HEIGHT, wish?.height ?? 0), typePx, face }
}
