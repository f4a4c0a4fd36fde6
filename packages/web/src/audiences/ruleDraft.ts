import { AudienceRule, isClause, type Asks, type Condition, type RulePart } from '@jackdaw/core/audiences'

/** A rule while it is built: its lists may still be empty. */
export type RuleDraft = AudienceRule

/** What a new condition of a kind begins with. */
export function beginning(asks: Asks, today: string, not: true | undefined): Condition {
  const starts: Record<Asks, object> = {
    group: { groups: [] },
    manager: { people: [] },
    'started-since': { day: today },
    'started-within': { days: 90 },
    level: { levels: ['staff'] },
    person: { people: [] },
  }
  return { asks, ...starts[asks], ...(not ? { not } : {}) } as Condition
}

/** Whether nothing is missing in a condition. */
export const isWhole = (condition: Condition): boolean =>
  'groups' in condition
    ? condition.groups.length > 0
    : 'people' in condition
      ? condition.people.length > 0
      : !('levels' in condition) || condition.levels.length > 0

/** The rule when it is whole; `null` while something is still to be chosen.
 * Brackets with one condition in them are that condition, with none they are nothing. */
export function wholeRule(draft: RuleDraft): AudienceRule | null {
  const of = draft.of.flatMap((part): RulePart[] => {
    if (!isClause(part)) return [part]
    const [only, ...others] = part.of
    if (!only) return []
    if (others.length > 0) return [part]
    const { not, ...plain } = only
    return [(not === true) !== (part.not === true) ? { ...plain, not: true } : plain]
  })
  const rule = AudienceRule.safeParse({ ...draft, of })
  return rule.success ? rule.data : null
}

/** The parts with one of them replaced, or taken out. */
export const withPart = <P>(parts: readonly P[], at: number, part: P | null): P[] =>
  parts.flatMap((each, index) => (index === at ? (part === null ? [] : [part]) : [each]))
