import { describe, expect, it } from 'vitest'
import { marksOf, nameAsker } from './nameMarks'
import { findPrivate } from './privateText'
import type { PrivateKind } from '../rawAction'
import { KNOWN_PEOPLE, PUBLIC_FORMS, WRITTEN_FORMS } from './writtenForms'

const isName = nameAsker(marksOf(KNOWN_PEOPLE, 'pepper'), 'pepper')
const KINDS = new Set<PrivateKind>(['mail', 'phone', 'account', 'person', 'address'])

/** Forms that stay readable, and why. docs/recorder.md tells people of them. */
const MISSED: Record<string, string> = {}

/** What of the private parts of a line is still to be read. */
function leftOf(line: string): string {
  const parts: { start: number; end: number }[] = []
  let text = ''
  for (const piece of line.split(/([«»])/)) {
    if (piece === '«') parts.push({ start: text.length, end: text.length })
    else if (piece === '»') parts.at(-1)!.end = text.length
    else text += piece
  }
  const found = findPrivate(text, KINDS, isName)
  return parts
    .flatMap(({ start, end }) =>
      Array.from({ length: end - start }, (_, n) => start + n).filter((at) => !found.some((each) => at >= each.start && at < each.end)),
    )
    .map((at) => text[at]!)
    .filter((sign) => /[\p{L}\p{N}]/u.test(sign))
    .join('')
}
const all = Object.entries(WRITTEN_FORMS)
  .flatMap(([country, lines]) => lines.map((line) => ({ country, line })))
  .map((each, n) => ({ ...each, aside: n % 3 === 2 }))

describe('private text as people write it', () => {
  it('is a set large and mixed enough', () => {
    expect(all.length).toBeGreaterThanOrEqual(200)
    expect(Object.keys(WRITTEN_FORMS).length).toBeGreaterThanOrEqual(12)
    expect(new Set(all.map((each) => each.line)).size).toBe(all.length)
  })
  it.each(all.filter(({ line }) => !MISSED[line]))('$country: $line', ({ line }) => {
    expect(leftOf(line)).toBe('')
  })
  it('is named as missed only where it is', () => {
    for (const line of Object.keys(MISSED)) expect([line, leftOf(line)]).not.toEqual([line, ''])
  })
  it.each(PUBLIC_FORMS)('leaves what says nothing of anybody: %s', (line) => {
    expect(findPrivate(line, KINDS, isName).map(({ kind, start, end }) => [kind, line.slice(start, end)])).toEqual([])
  })
})
