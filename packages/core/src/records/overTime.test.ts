import fc from 'fast-check'
import { expect, it } from 'vitest'
import { overTime, type Dates } from './overTime'

const at = (time: string) => Date.parse(time)
const NOW = at('2026-03-12T12:00:00Z')
const person = (given: string | null, begun: string | null = null, done: string | null = null): Dates => ({
  given: given === null ? null : at(given),
  begun: begun === null ? null : at(begun),
  done: done === null ? null : at(done),
})

it('counts people at the end of each day of the zone, up to today', () => {
  const people = [
    person('2026-03-10T09:00:00Z', '2026-03-10T23:30:00Z', '2026-03-11T08:00:00Z'),
    person('2026-03-10T09:00:00Z'),
    person(null, '2026-03-12T08:00:00Z'),
  ]
  expect(overTime(people, 'Europe/Warsaw', NOW)).toEqual([
    { day: '2026-03-10', given: 2, begun: 0, done: 0 },
    { day: '2026-03-11', given: 2, begun: 1, done: 1 },
    { day: '2026-03-12', given: 2, begun: 2, done: 1 },
  ])
  expect(overTime(people, 'UTC', NOW)[0]).toEqual({ day: '2026-03-10', given: 2, begun: 1, done: 0 })
  expect(overTime([], 'UTC', NOW)).toEqual([])
})
it('never falls, ends today with everybody, and never has more days than a line can show', () => {
  const instant = fc.option(fc.integer({ min: at('2021-01-01'), max: NOW }), { nil: null })
  fc.assert(
    fc.property(fc.array(fc.record({ given: instant, begun: instant, done: instant }), { maxLength: 30 }), (people) => {
      const days = overTime(people, 'Europe/London', NOW)
      const ends = (of: keyof Dates) => people.filter((each) => each[of] !== null).length
      if (days.length === 0) return people.every((each) => each.given === null && each.begun === null && each.done === null)
      expect(days.at(-1)).toEqual({ day: '2026-03-12', given: ends('given'), begun: ends('begun'), done: ends('done') })
      expect(days.length).toBeLessThan(300)
      for (const of of ['given', 'begun', 'done'] as const)
        for (let i = 1; i < days.length; i++) expect(days[i]![of]).toBeGreaterThanOrEqual(days[i - 1]![of])
      return true
    }),
  )
})
