import { expect, it } from 'vitest'
import { dayOf, lengthOf, momentOf, percentOf, whenOf, writeIn } from './format'

it('writes days, lengths and shares as the house does', () => {
  expect(dayOf('2026-11-03')).toBe('Tue 3 Nov')
  expect([0, 400, 40_000, 240_000, 3_900_000].map(lengthOf)).toEqual(['–', '1 s', '40 s', '4 min', '1 h 5 min'])
  expect(percentOf(0.923)).toBe('92 %')
})
it('tells the time today, the day this year, and the year of older things', () => {
  const now = new Date(2026, 10, 23, 15, 0).getTime()
  expect(whenOf(new Date(2026, 10, 23, 9, 5).getTime(), now)).toBe('09:05')
  expect(whenOf(new Date(2026, 2, 3, 9, 5).getTime(), now)).toBe('Tue 3 Mar')
  expect(whenOf(new Date(2025, 2, 3, 9, 5).getTime(), now)).toBe('3 Mar 2025')
  expect(momentOf(new Date(2025, 2, 3, 9, 5).getTime())).toBe('3 Mar 2025, 09:05')
})

it('writes days as each language does', () => {
  writeIn('de')
  expect([dayOf('2026-03-03'), dayOf('2026-12-12')]).toEqual(['Di. 3. März', 'Sa. 12. Dez.'])
  expect(whenOf(new Date(2025, 8, 3).getTime(), new Date(2026, 2, 3).getTime())).toBe('3. Sept. 2025')
  writeIn('en')
  expect(dayOf('2026-09-06')).toBe('Sun 6 Sept')
})
