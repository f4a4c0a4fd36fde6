import type { Release } from '@jackdaw/contracts/engagement'
import type { LocalDate } from '@jackdaw/core/shared'
import { expect, it } from 'vitest'
import { betweenReleases } from './looking'

const release = (name: string, day: string): Release => ({ id: name as Release['id'], name, day: day as LocalDate })
it('lies between a release and the day before the next, and from the last one to today', () => {
  const spans = betweenReleases(
    [release('C', '2026-11-20'), release('B', '2026-11-02'), release('A', '2026-10-01')],
    '2026-11-30' as LocalDate,
  )
  expect(spans.map(({ since, until, from, to }) => [since, until, from, to])).toEqual([
    ['C', null, '2026-11-20', '2026-11-30'],
    ['B', 'C', '2026-11-02', '2026-11-19'],
    ['A', 'B', '2026-10-01', '2026-11-01'],
  ])
})
it('leaves out what is still to come', () => {
  expect(betweenReleases([release('Next year', '2027-01-04')], '2026-11-30' as LocalDate)).toEqual([])
})
