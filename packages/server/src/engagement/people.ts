import type { Owner, OwnerSort, Reader, ReaderSort } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { scopeParam, type Scope } from './scope'
import { editionsSql, usesSql } from './sources'
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
  const figures = `
    select e.person_id, sum(e.views)::int as views, (count(*) filter (where e.views > 0))::int as things, sum(e.finished)::int as finished, sum(e.active_ms)::float as active_ms
    from (select c.person_id, c.item_id, sum(c.views) as views, sum(c.finished) as finished, sum(c.active_ms) as active_ms from (${usesSql(scope)}) c group by 1, 2) e
    group by e.person_id having sum(e.views) > 0`
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
/** Whose things came out or were viewed, with how much. What each person used of each thing is added up before it is asked whose it is: most use is of few things. */
export async function owners(db: Db, scope: Scope, span: Span, { sort, down, page }: Order<OwnerSort>) {
  const figures = `
    select person_id, coalesce(written, 0) as written, coalesce(changed, 0) as changed, coalesce(views, 0) as views, coalesce(people, 0) as people from (
      select c.person_id, count(*) filter (where c.number = 1)::int as written, count(*) filter (where c.number > 1)::int as changed from (${editionsSql(scope)}) c group by 1) e
    full join (
      select e.owner_id as person_id, sum(e.views)::int as views, count(*)::int as people from (
        select h.owner_id, c.person_id, sum(c.views) as views
        from (select c.item_id, c.person_id, sum(c.views)::int as views from (${usesSql(scope)}) c where c.views > 0 group by 1, 2) c join item_home h on h.id = c.item_id group by 1, 2) e
      group by 1) u using (person_id)`
  const { rows, total } = await peopleWith<Owner>(db, figures, { scope, span, by: OWNERS_BY[sort], down, page })
  return {
    total,
    rows: rows.map(({ person, written, changed, views, people }): Owner => ({ person, written, changed, views, people })),
  }
}
