import { isClause, type AudienceRule, type Asks, type Condition, type RulePart } from '@jackdaw/core/audiences'
import { addDays, type LocalDate } from '@jackdaw/core/shared'

/** What people are asked: as they are now, or as they were. Expressions over a row `p`. */
export type AskedOf = { groups: string; manager: string; level: string; startedOn: string; reportsOf: (manager: string) => string }
/** People as they are now. */
const NOW: AskedOf = {
  groups: 'select m.person_id from membership m where m.until is null and m.group_id',
  manager: 'p.manager_id',
  level: 'p.level',
  startedOn: 'p.started_on',
  reportsOf: (manager) => `select r.person_id from reports_of(${manager}) r`,
}

type Making = { bind: unknown[]; of: AskedOf; today: LocalDate }
const param = ({ bind }: Making, value: unknown, type: string): string => `$${bind.push(value)}::${type}`

/** How each kind of condition is asked in the database; `core/audiences/conditions.ts` says the same for people in memory. */
const CONDITIONS: { [A in Asks]: (condition: Extract<Condition, { asks: A }>, making: Making) => string } = {
  group: ({ groups }, making) => `p.id in (${making.of.groups} = any (${param(making, groups, 'text[]')}))`,
  manager: ({ people, directly }, making) => {
    const ids = param(making, people, 'text[]')
    return directly
      ? `coalesce(${making.of.manager} = any (${ids}), false)`
      : `p.id in (select below.person_id from unnest(${ids}) boss cross join lateral (${making.of.reportsOf('boss')}) below (person_id))`
  },
  'started-since': ({ day }, making) => `coalesce(${making.of.startedOn} >= ${param(making, day, 'date')}, false)`,
  'started-within': ({ days }, making) =>
    `coalesce(${making.of.startedOn} between ${param(making, addDays(making.today, 1 - days), 'date')} and ${param(making, making.today, 'date')}, false)`,
  level: ({ levels }, making) => `${making.of.level} = any (${param(making, levels, 'text[]')})`,
  person: ({ people }, making) => `p.id = any (${param(making, people, 'text[]')})`,
}
const JOINS = { all: ' and ', any: ' or ' }
const turned = (sql: string, not: true | undefined): string => (not ? `not (${sql})` : sql)
const conditionSql = (condition: Condition, making: Making): string =>
  turned((CONDITIONS[condition.asks] as (condition: Condition, making: Making) => string)(condition, making), condition.not)
const partSql = (part: RulePart, making: Making): string =>
  isClause(part)
    ? turned(`(${part.of.map((each) => conditionSql(each, making)).join(JOINS[part.join])})`, part.not)
    : conditionSql(part, making)

/** Whether a person `p` belongs to an audience by its rule, as SQL. Whether they work here is asked apart.
 * @param bind  parameters so far; those of the rule are put behind them
 * @param today the day on which is asked */
export function ruleSql({ join, of, except }: AudienceRule, bind: unknown[], today: LocalDate, as: AskedOf = NOW): string {
  const making: Making = { bind, of: as, today }
  const parts = of.map((part) => partSql(part, making)).join(JOINS[join])
  const who = of.length === 0 ? String(join === 'all') : `(${parts})`
  return except.length === 0 ? who : `${who} and p.id <> all (${param(making, except, 'text[]')})`
}
