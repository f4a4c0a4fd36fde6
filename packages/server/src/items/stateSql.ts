import { DUE_SOON_MS, STATE_ORDER, STATE_RULE, type StateCondition, type StateTerm } from '@jackdaw/core/items'

/** The columns and parameters in which the facts stand. */
export type StateColumns = Record<StateTerm, string>
/** The usual ones: a row `i` of `item`, `r` of `item_progress`, `a` of `assignment`, and two bound parameters, see {@link stateParams}. */
export const columnsOf = (now: string, soon: string): StateColumns => ({
  finishedEdition: 'r.finished_edition',
  attestedEdition: 'r.attested_edition',
  requiredEdition: 'i.required_edition',
  claimSuffices: 'i.claim_suffices',
  startedAt: 'r.started_at',
  dueAt: 'a.due_at',
  now,
  soon,
})
/** The bound parameters for the instants of the rule. @param now epoch milliseconds */
export const stateParams = (now: number): [Date, Date] => [new Date(now), new Date(now + DUE_SOON_MS)]

function conditionSql(condition: StateCondition, columns: StateColumns): string {
  if ('all' in condition) return `(${condition.all.map((each) => conditionSql(each, columns)).join(' and ')})`
  if ('any' in condition) return `(${condition.any.map((each) => conditionSql(each, columns)).join(' or ')})`
  if ('known' in condition) return `${columns[condition.known]} is not null`
  if ('holds' in condition) return columns[condition.holds]
  return `${columns[condition.from]} <= ${columns[condition.to]}`
}
/** The state of a person's item as SQL: the rule of the core, line by line. */
export const stateSql = (columns: StateColumns): string =>
  `case ${STATE_RULE.map(({ state, when }) => `when ${conditionSql(when, columns)} then '${state}'`).join(' ')} else 'not-started' end`
/** Whether an item is done, as SQL. */
export const doneSql = (columns: StateColumns): string =>
  `coalesce(${conditionSql(STATE_RULE.find(({ state }) => state === 'done')!.when, columns)}, false)`
/** The order of states as SQL. @param state a column */
export const stateOrderSql = (state: string): string =>
  `array_position(array[${STATE_ORDER.map((each) => `'${each}'`).join(', ')}], ${state})`
