import { DUE_SOON_MS, STATE_ORDER, STATE_RULE, type ItemState, type StateCondition, type StateTerm } from '@jackdaw/core/items'

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
  waivedAt: 'a.waived_at',
  roundFrom: 'a.round_from',
  lastFinishedAt: 'r.last_finished_at',
  lastAttestedAt: 'r.last_attested_at',
  lastAt: 'r.last_at',
  handedInAt: 'r.handed_in_at',
  answeredAt: 'r.answered_at',
  now,
  soon,
})
/** The bound parameters for the instants of the rule. @param now epoch milliseconds */
export const stateParams = (now: number): [Date, Date] => [new Date(now), new Date(now + DUE_SOON_MS)]

function conditionSql(condition: StateCondition, columns: StateColumns): string {
  if ('all' in condition) return `(${condition.all.map((each) => conditionSql(each, columns)).join(' and ')})`
  if ('any' in condition) return `(${condition.any.map((each) => conditionSql(each, columns)).join(' or ')})`
  if ('known' in condition) return `${columns[condition.known]} is not null`
  if ('unset' in condition) return `${columns[condition.unset]} is null`
  if ('holds' in condition) return columns[condition.holds]
  return `${columns[condition.from]} <= ${columns[condition.to]}`
}
const rankOf = (state: ItemState): number => STATE_ORDER.indexOf(state)
/** Where the state of a person's item stands in the order of states, as SQL: the rule of the core, line by line. A number, since it is sorted
 * and counted by; see {@link STATE_ORDER}. */
export const stateRankSql = (columns: StateColumns): string =>
  `case ${STATE_RULE.map(({ state, when }) => `when ${conditionSql(when, columns)} then ${rankOf(state)}`).join(' ')} else ${rankOf('not-started')} end`
/** The bound parameter for a state that is asked for; `null`: for any. */
export const rankParam = (state: ItemState | undefined): number | null => (state ? rankOf(state) : null)
const holdsSql = (asked: 'done' | 'waiting', columns: StateColumns): string =>
  `coalesce(${conditionSql(STATE_RULE.find(({ state }) => state === asked)!.when, columns)}, false)`
/** Whether an item is done, as SQL. */
export const doneSql = (columns: StateColumns): string => holdsSql('done', columns)
/** Whether what was handed in waits for somebody else, as SQL; of what is not done. */
export const waitingSql = (columns: StateColumns): string => holdsSql('waiting', columns)
/** When an item that is done was closed last, in a way that suffices, as SQL over rows `i` of `item` and `r` of `item_progress`. */
export const CLOSED_AT = 'greatest(r.last_attested_at, case when i.claim_suffices then r.last_finished_at end)'
