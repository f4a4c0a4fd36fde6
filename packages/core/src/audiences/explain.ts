import { partHolds, type Asked } from './conditions'
import { isClause, type AudienceRule, type RulePart } from './audienceRule'
import { partInWords, type RuleNames } from './sentence'

/** Why somebody belongs to an audience or does not: each part with whether it holds, and whether it is what decided. */
export type Explained = { belongs: boolean; excepted: boolean; parts: { part: RulePart; holds: boolean; decides: boolean }[] }

/** Explains whether somebody belongs to an audience. Of parts that all have to hold those decide that do not, or all of them when all do;
 * of parts of which any one suffices those that hold, or all when none does. */
export function explain(rule: AudienceRule, asked: Asked): Explained {
  const held = rule.of.map((part) => partHolds(part, asked))
  const byRule = rule.join === 'all' ? held.every(Boolean) : held.some(Boolean)
  const excepted = rule.except.includes(asked.facts.id)
  const decisive = rule.join === 'all' ? byRule : !byRule
  return {
    belongs: byRule && !excepted,
    excepted,
    parts: rule.of.map((part, index) => ({ part, holds: held[index]!, decides: decisive || held[index] === byRule })),
  }
}

/** In a few words what made somebody belong: the groups of the rule that they are in, “named”, or what else holds. */
export function because(rule: AudienceRule, asked: Asked, names: RuleNames): string[] {
  return explain(rule, asked).parts.flatMap(({ part, holds }) => {
    if (!holds) return []
    if (isClause(part) || part.not) return [partInWords(part, names)]
    if (part.asks === 'group') return part.groups.filter((id) => asked.facts.groups.includes(id)).map((id) => names.group(id).name)
    return part.asks === 'person' ? ['named'] : [partInWords(part, names)]
  })
}
