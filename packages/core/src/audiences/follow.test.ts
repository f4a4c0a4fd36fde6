import { expect, it } from 'vitest'
import { managersAbove, Level, type PersonFacts } from '../people'
import { addDays, seededIds, seededRandom, type AudienceId, type LocalDate, type PersonId } from '../shared'
import { randomCompany, randomRule } from '../testing'
import { belonging, changesByDay, follows, manyPeople, membershipChanges, touchedBy, type Asked, type Followed } from './index'

/** A company that changes, and audiences that are kept up by what is touched only. */
class Following {
  readonly people = new Map<PersonId, PersonFacts>()
  readonly rules = new Map<AudienceId, Followed>()
  readonly members = new Map<AudienceId, Set<PersonId>>()
  today = '2026-05-01' as LocalDate

  private asked(id: PersonId): Asked | null {
    const facts = this.people.get(id)
    return facts ? { facts, managers: managersAbove(id, (each) => this.people.get(each)?.managerId), today: this.today } : null
  }
  private below(id: PersonId): PersonId[] {
    return [...this.people.keys()].filter((each) => managersAbove(each, (of) => this.people.get(of)?.managerId).includes(id))
  }
  private askAnew(audiences: readonly Followed[], touched: Iterable<PersonId>): void {
    const people = new Map([...touched].map((id) => [id, this.asked(id)]))
    const isMember = (audience: AudienceId, id: PersonId) => this.members.get(audience)!.has(id)
    for (const { audience, joined, left } of membershipChanges(audiences, people, isMember)) {
      const members = this.members.get(audience)!
      for (const id of joined) members.add(id)
      for (const id of left) members.delete(id)
    }
  }

  change(changes: readonly { before: PersonFacts | null; after: PersonFacts | null }[]): void {
    // Who stood below somebody before the change is touched as well as who does after it.
    const before = touchedBy(changes, (id) => this.below(id))
    for (const { before: was, after } of changes)
      if (after) this.people.set(after.id, after)
      else if (was) this.people.delete(was.id)
    this.askAnew([...this.rules.values()], new Set([...before, ...touchedBy(changes, (id) => this.below(id))]))
  }
  setRule(audience: Followed): void {
    this.rules.set(audience.id, audience)
    if (!this.members.has(audience.id)) this.members.set(audience.id, new Set())
    this.askAnew([audience], [...this.people.keys(), ...this.members.get(audience.id)!])
  }
  nextDay(): void {
    this.today = addDays(this.today, 1)
    this.askAnew(
      [...this.rules.values()].filter(({ rule }) => changesByDay(rule)),
      this.people.keys(),
    )
  }
}

it('keeps audiences equal to asking everybody anew, after any row of joins, moves, leaves, closings, edits of rules and days', () => {
  const random = seededRandom(4711)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const newId = seededIds(99)
  for (let company = 0; company < 8; company++) {
    const { people, groups } = randomCompany(random, 25)
    const following = new Following()
    following.change(people.map((after) => ({ before: null, after })))
    const ids = people.map((person) => person.id)
    for (let n = 0; n < 8; n++) following.setRule({ id: newId<AudienceId>(), rule: { ...randomRule(random, ids, groups), asOf: null } })
    for (let step = 0; step < 80; step++) {
      const here = [...following.people.values()]
      const someone = pick(here)
      const above = (id: PersonId) => managersAbove(id, (each) => following.people.get(each)?.managerId)
      const acts: (() => void)[] = [
        () => {
          const after = { ...pick(people), id: newId<PersonId>(), managerId: pick(here).id }
          ids.push(after.id)
          following.change([{ before: null, after }])
        },
        () => following.change([{ before: someone, after: { ...someone, groups: groups.filter(() => random() < 0.4) } }]),
        () => {
          const next = pick(here)
          const managerId = next.id === someone.id || above(next.id).includes(someone.id) ? null : next.id
          following.change([{ before: someone, after: { ...someone, managerId } }])
        },
        () => following.change([{ before: someone, after: { ...someone, level: pick(Level.options) } }]),
        // Whoever reported to a leaver reports to the leaver's manager.
        () =>
          following.change([
            { before: someone, after: null },
            ...here
              .filter((each) => each.managerId === someone.id)
              .map((before) => ({ before, after: { ...before, managerId: someone.managerId } })),
          ]),
        () => {
          const closed = pick(groups)
          following.change(
            here
              .filter((each) => each.groups.includes(closed))
              .map((before) => ({ before, after: { ...before, groups: before.groups.filter((id) => id !== closed) } })),
          )
        },
        () => following.setRule({ id: pick([...following.rules.keys()]), rule: { ...randomRule(random, ids, groups), asOf: null } }),
        () => following.nextDay(),
      ]
      if (here.length > 3) pick(acts)()
      else acts[0]!()
      const many = manyPeople([...following.people.values()], following.today)
      for (const { id, rule } of following.rules.values())
        expect(following.members.get(id)).toEqual(new Set(many.at(belonging(rule, many))))
    }
  }
})
it('follows an audience that is taken as of a day until that day is over', () => {
  const rule = randomRule(seededRandom(1), ['p' as PersonId], [])
  const asOf = '2026-05-01' as LocalDate
  expect(follows({ ...rule, asOf: null }, asOf)).toBe(true)
  expect(follows({ ...rule, asOf }, asOf)).toBe(true)
  expect(follows({ ...rule, asOf }, addDays(asOf, 1))).toBe(false)
})
