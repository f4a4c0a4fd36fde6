import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { USUAL_CALENDAR } from '../calendar'
import type { LocalDate } from '../shared'
import { dueFor, lineOf, nextRound, type DueFacts, type LineFacts, type Reason } from './index'

const now = Date.parse('2026-03-10T12:00:00Z')
const DAY = 86_400_000
const facts: DueFacts = { zone: 'Europe/London', startedOn: null, calendar: USUAL_CALENDAR, away: [] }
const reason = (more: Partial<Reason> = {}): Reason => ({
  use: 'to-do',
  due: { kind: 'days', days: 7 },
  countsFrom: now,
  repeatMonths: null,
  ...more,
})
const of = (reasons: Reason[], more: Partial<LineFacts> = {}) =>
  lineOf(reasons, { begun: false, movedOn: null, roundFrom: null, ...more }, facts)

describe('what somebody has of an item', () => {
  it('is one line, to be done by the earliest of the days that its reasons say', () => {
    expect(of([reason(), reason({ due: { kind: 'days', days: 3 } }), reason({ due: { kind: 'none' } })])).toMatchObject({
      use: 'to-do',
      due: { on: '2026-03-13' },
    })
    expect(of([reason({ due: { kind: 'none' } })])).toEqual({ use: 'to-do', due: null, repeatMonths: null })
  })
  it('is to be done as soon as one reason says so, and only looked up where none does', () => {
    const lookUp = reason({ use: 'to-look-up', due: { kind: 'days', days: 1 }, repeatMonths: 3 })
    expect(of([lookUp, reason()])).toMatchObject({ use: 'to-do', due: { on: '2026-03-17' }, repeatMonths: null })
    expect(of([lookUp])).toEqual({ use: 'to-look-up', due: null, repeatMonths: null })
  })
  it('goes with its last reason, unless the person has begun', () => {
    expect(of([])).toBeNull()
    expect(of([], { begun: true, movedOn: '2026-04-01' as LocalDate })).toEqual({ use: 'optional', due: null, repeatMonths: null })
  })
  it('is due on the day that was set by hand, before all reasons, and again after the shortest time', () => {
    const all = [reason({ repeatMonths: 24 }), reason({ repeatMonths: 12 }), reason()]
    expect(of(all, { movedOn: '2026-06-01' as LocalDate })).toMatchObject({ due: { on: '2026-06-01' }, repeatMonths: 12 })
  })
  it('counts its days from the beginning of the present round', () => {
    expect(of([reason()], { roundFrom: now + 365 * DAY })?.due?.on).toBe('2027-03-17')
    // Given anew in the round, from then.
    expect(of([reason({ countsFrom: now + 366 * DAY })], { roundFrom: now + 365 * DAY })?.due?.on).toBe('2027-03-18')
  })
  it('does not depend on the order of its reasons, and is never due later for one reason more', () => {
    const reasons = fc.array(
      fc.record({
        use: fc.constantFrom<Reason['use']>('to-do', 'to-look-up'),
        due: fc.oneof(
          fc.constant({ kind: 'none' } as const),
          fc.record({ kind: fc.constant('days' as const), days: fc.integer({ min: 1, max: 60 }) }),
        ),
        countsFrom: fc.integer({ min: now - 90 * DAY, max: now }),
        repeatMonths: fc.option(fc.integer({ min: 1, max: 36 })),
      }),
      { minLength: 1, maxLength: 6 },
    )
    fc.assert(
      fc.property(reasons, (all) => {
        const line = of(all)!
        expect(of([...all].reverse())).toEqual(line)
        const fewer = of(all.slice(1))
        if (fewer?.due) expect(line.due!.at).toBeLessThanOrEqual(fewer.due.at)
        for (const each of all)
          if (each.use === 'to-do' && line.due)
            expect(line.due.at).toBeLessThanOrEqual(dueFor(each.due, each.countsFrom, facts)?.at ?? Infinity)
        expect(line.use).toBe(all.some(({ use }) => use === 'to-do') ? 'to-do' : 'to-look-up')
      }),
    )
  })
})

it('is to be done again on the same day of the month, or its last one, from the beginning of that day', () => {
  const on = (finished: string, months: number, zone = 'Europe/London') => {
    const { on: day, from } = nextRound(Date.parse(finished), months, zone)
    return [day, new Date(from).toISOString()]
  }
  expect(on('2026-03-10T12:00:00Z', 12)).toEqual(['2027-03-10', '2027-03-10T00:00:00.000Z'])
  expect(on('2026-01-31T12:00:00Z', 1)).toEqual(['2026-02-28', '2026-02-28T00:00:00.000Z'])
  expect(on('2028-02-29T12:00:00Z', 12)).toEqual(['2029-02-28', '2029-02-28T00:00:00.000Z'])
  expect(on('2026-05-01T23:30:00Z', 6, 'Europe/Warsaw')).toEqual(['2026-11-02', '2026-11-01T23:00:00.000Z'])
})
