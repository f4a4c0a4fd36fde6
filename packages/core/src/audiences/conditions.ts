import type { Level, PersonFacts } from '../people'
import { addDays, type GroupId, type LocalDate, type PersonId } from '../shared'
import { Bits } from './bits'
import { isClause, type AudienceRule, type Condition, type RulePart } from './audienceRule'

/** A kind of condition. */
export type Asks = Condition['asks']
type Of<A extends Asks> = Extract<Condition, { asks: A }>

/** One person as conditions are asked of them. `managers`: from the nearest on. */
export type Asked = { facts: PersonFacts; managers: readonly PersonId[]; today: LocalDate }

/** Many people as conditions are asked of them: each has a place, and each answer is the set of places where it is yes. */
export interface AskedMany {
  inGroup(id: GroupId): Bits
  reportTo(id: PersonId, directly: boolean): Bits
  startedBetween(from: LocalDate, to: LocalDate | null): Bits
  atLevel(level: Level): Bits
  person(id: PersonId): Bits
  readonly everybody: Bits
  readonly today: LocalDate
}

/** What is to be known of a kind of condition, apart from how it is said (`sentence.ts`): what it asks of one person, and of many at once. Whether it
 * can change without anything being changed, when the day does. */
type Kind<A extends Asks> = {
  holds: (condition: Of<A>, asked: Asked) => boolean
  among: (condition: Of<A>, asked: AskedMany) => Bits
  byDay?: true
}

const overlaps = <T>(some: readonly T[], others: readonly T[]): boolean => some.some((each) => others.includes(each))
/** The first of the days that are no more than `days` ago: yesterday and today for two. */
const firstOf = (days: number, today: LocalDate): LocalDate => addDays(today, 1 - days)

/** The kinds of conditions: one that is added says all of it here and in `sentence.ts`. */
export const CONDITIONS: { [A in Asks]: Kind<A> } = {
  group: {
    holds: ({ groups }, { facts }) => overlaps(groups, facts.groups),
    among: ({ groups }, asked) => Bits.union(groups.map((id) => asked.inGroup(id))),
  },
  manager: {
    holds: ({ people, directly }, { facts, managers }) =>
      directly ? facts.managerId !== null && people.includes(facts.managerId) : overlaps(managers, people),
    among: ({ people, directly }, asked) => Bits.union(people.map((id) => asked.reportTo(id, directly === true))),
  },
  'started-since': {
    holds: ({ day }, { facts }) => facts.startedOn !== null && facts.startedOn >= day,
    among: ({ day }, asked) => asked.startedBetween(day, null),
  },
  'started-within': {
    holds: ({ days }, { facts, today }) => facts.startedOn !== null && facts.startedOn <= today && facts.startedOn >= firstOf(days, today),
    among: ({ days }, asked) => asked.startedBetween(firstOf(days, asked.today), asked.today),
    byDay: true,
  },
  level: {
    holds: ({ levels }, { facts }) => levels.includes(facts.level),
    among: ({ levels }, asked) => Bits.union(levels.map((level) => asked.atLevel(level))),
  },
  person: {
    holds: ({ people }, { facts }) => people.includes(facts.id),
    among: ({ people }, asked) => Bits.union(people.map((id) => asked.person(id))),
  },
}
const kindOf = <A extends Asks>(condition: Of<A>): Kind<A> => CONDITIONS[condition.asks as A]

const conditionHolds = (condition: Condition, asked: Asked): boolean =>
  kindOf(condition).holds(condition, asked) !== (condition.not === true)

/** Whether a part of a rule holds of a person. */
export function partHolds(part: RulePart, asked: Asked): boolean {
  if (!isClause(part)) return conditionHolds(part, asked)
  const holds =
    part.join === 'all' ? part.of.every((each) => conditionHolds(each, asked)) : part.of.some((each) => conditionHolds(each, asked))
  return holds !== (part.not === true)
}

/** Whether a person belongs to an audience by its rule. */
export function belongs(rule: AudienceRule, asked: Asked): boolean {
  if (rule.except.includes(asked.facts.id)) return false
  return rule.join === 'all' ? rule.of.every((part) => partHolds(part, asked)) : rule.of.some((part) => partHolds(part, asked))
}

function joined(join: 'all' | 'any', sets: readonly Bits[], everybody: Bits): Bits {
  if (join === 'any') return Bits.union(sets)
  return sets.reduce((all, each) => all.and(each), everybody)
}
const turned = (bits: Bits, not: true | undefined, everybody: Bits): Bits => (not ? everybody.without(bits) : bits)

const conditionAmong = (condition: Condition, asked: AskedMany): Bits =>
  turned(kindOf(condition).among(condition, asked), condition.not, asked.everybody)
const partAmong = (part: RulePart, asked: AskedMany): Bits =>
  isClause(part)
    ? turned(
        joined(
          part.join,
          part.of.map((each) => conditionAmong(each, asked)),
          asked.everybody,
        ),
        part.not,
        asked.everybody,
      )
    : conditionAmong(part, asked)

/** The people of an audience, by its rule. */
export function belonging(rule: AudienceRule, asked: AskedMany): Bits {
  const all = joined(
    rule.join,
    rule.of.map((part) => partAmong(part, asked)),
    asked.everybody,
  )
  return rule.except.length === 0 ? all : all.without(Bits.union(rule.except.map((id) => asked.person(id))))
}
