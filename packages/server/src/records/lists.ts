import type { Counts, ItemRecord, PersonItem, PersonRecord, PersonRow } from '@jackdaw/contracts/records'
import { nextRound } from '@jackdaw/core/assignments'
import { itemRefOf, type ItemState } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { CLOSED_AT, rankParam } from '../items'
import { amongSql, departmentsSql, type Among } from '../people'
import { waysSql } from '../players'
import { countsOf, countsSql, groupsSql, recordOf, standingParams, standingSql, whoOf, type StandingRow, type WhoRow } from './standing'
import { PAGE_SIZE } from './whoFinished'

const OF_PERSON = standingSql({ where: 'person_id = $4' })
/** What is not in the archive. */
const CURRENT = standingSql({ items: 'i.archived_at is null' })

const WAYS = `${waysSql('w.item_id', 'w.person_id')} as ways`

/** After how many months what somebody has done is to be done again, and when it was closed last, for a row `w`. */
const AGAIN = `
  select a.repeat_months as months, ${CLOSED_AT} as closed_at from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id
  join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
  where a.person_id = w.person_id and a.item_kind = w.item_kind and a.item_id = w.item_id and a.repeat_months is not null`
type Again = { months: number | null; closed_at: Date | null; zone: string }

/** The items of one person, what is to be done first. */
export async function itemsOfPerson(db: Db, personId: PersonId, now: number): Promise<PersonItem[]> {
  const rows = await db.rows<StandingRow & Again>(
    `select w.*, ${WAYS}, x.months, x.closed_at, s.zone from (${OF_PERSON}) w left join lateral (${AGAIN}) x on true
     join person p on p.id = w.person_id join people_group s on s.id = p.site_id order by w.rank, w.due_at nulls last, w.number`,
    [...standingParams({ reportsTo: null }, now), personId],
  )
  return rows.map((row) => ({
    ...recordOf(row),
    againOn:
      row.rank === rankParam('done') && row.months !== null && row.closed_at !== null
        ? nextRound(row.closed_at.getTime(), row.months, row.zone).on
        : null,
    item: itemRefOf(row.item_kind, row.item_id),
    number: row.number,
    title: row.title,
    edition: row.edition,
  }))
}

/** Items with how far their people are; those with the most people who are late come first. */
export async function itemRecords(
  db: Db,
  among: Among,
  page: number,
  state: ItemState | undefined,
  now: number,
): Promise<{ rows: ItemRecord[]; total: number }> {
  type Row = Counts & Pick<StandingRow, 'item_kind' | 'item_id' | 'number' | 'title' | 'edition' | 'last_at'> & { total: number }
  const rows = await db.rows<Row>(
    `select item_kind, item_id, number, title, edition, max(last_at) as last_at, ${countsSql()}, count(*) over ()::int as total from (${CURRENT}) w where $5::int is null or rank = $5
     group by item_kind, item_id, number, title, edition order by late desc, number limit ${PAGE_SIZE} offset $4`,
    [...standingParams(among, now), (page - 1) * PAGE_SIZE, rankParam(state)],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({
      item: itemRefOf(row.item_kind, row.item_id),
      number: row.number,
      title: row.title,
      edition: row.edition,
      counts: countsOf(row),
      lastAt: row.last_at?.getTime() ?? null,
    })),
  }
}

/** How many people are late with something. */
export async function countLatePeople(db: Db, among: Among, now: number): Promise<number> {
  const row = await db.one<{ people: number }>(
    `select count(distinct w.person_id)::int as people from (${CURRENT}) w join person p on p.id = w.person_id and p.active where w.rank = ${rankParam('late')}`,
    standingParams(among, now),
  )
  return row?.people ?? 0
}

/** People with how far they are; those with the most that is late come first. */
export async function personRecords(
  db: Db,
  among: Among,
  find: string,
  page: number,
  state: ItemState | undefined,
  manager: PersonId | undefined,
  now: number,
): Promise<{ rows: PersonRow[]; total: number }> {
  type Row = Counts & Omit<PersonRow, 'counts'> & { total: number }
  const rows = await db.rows<Row>(
    `with who as (select * from (${CURRENT}) x),
     page as (
       select p.id, p.name, s.name as site, ${countsSql('w.person_id')}, count(*) over ()::int as total
       from person p join people_group s on s.id = p.site_id left join who w on w.person_id = p.id and ($6::int is null or w.rank = $6)
       where p.active and ${amongSql('p.id', '$3')} and ($6::int is null or w.person_id is not null) and ($4 = '' or position(plain($4) in plain(p.name)) > 0) and ($7::text is null or p.manager_id = $7)
       group by p.id, s.id order by late desc, p.name, p.id limit ${PAGE_SIZE} offset $5)
     select page.*, ${departmentsSql('page.id')} as department from page order by late desc, name, id`,
    [...standingParams(among, now), find, (page - 1) * PAGE_SIZE, rankParam(state), manager ?? null],
  )
  return {
    total: rows[0]?.total ?? 0,
    rows: rows.map((row) => ({ id: row.id, name: row.name, site: row.site, department: row.department, counts: countsOf(row) })),
  }
}

/** Every person and item, a row for each of both. */
export async function allRecords(
  db: Db,
  among: Among,
  { find = '', state }: { find?: string | undefined; state?: ItemState | undefined },
  most: number,
  now: number,
): Promise<(PersonRecord & { number: number; title: string; edition: number })[]> {
  type Row = StandingRow & WhoRow
  const rows = await db.rows<Row>(
    `with groups as (${groupsSql('select id from person')})
     select w.*, ${WAYS}, p.name, s.name as site, s.zone, coalesce(array_to_string(g.departments, ', '), '') as department, g.teams, g.roles from (${CURRENT}) w
     join person p on p.id = w.person_id join people_group s on s.id = p.site_id left join groups g on g.person_id = p.id
     where ($4::int is null or w.rank = $4) and ($5 = '' or position(plain($5) in plain(p.name)) > 0) order by p.name, p.id, w.number limit $6`,
    [...standingParams(among, now), rankParam(state), find.trim(), most],
  )
  return rows.map((row) => ({
    ...recordOf(row),
    ...whoOf(row),
    number: row.number,
    title: row.title,
    edition: row.edition,
  }))
}
