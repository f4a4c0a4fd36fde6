import type { Counts, PersonRecord, SoloState, WhoSort } from '@jackdaw/contracts/records'
import type { ItemRef, ItemState } from '@jackdaw/core/items'
import type { StepId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import { rankParam } from '../items'
import { amongSql, isEverybody, type Among } from '../people'
import { soloCountsSql, soloStateSql, waysSql } from '../players'
import {
  countsOf,
  countsSql,
  FINISHED_ATTESTED,
  groupsSql,
  RANK,
  recordOf,
  STANDING,
  standingParams,
  standingOfItemSql,
  whoOf,
  type StandingRow,
  type WhoRow,
} from './standing'

export const PAGE_SIZE = 50

/** What people are ordered by, as SQL over rows `i`, `a` and `r`; by state and by name nothing more is needed. */
const KEY: Record<Exclude<WhoSort, 'name' | 'state'>, string> = {
  progress: 'coalesce(r.parts_seen, 0)',
  time: 'coalesce(r.active_ms, 0)',
  last: 'r.last_at',
  due: `case when ${RANK} <> ${rankParam('done')} then a.due_at end`,
  finished: 'r.finished_at',
}
const orderOf = (sort: WhoSort, down: boolean): string[] => {
  const direction = down ? 'desc' : 'asc'
  if (sort === 'name') return [`name ${direction}`, 'person_id']
  return [`${sort === 'state' ? 'rank' : 'key'} ${direction} nulls last`, 'name', 'person_id']
}

export type WhoFilter = {
  state?: ItemState | undefined
  find?: string | undefined
  furthest?: StepId | undefined
  solo?: SoloState | undefined
  sort: WhoSort
  down: boolean
  page: number
  pageSize?: number
}

/** Those for whom a part is the furthest of the item that they have seen in an edition that counts, and who have not finished such a one.
 * @param part a parameter */
const stoppedAtSql = (part: string): string => `w.person_id in (
  select s.person_id from item i join part_progress s on s.item_kind = i.kind and s.item_id = i.id and s.seen_edition >= i.required_edition
  join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition and x.part_id = s.part_id
  where i.kind = $4 and i.id = $5 group by s.person_id having (array_agg(x.part_id order by x.position desc))[1] = ${part}) and not w.finished`

/** The people of the item with as little of each as counting, finding and ordering takes: there may be thousands, of whom a page is shown. */
const everyone = (sort: WhoSort, everybody: boolean): string =>
  standingOfItemSql(
    [
      `${RANK} as rank, ${FINISHED_ATTESTED} as finished_attested, coalesce(r.finished_edition >= i.required_edition, false) as finished, i.required_edition`,
      ...(sort === 'name' || sort === 'state' ? [] : [`${KEY[sort]} as key`]),
    ].join(', '),
    everybody,
  )

/** All that is shown of the people of an item, in one query: they are gone through once, for the counts and for the page. */
function whoFinishedQuery({ kind, id }: ItemRef, among: Among, filter: WhoFilter, now: number): { sql: string; bind: unknown[] } {
  const bind: unknown[] = [...standingParams(among, now), kind, id]
  const param = (value: unknown): string => `$${bind.push(value)}`
  const order = orderOf(filter.sort, filter.down)
  const { state, find, furthest, solo, pageSize = PAGE_SIZE } = filter
  const everybody = isEverybody(among)
  const asked = [
    ...(furthest ? [stoppedAtSql(param(furthest))] : []),
    ...(state ? [`w.rank = ${param(rankParam(state))}`] : []),
    ...(find ? [`position(plain(${param(find)}) in plain(p.name)) > 0`] : []),
    ...(solo ? [`${soloStateSql('$5', 'w.person_id', 'w.required_edition')} = ${param(solo)}`] : []),
  ]
  const sql = `
    with everyone as materialized (${everyone(filter.sort, everybody)}),
    counted as (select ${countsSql()} from everyone),
    asked as (select w.*, p.name from everyone w join person p on p.id = w.person_id where ${asked.join(' and ') || 'true'}),
    page as (select * from asked order by ${order.join(', ')} limit ${pageSize} offset ${param((filter.page - 1) * pageSize)}),
    groups as (${groupsSql('select person_id from page')})
    select counted.*, solo.passed, solo.tried, ${asked.length > 0 ? '(select count(*)::int from asked)' : 'counted.people'} as total,
      w.person_id, w.name, s.name as site, s.zone, coalesce(array_to_string(g.departments, ', '), '') as department, g.teams, g.roles, ${STANDING}, ${waysSql('i.id', 'w.person_id')} as ways,
      exists (select 1 from edition_part x where x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition and x.caution is not null) as has_cautions
    from item i cross join counted cross join (${soloCountsSql('$5', amongSql('u.person_id', '$3', everybody))}) solo
    left join page w on true left join person p on p.id = w.person_id left join people_group s on s.id = p.site_id
    left join groups g on g.person_id = w.person_id
    left join assignment a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = w.person_id and a.use = 'to-do'
    left join item_progress r on r.item_kind = i.kind and r.item_id = i.id and r.person_id = w.person_id
    where i.kind = $4 and i.id = $5 and i.edition is not null order by ${order.map((column) => `w.${column}`).join(', ')}`
  // What is asked most is to see all; how best to find some of them depends on whom.
  const isUsual = everybody && asked.length === 0 && pageSize === PAGE_SIZE
  return { sql: isUsual ? keepPlan(`who-finished-${filter.sort}-${filter.down ? 'down' : 'up'}`, sql) : sql, bind }
}

type Of = {
  number: number
  title: string
  edition: number
  has_cautions: boolean
  passed: number
  tried: number
  total: number
}
export type WhoFinished = {
  about: { number: number; title: string; edition: number }
  counts: Counts
  /** What came of Solo, by people. */
  soloCounts: Record<'passed' | 'notPassed' | 'notTaken', number>
  /** Whether the newest edition has cautions that are to be acknowledged. */
  hasCautions: boolean
  rows: PersonRecord[]
  total: number
}

/** How many people of an item are in which state, what came of Solo, and a page of those who are asked for; `null` when it has not been
 * published. */
export async function whoFinished(db: Db, item: ItemRef, among: Among, filter: WhoFilter, now: number): Promise<WhoFinished | null> {
  const { sql, bind } = whoFinishedQuery(item, among, filter, now)
  const rows = await db.rows<Of & Counts & (StandingRow & WhoRow)>(sql, bind)
  const [first] = rows
  if (!first) return null
  const { number, title, edition, passed, tried, total } = first
  return {
    about: { number, title, edition },
    counts: countsOf(first),
    soloCounts: { passed, notPassed: tried - passed, notTaken: first.people - tried },
    hasCautions: first.has_cautions,
    // Where the page is empty, the counts stand in a row of their own.
    rows: rows.filter((row) => row.person_id !== null).map((row) => ({ ...recordOf(row), ...whoOf(row) })),
    total,
  }
}
