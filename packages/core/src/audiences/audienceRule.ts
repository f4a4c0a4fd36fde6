import * as z from 'zod/mini'
import { Level } from '../people'
import { GroupId, LocalDate, PersonId } from '../shared'

/** How much a rule may hold. */
export const RULE_LIMITS = { parts: 40, conditions: 40, groups: 200, people: 2_000, days: 3_660 } as const

const not = { not: z.optional(z.literal(true)) }
const someGroups = z.array(GroupId).check(z.minLength(1), z.maxLength(RULE_LIMITS.groups))
const somePeople = z.array(PersonId).check(z.minLength(1), z.maxLength(RULE_LIMITS.people))

/** One thing that is asked of a person. `not` turns it round. */
export const Condition = z.discriminatedUnion('asks', [
  /** In at least one of these groups, of whatever kinds. */
  z.object({ asks: z.literal('group'), groups: someGroups, ...not }),
  /** Reports to one of these people, at any depth unless `directly`. */
  z.object({ asks: z.literal('manager'), people: somePeople, directly: z.optional(z.literal(true)), ...not }),
  /** Was at work first on this day or after it. */
  z.object({ asks: z.literal('started-since'), day: LocalDate, ...not }),
  /** Began no longer ago than so many days, and has begun. */
  z.object({ asks: z.literal('started-within'), days: z.int().check(z.minimum(1), z.maximum(RULE_LIMITS.days)), ...not }),
  z.object({ asks: z.literal('level'), levels: z.array(Level).check(z.minLength(1), z.maxLength(4)), ...not }),
  /** Is one of these people. */
  z.object({ asks: z.literal('person'), people: somePeople, ...not }),
])
/** Read by {@link Condition}. */
export type Condition = z.infer<typeof Condition>

/** How parts are joined: all of them have to hold, or any one. */
export const Join = z.enum(['all', 'any'])
/** Read by {@link Join}. */
export type Join = z.infer<typeof Join>

/** Several conditions in brackets. */
export const Clause = z.object({
  join: Join,
  of: z.array(Condition).check(z.minLength(2), z.maxLength(RULE_LIMITS.conditions)),
  ...not,
})
/** Read by {@link Clause}. */
export type Clause = z.infer<typeof Clause>

/** A part of a rule: a condition, or several in brackets. */
export const RulePart = z.union([Condition, Clause])
/** Read by {@link RulePart}. */
export type RulePart = z.infer<typeof RulePart>

/** A set of people, told as a rule; of the people who work here. All of no parts is everybody, any of none nobody. Who stands in `except`
 * is never in it. `asOf`: it takes who belongs at the end of this day and keeps them; without it, it follows joiners, movers and leavers. */
export const AudienceRule = z.object({
  join: Join,
  of: z.array(RulePart).check(z.maxLength(RULE_LIMITS.parts)),
  except: z.array(PersonId).check(z.maxLength(RULE_LIMITS.people)),
  asOf: z.nullable(LocalDate),
})
/** Read by {@link AudienceRule}. */
export type AudienceRule = z.infer<typeof AudienceRule>

/** The rule that takes nobody in. */
export const NOBODY: AudienceRule = { join: 'any', of: [], except: [], asOf: null }
/** The rule that takes in everybody who works here. */
export const EVERYBODY: AudienceRule = { join: 'all', of: [], except: [], asOf: null }

/** Whether a part is several conditions in brackets. */
export const isClause = (part: RulePart): part is Clause => 'join' in part

/** Every condition of a rule, those in brackets too. */
export const conditionsOf = (rule: AudienceRule): Condition[] => rule.of.flatMap((part) => (isClause(part) ? part.of : [part]))

/** The simple rule: who is in one of the groups, or named.
 * @param groups of whatever kinds */
export const ticked = (groups: readonly GroupId[], people: readonly PersonId[]): AudienceRule => ({
  ...NOBODY,
  of: [
    ...(groups.length > 0 ? [{ asks: 'group' as const, groups: [...groups] }] : []),
    ...(people.length > 0 ? [{ asks: 'person' as const, people: [...people] }] : []),
  ],
})

/** The groups and people of a rule that is no more than ticks; `null` when it asks more than that. */
export function ticksOf(rule: AudienceRule): { groups: GroupId[]; people: PersonId[] } | null {
  const { join, of, except, asOf } = rule
  if (except.length > 0 || asOf !== null || (join === 'all' && of.length !== 1)) return null
  const ticks: { groups: GroupId[]; people: PersonId[] } = { groups: [], people: [] }
  for (const part of of) {
    if (isClause(part) || part.not) return null
    if (part.asks === 'group') ticks.groups.push(...part.groups)
    else if (part.asks === 'person') ticks.people.push(...part.people)
    else return null
  }
  return ticks
}

/** The groups and people that a rule speaks of. */
export function namedIn(rule: AudienceRule): { groups: Set<GroupId>; people: Set<PersonId> } {
  const groups = new Set<GroupId>()
  const people = new Set<PersonId>(rule.except)
  for (const condition of conditionsOf(rule)) {
    if (condition.asks === 'group') for (const id of condition.groups) groups.add(id)
    if (condition.asks === 'person' || condition.asks === 'manager') for (const id of condition.people) people.add(id)
  }
  return { groups, people }
}
