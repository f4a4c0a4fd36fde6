import type { Owner, OwnerSort, Reader, ReaderSort } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { asksForGroups, scopeParam, type Scope } from './scope'
import { editionsSql, isFirstViewSql, usesSql } from './sources'
import { PAGE_SIZE } from './usedItems'

type Order<S> = { sort: S; down: boolean; page: number }
type Found = { id: PersonId; name: string; total: number }
/** A page of people with figures. @param figures a relation with `person_id` and the figures */
async function peopleWith<R>(
  db: Db,
  figures: string,
  { scope, span: { from, to }, by, down, page }: { scope: Scope; span: Span; by: string; down: boolean; page: number },
): Promise<{ rows: (R & { person: { id: PersonId; name: string } })[]; total: number }> {
  const rows = await db.rows<R & Found>(
    `select p.id, p.name, f.*, count(*) over ()::int as total from (${figures}) f join person p on p.id = f.person_id
     order by ${by} ${down ? 'desc' : 'asc'}, p.name, p.id limit ${PAGE_SIZE} offset $4`,
    [scopeParam(scope), from, to, (page - 1) * PAGE_SIZE],
  )
  return { total: rows[0]?.total ?? 0, rows: rows.map((row) => ({ ...row, person: { id: row.id, name: row.name } })) }
}

const READERS_BY: Record<ReaderSort, string> = {
  name: 'p.name',
  views: 'f.views',
  things: 'f.things',
  finished: 'f.finished',
  time: 'f.active_ms',
}
/** Who viewed something, with how much. */
export async function readers(db: Db, scope: Scope, span: Span, { sort, down, page }: Order<ReaderSort>) {
  type Row = Omit<Reader, 'person' | 'activeMs'> & { active_ms: number }
  const figures = asksForGroups(scope)
    ? `select e.person_id, sum(e.views)::int as views, (count(*) filter (where e.views > 0))::int as things, sum(e.finished)::int as finished, sum(e.active_ms)::float as active_ms
       from (select c.person_id, c.item_id, sum(c.views) as views, sum(c.finished) as finished, sum(c.active_ms) as active_ms from (${usesSql(scope)}) c group by 1, 2) e
       group by e.person_id having sum(e.views) > 0`
    : `select c.person_id, sum(c.views)::int as views, (count(*) filter (where ${isFirstViewSql(scope, 'c')}))::int as things, sum(c.finished)::int as finished, sum(c.active_ms)::float as active_ms
       from (${usesSql(scope)}) c group by c.person_id having sum(c.views) > 0`
  const { rows, total } = await peopleWith<Row>(db, figures, { scope, span, by: READERS_BY[sort], down, page })
  return {
    total,
    rows: rows.map(({ person, views, things, finished, active_ms }): Reader => ({ person, views, things, finished, activeMs: active_ms })),
  }
}

const OWNERS_BY: Record<OwnerSort, string> = {
  name: 'p.name',
  written: 'f.written',
  changed: 'f.changed',
  views: 'f.views',
  people: 'f.people',
}
/** Of each owner how often their things were viewed, and by how many people: each person has a bit for every owner. */
const USED_OF = (scope: Scope): string => `
  with homes as materialized (select h.id, h.owner_id, dense_rank() over (order by h.owner_id)::int - 1 as n from item_home h),
  owners as materialized (select owner_id, n, max(n) over () + 1 as many from homes group by owner_id, n),
  each as materialized (
    select c.person_id, bit_or(m.bits) as bits from (${usesSql(scope)}) c
    join (select h.id, bit_or(set_bit(repeat('0', o.many)::varbit, h.n, 1)::varbit) as bits from homes h join owners o on o.n = h.n group by h.id) m on m.id = c.item_id
    where c.views > 0 group by 1),
  viewed as materialized (select c.item_id, sum(c.views) as views from (${usesSql(scope)}) c where c.views > 0 group by 1)
  select o.owner_id as person_id, v.views, (select sum(get_bit(e.bits, o.n)) from each e)::int as people
  from owners o join (select h.owner_id, sum(v.views)::int as views from viewed v join homes h on h.id = v.item_id group by 1) v on v.owner_id = o.owner_id`
/** Whose things came out or were viewed, with how much. */
export async function owners(db: Db, scope: Scope, span: Span, { sort, down, page }: Order<OwnerSort>) {
  const figures = `
    select person_id, coalesce(written, 0) as written, coalesce(changed, 0) as changed, coalesce(views, 0) as views, coalesce(people, 0) as people from (
      select c.person_id, count(*) filter (where c.number = 1)::int as written, count(*) filter (where c.number > 1)::int as changed from (${editionsSql(scope)}) c group by 1) e
    full join (${USED_OF(scope)}) u using (person_id)`
  const { rows, total } = await peopleWith<Owner>(db, figures, { scope, span, by: OWNERS_BY[sort], down, page })
  return {
    total,
    rows: rows.map(({ person, written, changed, views, people }): Owner => ({ person, written, changed, views, people })),
  }
}
