import type { Rect } from '@jackdaw/core/guides'
import { findPrivate, type PrivateKind } from '@jackdaw/core/recording'

/** A part of a number that stands in a box of its own. */
export type Part = { rect: Rect; text: string; cell: Element | null }

const PART = /^[+(]?\d[\d ().-]{0,10}$/
const YEAR = /^(?:19|20)\d\d$/
const APART_PX = 28

/** Whether some text may be a part of a number that is written into several boxes. */
export const mayBePart = (text: string): boolean => PART.test(text) && !YEAR.test(text) && text.replace(/\D/g, '').length >= 2

const follows = (a: Part, b: Part): boolean => {
  const overlap = Math.min(a.rect.y + a.rect.height, b.rect.y + b.rect.height) - Math.max(a.rect.y, b.rect.y)
  const gap = b.rect.x - (a.rect.x + a.rect.width)
  return a.cell === b.cell && overlap > 0.6 * Math.min(a.rect.height, b.rect.height) && gap > -2 && gap < APART_PX
}

/** Areas of numbers that are written into several boxes in a row, such as a card's in four. The days of a calendar and the cells of a table
 * are none: those have fewer digits, or stand in cells. */
export function splitNumbers(parts: readonly Part[], kinds: ReadonlySet<PrivateKind>): Rect[] {
  const left = [...parts].sort((a, b) => a.rect.y - b.rect.y || a.rect.x - b.rect.x)
  const found: Rect[] = []
  while (left.length > 0) {
    const row = [left.shift()!]
    for (let next = left.findIndex((each) => follows(row.at(-1)!, each)); next >= 0;)
      [row[row.length], next] = [left.splice(next, 1)[0]!, left.findIndex((each) => follows(row.at(-1)!, each))]
    const digits = row.map(({ text }) => text.replace(/\D/g, '').length)
    if (row.length < 2 || digits.filter((n) => n >= 3).length < row.length / 2) continue
    if (findPrivate(row.map((each) => each.text).join(' '), kinds).length > 0) found.push(...row.map((each) => each.rect))
  }
  return found
}
