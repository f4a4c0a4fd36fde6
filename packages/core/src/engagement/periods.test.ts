import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays, daysBetween, type LocalDate } from '../shared'
import { COMPARISONS, daysBack, earlier, MOST_PERIODS, periodsOf, unitFor, UNITS, type Span } from './periods'

const day = (text: string): LocalDate => text as LocalDate
const anySpan = fc
  .record({ start: fc.integer({ min: 0, max: 20_000 }), days: fc.integer({ min: 1, max: 3_700 }) })
  .map(({ start, days }): Span => ({ from: addDays(day('1990-01-01'), start), to: addDays(day('1990-01-01'), start + days - 1) }))

describe('the periods of a span', () => {
  it('are weeks from Monday on and months of the calendar, cut at both ends', () => {
    // 4 November 2026 is a Wednesday.
    expect(periodsOf({ from: day('2026-11-04'), to: day('2026-11-17') }, 'week')).toEqual([
      { from: '2026-11-04', to: '2026-11-08' },
      { from: '2026-11-09', to: '2026-11-15' },
      { from: '2026-11-16', to: '2026-11-17' },
    ])
    expect(periodsOf({ from: day('2024-01-31'), to: day('2024-03-01') }, 'month')).toEqual([
      { from: '2024-01-31', to: '2024-01-31' },
      { from: '2024-02-01', to: '2024-02-29' },
      { from: '2024-03-01', to: '2024-03-01' },
    ])
    expect(periodsOf({ from: day('2026-12-31'), to: day('2027-01-01') }, 'day')).toHaveLength(2)
    expect(() => periodsOf({ from: day('2026-12-31'), to: day('2026-12-30') }, 'day')).toThrow(RangeError)
  })
  it('hold every day once, whatever the span', () => {
    fc.assert(
      fc.property(anySpan, fc.constantFrom(...UNITS), (span, unit) => {
        const periods = periodsOf(span, unit)
        expect(periods[0]?.from).toBe(span.from)
        expect(periods.at(-1)?.to).toBe(span.to)
        for (const [n, { from, to }] of periods.entries()) {
          expect(from <= to).toBe(true)
          if (n > 0) expect(daysBetween(periods[n - 1]!.to, from)).toBe(1)
        }
      }),
    )
  })
  it('are at most 200, up to sixteen years', () => {
    fc.assert(
      fc.property(anySpan, fc.constantFrom(...UNITS), (span, unit) => {
        expect(periodsOf(span, unitFor(span, unit)).length).toBeLessThanOrEqual(MOST_PERIODS + 1)
      }),
    )
    const years: Span = { from: day('2016-01-01'), to: day('2025-12-31') }
    expect(unitFor(years, 'day')).toBe('month')
    expect(unitFor({ from: day('2025-01-01'), to: day('2025-12-31') }, 'day')).toBe('week')
  })
})

describe('what a span is compared with', () => {
  it('lies just before it, or has the same weekdays and does not touch it', () => {
    const span = { from: day('2026-11-01'), to: day('2026-11-30') }
    expect(earlier(span, daysBack(span, 'before'))).toEqual({ from: '2026-10-02', to: '2026-10-31' })
    expect(earlier(span, daysBack(span, 'weekdays'))).toEqual({ from: '2026-09-27', to: '2026-10-26' })
    fc.assert(
      fc.property(anySpan, fc.constantFrom(...COMPARISONS), (now, comparison) => {
        const before = earlier(now, daysBack(now, comparison))
        expect(before.to < now.from).toBe(true)
        expect(daysBetween(before.from, before.to)).toBe(daysBetween(now.from, now.to))
        if (comparison === 'weekdays') expect(daysBetween(before.from, now.from) % 7).toBe(0)
      }),
    )
  })
})
