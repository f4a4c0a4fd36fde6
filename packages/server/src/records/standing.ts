import type { Counts } from '@jackdaw/contracts/records'
import { STATE_ORDER, type ItemId, type ItemKind, type ItemState } from '@jackdaw/core/items'
import type { LocalDate, PersonId } from '@jackdaw/core/shared'
import { columnsOf, stateParams, stateSql } from '../items'
import { amongParam, amongSql, type Among } from '../people'
import { NO_WAYS } from '../players'

/** Of whom and of what the standing is asked, as conditions over columns that assignments and progress both have. */
type Of = { where?: string; items?: string }

/** Everyone who has been given an item or has used it, with how far they are: a row for each person and item. Bound are $1 now, $2 soon
 * and $3 among whom, see {@link standingParams}.
 * @param of `where`: a condition on `item_kind`, `item_id` and `person_id`; `items`: one on a row `i` of `item` */
export const standingSql = ({ where = 'true', items = 'true' }: Of): string => `
  select item_kind, item_id, person_id, a.id is not null as assigned, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_at,
    r.started_at, r.last_at, coalesce(r.active_ms, 0)::float8 as active_ms, r.finished_at, r.finished_edition, coalesce(r.finished_edition = r.attested_edition, false) as finished_attested,
    coalesce(r.parts_seen, 0) as seen, i.number, i.title, i.edition, i.required_edition, i.parts, ${stateSql(columnsOf('$1', '$2'))} as state
  from (select * from assignment where ${where}) a full join (select * from item_progress where ${where}) r using (item_kind, item_id, person_id)
  join item i on i.kind = item_kind and i.id = item_id and i.edition is not null and ${items}
  where ${amongSql('coalesce(a.person_id, r.person_id)', '$3')}`
/** The bound parameters of {@link standingSql}. @param now epoch milliseconds */
export const standingParams = (among: Among, now: number): unknown[] => [...stateParams(now), amongParam(among)]

/** A row of {@link standingSql}. */
export type StandingRow = {
  item_kind: ItemKind
  item_id: ItemId
  person_id: PersonId
  state: ItemState
  number: number
  title: string
  edition: number
  parts: number
  seen: number
  active_ms: number
  due_on: LocalDate | null
  started_at: Date | null
  last_at: Date | null
  finished_at: Date | null
  finished_edition: number | null
  finished_attested: boolean
  assigned: boolean
}
/** What a record says of it, apart from who and what. */
export const recordOf = (row: StandingRow) => ({
  state: row.state,
  parts: row.parts,
  seen: row.seen,
  activeMs: row.active_ms,
  dueOn: row.due_on,
  assigned: row.assigned,
  startedAt: row.started_at?.getTime() ?? null,
  lastAt: row.last_at?.getTime() ?? null,
  finishedAt: row.finished_at?.getTime() ?? null,
  finishedEdition: row.finished_edition,
  finishedAttested: row.finished_attested,
  ways: NO_WAYS,
})

/** The figure in which each state is counted. */
const COUNTED = {
  late: 'late',
  'due-soon': 'dueSoon',
  'out-of-date': 'outOfDate',
  'in-progress': 'inProgress',
  'not-started': 'notStarted',
  done: 'done',
} as const satisfies Record<ItemState, keyof Counts>
/** How many rows are in which state, as SQL over rows with `state` and `finished_attested`.
 * @param people what is counted as a person's row */
export const countsSql = (people = '*'): string =>
  [
    `count(${people})::int as people`,
    ...STATE_ORDER.map((state) => `count(*) filter (where state = '${state}')::int as "${COUNTED[state]}"`),
    `count(*) filter (where state = 'done' and not finished_attested)::int as claimed`,
  ].join(', ')
/** The counts of a row, without what else stands in it. */
export const countsOf = ({ people, done, inProgress, notStarted, dueSoon, late, outOfDate, claimed }: Counts): Counts => ({
  people,
  done,
  inProgress,
  notStarted,
  dueSoon,
  late,
  outOfDate,
  claimed,
})

/** Whose record a row is. */
export type WhoRow = { person_id: PersonId; name: string; site: string; department: string; zone: string; teams: string[]; roles: string[] }
export const whoOf = ({ person_id, name, site, department, zone, teams, roles }: WhoRow) => ({
  personId: person_id,
  name,
  site,
  department,
  zone,
  teams,
  roles,
})
/** Names of the teams and roles of the person of a row `w`. */
export const GROUPS = `array(select t.name from person_team m join team t on t.id = m.team_id where m.person_id = w.person_id order by t.name) as teams,
  array(select t.name from person_role m join role t on t.id = m.role_id where m.person_id = w.person_id order by t.name) as roles`
