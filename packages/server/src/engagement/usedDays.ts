import type { UsedDay } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'
import { PAGE_SIZE } from './usedItems'

/** What somebody used on each of their days, the latest first. */
export async function usedDays(
  db: Db,
  person: PersonId,
  { from, to }: Span,
  { page, keptSince }: { page: number; keptSince: LocalDate | null },
) {
  const named = (await db.one<{ id: PersonId; name: string }>('select id, name from person where id = $1', [person])) ?? fail('not-found')
  const first = keptSince !== null && from < keptSince ? keptSince : from
  const days = 'select u.* from use_day u where u.person_id = $1 and u.local_day between $2::date and $3::date'
  type All = { total: number; views: number; active_ms: number }
  type Row = {
    day: LocalDate
    kind: ItemKind
    id: ItemId
    number: number
    title: string
    views: number
    finished: number
    active_ms: number
  }
  const [all, rows] = await Promise.all([
    db.one<All>(
      `select count(*)::int as total, coalesce(sum(d.views), 0)::int as views, coalesce(sum(d.active_ms), 0)::float as active_ms from (${days}) d`,
      [person, first, to],
    ),
    db.rows<Row>(
      `select d.local_day::text as day, i.kind, i.id, i.number, coalesce(i.title, '') as title, d.views, d.finished, d.active_ms::float as active_ms
       from (${days}) d join item i on i.kind = d.item_kind and i.id = d.item_id order by d.local_day desc, d.at desc, i.id limit ${PAGE_SIZE} offset $4`,
      [person, first, to, (page - 1) * PAGE_SIZE],
    ),
  ])
  return {
    person: named,
    total: all?.total ?? 0,
    views: all?.views ?? 0,
    activeMs: all?.active_ms ?? 0,
    rows: rows.map(({ day, kind, id, number, title, views, finished, active_ms }): UsedDay => ({
      day,
      item: { ref: itemRefOf(kind, id), number, title },
      views,
      finished,
      activeMs: active_ms,
    })),
  }
}
