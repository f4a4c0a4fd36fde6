export {
  AudienceRule,
  Condition,
  conditionsOf,
  EVERYBODY,
  isClause,
  Join,
  namedIn,
  NOBODY,
  RULE_LIMITS,
  ticked,
  ticksOf,
} from './audienceRule'
export type { Clause, RulePart } from './audienceRule'
export { belonging, belongs, CONDITIONS } from './conditions'
export type { Asked, Asks, AskedMany } from './conditions'
export { conditionInWords, partInWords, ruleInWords } from './sentence'
export type { RuleNames } from './sentence'
export { readRule } from './readSentence'
export type { RuleLookup, SentenceRead } from './readSentence'
export { because, explain } from './explain'
export type { Explained } from './explain'
export { changesByDay, follows, membershipChanges, touchedBy } from './follow'
export type { Followed, MembershipChange } from './follow'
export { manyPeople } from './manyPeople'
export { distinctNames } from './distinctNames'
