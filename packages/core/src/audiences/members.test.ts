import { expect, it } from 'vitest'
import { managersAbove, type PersonFacts } from '../people'
import { seededRandom, type GroupId, type LocalDate, type PersonId } from '../shared'
import { randomCompany, randomRule } from '../testing'
import { belonging, belongs, EVERYBODY, isClause, manyPeople, NOBODY, type AudienceRule, type Condition, type RulePart } from './index'

const TODAY = '2026-07-01' as LocalDate
const DAY_MS = 86_400_000

/** A second way to say who belongs, written to be obvious and not to be fast: a list of names for each part. */
function obviously(rule: AudienceRule, people: readonly PersonFacts[]): Set<PersonId> {
  const all = new Set(people.map((person) => person.id))
  const find = (id: PersonId | null) => people.find((person) => person.id === id)
  const reportsTo = (person: PersonFacts, id: PersonId): boolean => {
    const manager = find(person.managerId)
    return manager !== undefined && (manager.id === id || reportsTo(manager, id))
  }
  const age = (person: PersonFacts) => Math.round((Date.parse(TODAY) - Date.parse(person.startedOn!)) / DAY_MS)
  const yes = (condition: Condition, person: PersonFacts): boolean => {
    switch (condition.asks) {
      case 'group':
        return person.groups.filter((id) => condition.groups.includes(id)).length > 0
      case 'manager':
        return (
          condition.people.filter((id) => find(id) && (condition.directly ? person.managerId === id : reportsTo(person, id))).length > 0
        )
      case 'started-since':
        return person.startedOn !== null && Date.parse(person.startedOn) >= Date.parse(condition.day)
      case 'started-within':
        return person.startedOn !== null && age(person) >= 0 && age(person) < condition.days
      case 'level':
        return condition.levels.filter((level) => level === person.level).length === 1
      case 'person':
        return condition.people.filter((id) => id === person.id).length === 1
    }
  }
  const complement = (set: Set<PersonId>) => new Set([...all].filter((id) => !set.has(id)))
  const joined = (join: 'all' | 'any', sets: Set<PersonId>[]) =>
    new Set(
      [...all].filter((id) =>
        join === 'all' ? sets.filter((set) => !set.has(id)).length === 0 : sets.filter((set) => set.has(id)).length > 0,
      ),
    )
  const ofPart = (part: RulePart): Set<PersonId> => {
    const { not, ...plain } = part
    if (not) return complement(ofPart(plain as RulePart))
    if (isClause(part)) return joined(part.join, part.of.map(ofPart))
    return new Set(people.filter((person) => yes(part, person)).map((person) => person.id))
  }
  const result = joined(rule.join, rule.of.map(ofPart))
  for (const id of rule.except) result.delete(id)
  return result
}

it('gives the same people as a slow and obvious way, all at once and one by one, for any rule and company', () => {
  const random = seededRandom(1507)
  const sizes: number[] = []
  for (let round = 0; round < 60; round++) {
    const { people, groups } = randomCompany(random, 1 + Math.floor(random() * 70))
    const gone = randomCompany(random, 2, 1)
    const ids = [...people, ...gone.people].map((person) => person.id)
    const many = manyPeople(people, TODAY)
    const managerOf = new Map(people.map((person) => [person.id, person.managerId]))
    for (let n = 0; n < 20; n++) {
      const rule = randomRule(random, ids, [...groups, ...gone.groups])
      const expected = obviously(rule, people)
      const bits = belonging(rule, many)
      expect(new Set(many.at(bits))).toEqual(expected)
      expect(bits.count).toBe(expected.size)
      for (const facts of people)
        expect(belongs(rule, { facts, managers: managersAbove(facts.id, (id) => managerOf.get(id)), today: TODAY })).toBe(
          expected.has(facts.id),
        )
      sizes.push(expected.size)
    }
  }
  // Chance made rules of every kind: some that take in nobody, some everybody else.
  expect(sizes.filter((size) => size === 0).length).toBeGreaterThan(50)
  expect(sizes.filter((size) => size > 20).length).toBeGreaterThan(50)
})
it('takes in everybody by all of no parts, and nobody by any of none, also where there is nobody', () => {
  const { people } = randomCompany(seededRandom(2), 33)
  const many = manyPeople(people, TODAY)
  expect(belonging(EVERYBODY, many).count).toBe(33)
  expect(belonging({ ...EVERYBODY, except: [people[4]!.id] }, many).count).toBe(32)
  expect(belonging(NOBODY, many).count).toBe(0)
  expect(belonging(EVERYBODY, manyPeople([], TODAY)).count).toBe(0)
})
it('leaves out of a group that went everybody, and of its opposite nobody', () => {
  const { people } = randomCompany(seededRandom(3), 20)
  const many = manyPeople(people, TODAY)
  const group = 'gone-gone-gone-gone-g' as GroupId
  expect(belonging({ ...NOBODY, of: [{ asks: 'group', groups: [group] }] }, many).count).toBe(0)
  expect(belonging({ ...NOBODY, of: [{ asks: 'group', groups: [group], not: true }] }, many).count).toBe(20)
})
