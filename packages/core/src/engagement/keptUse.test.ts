import { expect, it } from 'vitest'
import type { LocalDate } from '../shared'
import { keptSince } from './keptUse'

const day = (words: string) => words as LocalDate

it('keeps whole months, and never those again that were put together', () => {
  expect(keptSince(day('2026-03-31'), 13, null)).toBe('2025-02-01')
  expect(keptSince(day('2026-01-01'), 24, day('2023-06-01'))).toBe('2024-01-01')
  expect(keptSince(day('2026-01-01'), 60, day('2024-06-01'))).toBe('2024-06-01')
  expect(keptSince(day('2026-01-01'), null, day('2024-06-01'))).toBe('2024-06-01')
  expect(keptSince(day('2026-01-01'), null, null)).toBeNull()
})
