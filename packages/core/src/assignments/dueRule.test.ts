import { describe, expect, it } from 'vitest'
import { USUAL_CALENDAR, type Away } from '../calendar'
import type { LocalDate } from '../shared'
import { dueFor, type DueFacts, type DueRule } from './index'

const day = (text: string) => text as LocalDate
const now = Date.parse('2026-03-10T12:00:00Z')
const facts = (more: Partial<DueFacts> = {}): DueFacts => ({
  zone: 'Europe/London',
  startedOn: null,
  calendar: USUAL_CALENDAR,
  away: [],
  ...more,
})
const days = (n: number, more: Partial<DueRule & { kind: 'days' }> = {}): DueRule => ({ kind: 'days', days: n, ...more })
const on = (rule: DueRule, more: Partial<DueFacts> = {}, at = now) => dueFor(rule, at, facts(more))?.on

describe('the due day', () => {
  it('counts days from the local day on which the person got the item', () => {
    const late = Date.parse('2026-03-10T23:30:00Z')
    expect(on(days(7), {}, late)).toBe('2026-03-17')
    expect(on(days(7), { zone: 'Europe/Warsaw' }, late)).toBe('2026-03-18')
  })
  it('is over at the end of the day in the person’s zone', () => {
    const end = (date: string, zone: string) => new Date(dueFor({ kind: 'date', date: day(date) }, now, facts({ zone }))!.at).toISOString()
    expect(end('2026-07-01', 'Europe/London')).toBe('2026-07-01T23:00:00.000Z')
    expect(dueFor({ kind: 'none' }, now, facts())).toBeNull()
    // The clock goes forward in the night after the 28th, back in the night after the 24th: the days have 23 and 25 hours.
    expect(end('2026-03-28', 'Europe/Warsaw')).toBe('2026-03-28T23:00:00.000Z')
    expect(end('2026-03-29', 'Europe/Warsaw')).toBe('2026-03-29T22:00:00.000Z')
    expect(end('2026-10-24', 'Europe/Warsaw')).toBe('2026-10-24T22:00:00.000Z')
    expect(end('2026-10-25', 'Europe/Warsaw')).toBe('2026-10-25T23:00:00.000Z')
    // Where the clock goes forward at midnight, the next day begins at one.
    expect(end('2026-09-05', 'America/Santiago')).toBe('2026-09-06T04:00:00.000Z')
  })
  it('counts working days of the site, without its weekends and holidays', () => {
    const easter = { daysOff: new Set([6, 7] as const), holidays: new Set(['2026-04-03', '2026-04-06'].map(day)) }
    const maundyThursday = Date.parse('2026-04-02T08:00:00Z')
    expect(on(days(3, { working: true }), {}, maundyThursday)).toBe('2026-04-07')
    expect(on(days(3, { working: true }), { calendar: easter }, maundyThursday)).toBe('2026-04-09')
    expect(on(days(3), { calendar: easter }, maundyThursday)).toBe('2026-04-05')
    const sundaysOnly = { daysOff: new Set([7] as const), holidays: new Set<LocalDate>() }
    expect(on(days(5, { working: true }), { calendar: sundaysOnly })).toBe('2026-03-16')
  })
  it('waits while somebody is away', () => {
    const away: Away[] = [{ from: day('2026-03-12'), until: day('2026-03-25') }]
    expect(on(days(7), { away })).toBe('2026-03-31')
    expect(on(days(5, { working: true }), { away })).toBe('2026-03-31')
    expect(on({ kind: 'date', date: day('2026-03-20') }, { away })).toBe('2026-03-26')
    expect(on({ kind: 'date', date: day('2026-03-27') }, { away })).toBe('2026-03-27')
    // An absence after it, or one that was over before, changes nothing.
    expect(on(days(1), { away })).toBe('2026-03-11')
    expect(on(days(7), { away: [{ from: day('2026-03-01'), until: day('2026-03-09') }] })).toBe('2026-03-17')
    // Who is back on a Friday evening is back on Monday.
    expect(on({ kind: 'date', date: day('2026-03-20') }, { away: [{ from: day('2026-03-16'), until: day('2026-03-20') }] })).toBe(
      '2026-03-23',
    )
  })
  it('counts from the first day at work where that is asked, before it and after it', () => {
    const rule = days(30, { from: 'hire' })
    expect(on(rule, { startedOn: day('2026-04-01') })).toBe('2026-05-01')
    expect(on(rule, { startedOn: day('2026-03-02') })).toBe('2026-04-01')
    expect(on(rule, { startedOn: day('2026-02-08') })).toBe('2026-03-10')
    // Who has been here for longer has these days from now on, and so has of whom it is not known.
    expect(on(rule, { startedOn: day('2026-02-07') })).toBe('2026-04-09')
    expect(on(rule, { startedOn: null })).toBe('2026-04-09')
  })
})
