import type { Counts, PersonRecord, SoloState, WhoSort } from '@jackdaw/contracts/records'
import type { ItemRef, ItemState } from '@jackdaw/core/items'
import type { StepId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { stateOrderSql } from '../items'
import type { Among } from '../people'
import { SOLO_STATE, waysUsed } from '../players'
import { countsSql, GROUPS, recordOf, standingParams, standingSql, whoOf, type StandingRow, type WhoRow } from './standing'

export const PAGE_SIZE = 50

/** The people of the item $4, $5. */
const OF_ITEM = standingSql({ where: 'item_kind = $4 and item_id = $5' })

/** How many people of an item are in which state. */
export async function countsOfItem(db: Db, { kind, id }: ItemRef, among: Among, now: number): Promise<Counts> {
  return (await db.one<Counts>(`select ${countsSql()} from (${OF_ITEM}) w`, [...standingParams(among, now), kind, id]))!
}

/** What people are ordered by, as SQL over a row `w`. */
const SORT: Record<WhoSort, string> = {
  name: 'w.name',
  state: stateOrderSql('w.state'),
  progress: 'w.seen',
  time: 'w.active_ms',
  last: 'w.last_at',
  due: "case when w.state = 'done' then null else w.due_at end",
  finished: 'w.finished_at',
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

/** Those for whom $6 is the furthest part of the item that they have seen in an edition that counts. */
const STOPPED_AT = `select s.person_id from item i
  join part_progress s on s.item_kind = i.kind and s.item_id = i.id and s.seen_edition >= i.required_edition
  join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition and x.part_id = s.part_id
  where i.kind = $4 and i.id = $5 group by s.person_id having (array_agg(x.part_id order by x.position desc))[1] = $6`

/** The people of an item, a page of them. */
export async function whoFinished(
  db: Db,
  { kind, id }: ItemRef,
  among: Among,
  filter: WhoFilter,
  now: number,
): Promise<{ rows: PersonRecord[]; total: number }> {
  const pageSize = filter.pageSize ?? PAGE_SIZE
  const order = `${SORT[filter.sort]} ${filter.down ? 'desc' : 'asc'} nulls last, w.name, w.person_id`
  type Row = StandingRow & WhoRow & { total: number }
  const rows = await db.rows<Row>(
    `with who as (
       select w.*, p.name, p.site_id, p.department_id from (${OF_ITEM}) w join person p on p.id = w.person_id
       where ($6::text is null or (w.person_id in (${STOPPED_AT}) and coalesce(w.finished_edition < w.required_edition, true))) and ($7::text is null or w.state = $7)
         and ($8 = '' or position(plain($8) in plain(p.name)) > 0) and ($9::text is null or ${SOLO_STATE} = $9)),
     page as (select w.*, count(*) over ()::int as total from who w order by ${order} limit $11 offset $10)
     select w.*, s.name as site, s.zone, d.name as department, ${GROUPS} from page w join site s on s.id = w.site_id join department d on d.id = w.department_id order by ${order}`,
    [
      ...standingParams(among, now),
      kind,
      id,
      filter.furthest ?? null,
      filter.state ?? null,
      filter.find ?? '',
      filter.solo ?? null,
      (filter.page - 1) * pageSize,
      pageSize,
    ],
  )
  const ways = await waysUsed(db, { guideIds: [id], personIds: rows.map((row) => row.person_id) })
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({ ...recordOf(row), ways: ways(id, row.person_id), ...whoOf(row) })),
  }
}
