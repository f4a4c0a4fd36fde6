import type { LocalDate } from '@jackdaw/core/shared'
import { expect, it } from 'vitest'
import { isKnown, opensIn } from './keptDays'

const day = (words: string) => words as LocalDate
const OLD = day('2024-12-30')
const together = { kept: day('2025-01-01'), together: true }
const nobody = { kept: day('2025-01-01'), together: false }

it('knows of old days what was counted together, and opens what has rows', () => {
  expect([
    isKnown(together, 'views', OLD),
    isKnown(together, 'people', OLD),
    isKnown(nobody, 'views', OLD),
    isKnown(nobody, 'newcomers', OLD),
  ]).toEqual([true, false, false, true])
  expect([opensIn(together, 'views', OLD), opensIn(together, 'newcomers', OLD), opensIn(together, 'views', day('2025-01-01'))]).toEqual([
    false,
    true,
    true,
  ])
  expect([isKnown({ kept: null, together: false }, 'people', OLD), opensIn({ kept: null, together: false }, 'views', OLD)]).toEqual([
    true,
    true,
  ])
})
