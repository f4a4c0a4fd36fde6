import { expect, it } from 'vitest'
import type { PersonFacts } from '../people'
import type { GroupId, LocalDate, PersonId } from '../shared'
import { explain, ticked, ticksOf, NOBODY, type AudienceRule } from './index'

const [crates, quay] = ['crates-crates-crates-', 'quay-quay-quay-quay-q'] as [GroupId, GroupId]
const [ola, gareth] = ['ola-ola-ola-ola-ola-o', 'gareth-gareth-gareth-'] as [PersonId, PersonId]
const facts: PersonFacts = { id: ola, groups: [crates], managerId: gareth, level: 'staff', startedOn: '2026-05-01' as LocalDate }
const asked = { facts, managers: [gareth], today: '2026-06-01' as LocalDate }
const inCrates = { asks: 'group' as const, groups: [crates] }
const inQuay = { asks: 'group' as const, groups: [quay] }
const under = { asks: 'manager' as const, people: [gareth] }
const decisive = (rule: Partial<AudienceRule>) => {
  const { belongs, excepted, parts } = explain({ ...NOBODY, ...rule }, asked)
  return { belongs, excepted, holds: parts.map((part) => part.holds), decides: parts.map((part) => part.decides) }
}

it('names what decided whether somebody belongs', () => {
  expect(decisive({ join: 'any', of: [inCrates, inQuay, under] })).toEqual({
    belongs: true,
    excepted: false,
    holds: [true, false, true],
    decides: [true, false, true],
  })
  expect(decisive({ join: 'all', of: [inCrates, inQuay] })).toMatchObject({ belongs: false, decides: [false, true] })
  expect(decisive({ join: 'any', of: [inQuay] })).toMatchObject({ belongs: false, decides: [true] })
  expect(decisive({ join: 'all', of: [inCrates, under] })).toMatchObject({ belongs: true, decides: [true, true] })
  expect(decisive({ join: 'any', of: [inCrates], except: [ola] })).toMatchObject({ belongs: false, excepted: true, holds: [true] })
})
it('knows a rule that is no more than ticks, and one that asks more', () => {
  expect(ticksOf(ticked([crates, quay], [ola]))).toEqual({ groups: [crates, quay], people: [ola] })
  expect(ticksOf(NOBODY)).toEqual({ groups: [], people: [] })
  expect(ticksOf({ ...NOBODY, join: 'all', of: [inCrates] })).toEqual({ groups: [crates], people: [] })
  for (const more of [{ join: 'all' as const }, { of: [under] }, { of: [{ ...inCrates, not: true as const }] }, { except: [ola] }])
    expect(ticksOf({ ...ticked([crates], [ola]), ...more })).toBeNull()
})
