import type { Counts, WaysUsed } from '@jackdaw/contracts/records'
import { STATE_ORDER, type ItemId, type ItemKind, type ItemState } from '@jackdaw/core/items'
import { nth, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { columnsOf, rankParam, stateParams, stateRankSql } from '../items'
import { amongParam, amongSql, type Among } from '../people'
import { waysOf } from '../players'

/** The state of a person's item, see {@link STATE_ORDER}, as SQL over rows `i` of `item`, `a` of `assignment` and `r` of `item_progress`. Bound are
 * $1 now and $2 soon. */
export const RANK = stateRankSql(columnsOf('$1', '$2'))
/** Whether the server vouches for what was finished last, as SQL over a row `r`. */
export const FINISHED_ATTESTED = 'coalesce(r.finished_edition = r.attested_edition, false)'
/** How far a person is with an item, as columns over rows `i` of `item`, `a` of `assignment` and `r` of `item_progress`, of which one of the
 * two may be missing. Bound are $1 now and $2 soon, see {@link standingParams}. */
export const STANDING = `a.id is not null as assigned, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_at,
    case when a.waived_at is not null then (select w.why from waiver w where w.person_id = a.person_id and w.item_kind = a.item_kind and w.item_id = a.item_id and w.ended_at is null) end as waived_why,
    r.started_at, r.last_at, coalesce(r.active_ms, 0)::float8 as active_ms, r.finished_at, r.finished_edition, ${FINISHED_ATTESTED} as finished_attested,
    coalesce(r.parts_seen, 0) as seen, i.number, i.title, i.edition, i.parts, ${RANK} as rank`

/** Everyone who has been given an item or has used it: a row for each person and item, with {@link STANDING}. Bound are $1 now, $2 soon and $3
 * among whom.
 * @param of `where`: a condition on columns that assignments and progress both have; `items`: one on a row `i` of `item` */
export const standingSql = ({ where = 'true', items = 'true' }: { where?: string; items?: string }): string => `
  select item_kind, item_id, person_id, ${STANDING}
  from (select * from assignment where use = 'to-do' and ${where}) a full join (select * from item_progress where ${where}) r using (item_kind, item_id, person_id)
  join item i on i.kind = item_kind and i.id = item_id and i.edition is not null and ${items}
  where ${amongSql('coalesce(a.person_id, r.person_id)', '$3')}`
/** The same of one item, $4 and $5, with other columns over the same rows. Such a join is half as dear as one by all three keys. */
export const standingOfItemSql = (columns: string, everybody: boolean): string => `
  select person_id, ${columns}
  from (select * from assignment where use = 'to-do' and item_kind = $4 and item_id = $5) a full join (select * from item_progress where item_kind = $4 and item_id = $5) r using (person_id)
  join item i on i.kind = $4 and i.id = $5 and i.edition is not null
  where ${amongSql('coalesce(a.person_id, r.person_id)', '$3', everybody)}`
/** The bound parameters of {@link standingSql}. @param now epoch milliseconds */
export const standingParams = (among: Among, now: number): unknown[] => [...stateParams(now), amongParam(among)]

/** A row of {@link standingSql}, with what {@link waysSql} says of ways of use. */
export type StandingRow = {
  item_kind: ItemKind
  item_id: ItemId
  person_id: PersonId
  rank: number
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
  waived_why: string | null
  assigned: boolean
  ways: Partial<WaysUsed> | null
}
/** What a record says of it, apart from who and what. */
export const recordOf = (row: StandingRow) => ({
  state: nth(STATE_ORDER, row.rank),
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
  waivedWhy: row.waived_why,
  ways: waysOf(row.ways),
})

/** The figure in which each state is counted. */
const COUNTED = {
  late: 'late',
  'due-soon': 'dueSoon',
  'out-of-date': 'outOfDate',
  'in-progress': 'inProgress',
  'not-started': 'notStarted',
  waiting: 'waiting',
  done: 'done',
  waived: 'waived',
} as const satisfies Record<ItemState, keyof Counts>
/** How many rows are in which state, as SQL over rows with `rank` and `finished_attested`.
 * @param people what is counted as a person's row */
export const countsSql = (people = '*'): string =>
  [
    `count(${people})::int as people`,
    ...STATE_ORDER.map((state) => `count(*) filter (where rank = ${rankParam(state)})::int as "${COUNTED[state]}"`),
    `count(*) filter (where rank = ${rankParam('done')} and not finished_attested)::int as claimed`,
  ].join(', ')
/** The counts of a row, without what else stands in it. */
export const countsOf = ({ people, done, inProgress, notStarted, dueSoon, late, outOfDate, waiting, waived, claimed }: Counts): Counts => ({
  people,
  done,
  inProgress,
  notStarted,
  dueSoon,
  late,
  outOfDate,
  waiting,
  waived,
  claimed,
})

/** Whose record a row is. */
export type WhoRow = {
  person_id: PersonId
  name: string
  site: string
  department: string
  zone: string
  teams: string[] | null
  roles: string[] | null
}
export const whoOf = ({ person_id, name, site, department, zone, teams, roles }: WhoRow) => ({
  personId: person_id,
  name,
  site,
  department,
  zone,
  teams: teams ?? [],
  roles: roles ?? [],
})
/** Names of the groups of people: a query of rows `person_id`, `departments`, `teams`, `roles`.
 * @param people a query for one column with their ids */
export const groupsSql = (people: string): string => `
  select person_id, ${(['department', 'team', 'role'] as const).map((kind) => `array_agg(name order by name) filter (where kind = '${kind}') as ${kind}s`).join(', ')}
  from member where person_id = any (array(${people})) group by person_id`
