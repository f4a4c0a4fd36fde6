import { describe, expect, it } from 'vitest'
import { addDays, addMonths, daysBetween, endOfLocalDay, localDateAt } from './days'
import { LocalDate } from './localDate'

const day = (text: string) => LocalDate.parse(text)

describe('a local date', () => {
  it('is refused when the calendar has no such day', () => {
    expect(LocalDate.safeParse('2026-02-29').success).toBe(false)
    expect(LocalDate.safeParse('2028-02-29').success).toBe(true)
    expect(LocalDate.safeParse('tomorrow').success).toBe(false)
  })
  it('is counted on by months, to the last day of a shorter one', () => {
    expect(addMonths(day('2026-01-31'), 1)).toBe('2026-02-28')
    expect(addMonths(day('2026-11-30'), 3)).toBe('2027-02-28')
    expect(addMonths(day('2026-03-15'), -15)).toBe('2024-12-15')
    expect(() => addMonths(day('2026-03-15'), 0.5)).toThrow(RangeError)
  })
  it('ends at local midnight, also on the day the clocks go back', () => {
    expect(new Date(endOfLocalDay(day('2026-10-25'), 'Europe/London')).toISOString()).toBe('2026-10-26T00:00:00.000Z')
    expect(new Date(endOfLocalDay(day('2026-10-24'), 'Europe/London')).toISOString()).toBe('2026-10-24T23:00:00.000Z')
    expect(new Date(endOfLocalDay(day('2026-03-29'), 'Europe/Warsaw')).toISOString()).toBe('2026-03-29T22:00:00.000Z')
  })
  it('is the day of the zone, not of UTC', () => {
    const at = Date.parse('2026-06-30T23:30:00Z')
    expect(localDateAt(at, 'Europe/London')).toBe('2026-07-01')
    expect(localDateAt(at, 'UTC')).toBe('2026-06-30')
  })
  it('is counted across months and leap days', () => {
    expect(addDays(day('2028-02-28'), 2)).toBe('2028-03-01')
    expect(daysBetween(day('2026-12-30'), day('2027-01-02'))).toBe(3)
    expect(daysBetween(day('2027-01-02'), day('2026-12-30'))).toBe(-3)
  })
})
