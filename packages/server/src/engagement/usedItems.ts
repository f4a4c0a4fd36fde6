import type { UsedItem, UsedSort } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { Db } from '../db'
import { asksForGroups, ofItemsSql, scopeParam, type Scope } from './scope'
import { isFirstEndSql, isFirstViewSql, usesSql } from './sources'

/** Rows on a page. */
export const PAGE_SIZE = 50

const TIMED = 'sum(c.active_ms) filter (where c.views > 0) as timed_ms, sum(c.views) filter (where c.active_ms > 0) as timed_views'
/** How much each item was used. Where people are told apart by groups, the days of each are put together first. */
const usedSql = (scope: Scope): string =>
  asksForGroups(scope)
    ? `select c.item_kind, c.item_id, sum(c.views)::int as views, count(*) filter (where c.views > 0)::int as people, count(*) filter (where c.views > 0 and c.finished > 0)::int as finishers,
         sum(c.timed_ms) as timed_ms, sum(c.timed_views) as timed_views
       from (select c.item_kind, c.item_id, c.person_id, sum(c.views) as views, sum(c.finished) as finished, ${TIMED} from (${usesSql(scope)}) c group by 1, 2, 3) c group by 1, 2`
    : `select c.item_kind, c.item_id, sum(c.views)::int as views, count(*) filter (where ${isFirstViewSql(scope, 'c')})::int as people, count(*) filter (where ${isFirstEndSql(scope, 'c')})::int as finishers,
         ${TIMED} from (${usesSql(scope)}) c group by 1, 2`
const ORDER: Record<UsedSort, string> = {
  views: 'views',
  people: 'people',
  finishers: 'finishers',
  share: 'case when people > 0 then finishers::float / people end',
  time: 'active_each',
  title: 'plain(title)',
  newest: 'since',
}

/** What is published and not in the archive, with how much it was used; what has no such figure comes last. */
export async function usedItems(
  db: Db,
  scope: Scope,
  { from, to }: Span,
  { sort, down, page }: { sort: UsedSort; down: boolean; page: number },
): Promise<{ rows: UsedItem[]; total: number }> {
  type Row = Omit<UsedItem, 'item' | 'minutesEach' | 'since'> & {
    since: Date
    kind: ItemKind
    id: ItemId
    active_each: number | null
    total: number
  }
  const rows = await db.rows<Row>(
    `with used as (select u.*, u.timed_ms::float / nullif(u.timed_views, 0)::float as active_each from (${usedSql(scope)}) u),
     listed as (
       select i.kind as item_kind, i.id as item_id, i.number, i.title, i.minutes,
         (select min(x.published_at) from edition x where x.item_kind = i.kind and x.item_id = i.id) as since from item i where i.edition is not null and i.archived_at is null)
     select l.item_kind as kind, l.item_id as id, l.number, l.title, l.minutes, l.since, coalesce(views, 0) as views, coalesce(people, 0) as people, coalesce(finishers, 0) as finishers, active_each,
       count(*) over ()::int as total
     from listed l left join used using (item_kind, item_id) where ${ofItemsSql(scope, 'l')}
     order by ${ORDER[sort]} ${down ? 'desc' : 'asc'} nulls last, l.number, l.item_kind limit ${PAGE_SIZE} offset $4`,
    [scopeParam(scope), from, to, (page - 1) * PAGE_SIZE],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map(({ kind, id, active_each, since, total: _total, ...row }) => ({
      ...row,
      item: itemRefOf(kind, id),
      since: since.getTime(),
      minutesEach: active_each === null ? null : Math.round(active_each / 6_000) / 10,
    })),
  }
}
