import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Accept } from '../guides'
import type { LocalDate } from '../shared'
import { accepts, dayIn, fitsPattern, numberIn, shownEntry } from './accept'

describe('an entry', () => {
  const table: [Accept, string, string, boolean][] = [
    [{ how: 'exact', value: 'Thyme' }, ' Thyme ', 'en', true],
    [{ how: 'exact', value: 'Thyme' }, 'thyme', 'en', false],
    [{ how: 'same', value: 'Two Rivers' }, 'two  rivers', 'en', true],
    [{ how: 'same', value: 'Two Rivers' }, 'tworivers', 'en', false],
    [{ how: 'same', value: '6' }, '6.0', 'en', true],
    [{ how: 'same', value: '1.5' }, '1,5', 'de', true],
    [{ how: 'same', value: '1.5' }, '1,5', 'en', false],
    [{ how: 'same', value: '1,250' }, '1.250', 'de', true],
    [{ how: 'same', value: '13/03/2026' }, '13.3.2026', 'de', true],
    [{ how: 'same', value: '13/03/2026' }, '2026-03-13', 'pl', true],
    [{ how: 'without-blanks', value: 'SO 40 218' }, 'so40218', 'en', true],
    [{ how: 'pattern', pattern: 'SO-####' }, 'so-4021', 'en', true],
    [{ how: 'pattern', pattern: 'SO-####' }, 'SO-40218', 'en', false],
    [{ how: 'range', least: 1, most: 8 }, '8', 'en', true],
    [{ how: 'range', least: 1, most: 8 }, '8,5', 'de', false],
    [{ how: 'range', least: null, most: 4.5 }, '4,5', 'es', true],
    [{ how: 'range', least: 1, most: null }, 'eight', 'en', false],
    [{ how: 'one-of', values: ['Tue', 'Fri'] }, 'fri', 'en', true],
    [{ how: 'one-of', values: ['Tue', 'Fri'] }, 'Wed', 'en', false],
    [{ how: 'date', date: '2026-03-13' as LocalDate }, '13/3/26', 'en', true],
    [{ how: 'date', date: '2026-03-13' as LocalDate }, '3/13/2026', 'en-US', true],
    [{ how: 'date', date: '2026-03-13' as LocalDate }, '3/13/2026', 'en', false],
    [{ how: 'anything' }, 'x', 'en', true],
    [{ how: 'anything' }, '  ', 'en', false],
  ]
  it.each(table)('%j takes %j in %s: %s', (accept, entry, language, taken) => {
    expect(accepts(accept, entry, language, 'en')).toBe(taken)
  })
  it('that is shown is one that is taken', () => {
    for (const [accept] of table) {
      const shown = shownEntry(accept)
      if (shown !== null) expect(accepts(accept, shown, 'en', 'en')).toBe(true)
    }
    expect(shownEntry({ how: 'anything' })).toBeNull()
    expect(shownEntry({ how: 'pattern', pattern: 'A*' })).toBeNull()
  })
})

describe('a number', () => {
  it('is read as each language writes it', () => {
    expect(numberIn('1.234,5', 'de')).toBe(1234.5)
    expect(numberIn('1 234,5', 'pl')).toBe(1234.5)
    expect(numberIn('1,234.5', 'en')).toBe(1234.5)
    expect(numberIn('-3', 'en')).toBe(-3)
    for (const none of ['', '1,23,4', '1.2.3', '12 apples', '1,2345', '.', '1e3']) expect(numberIn(none, 'en')).toBeNull()
  })
  it('comes back from how it is written, in every language', () => {
    fc.assert(
      fc.property(fc.integer({ min: -9_999_999, max: 9_999_999 }), fc.constantFrom('en', 'de', 'es', 'pl'), (hundredths, language) => {
        const value = hundredths / 100
        expect(numberIn(value.toLocaleString(language, { minimumFractionDigits: 2 }), language)).toBe(value)
      }),
    )
  })
})

it('reads no day that the calendar does not have', () => {
  expect(dayIn('31.2.2026', 'de')).toBeNull()
  expect(dayIn('29/02/2028', 'en')).toBe('2028-02-29')
  expect(dayIn('soon', 'en')).toBeNull()
})

describe('a pattern', () => {
  it('agrees with the regular expression that says the same', () => {
    const sign = fc.constantFrom('a', 'b', '1', '2', '-', '#', '@', '?', '*')
    fc.assert(
      fc.property(fc.array(sign, { maxLength: 7 }), fc.array(fc.constantFrom('a', 'b', '1', '2', '-'), { maxLength: 8 }), (signs, text) => {
        const means: Record<string, string> = { '#': '\\d', '@': '[a-z]', '?': '.', '*': '.*', '-': '\\-' }
        const expected = new RegExp(`^${signs.map((each) => means[each] ?? each).join('')}$`).test(text.join(''))
        expect(fitsPattern(text.join(''), signs.join(''))).toBe(expected)
      }),
      { numRuns: 500 },
    )
  })
  it('takes no longer for many stars', () => {
    expect(fitsPattern('a'.repeat(2_000), `${'*a'.repeat(99)}b`)).toBe(false)
  })
})
