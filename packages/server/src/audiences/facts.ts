import type { Asked } from '@jackdaw/core/audiences'
import { managersAbove, type PersonFacts } from '@jackdaw/core/people'
import { localDateAt, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** The day that it is for the company: where its first site is. */
export async function companyDay(db: Db, now: number): Promise<LocalDate> {
  const row = await db.one<{ zone: string }>(
    "select zone from people_group where kind_id = 'site' order by closed_at is not null, created_at, id limit 1",
  )
  return localDateAt(now, row?.zone ?? 'UTC')
}

const FACTS = `select p.id, p.manager_id as "managerId", p.level, to_char(p.started_on, 'YYYY-MM-DD') as "startedOn"`

/** What rules can ask of some people, with all their managers; `null` for who does not work here. */
export async function askedOf(db: Db, ids: readonly PersonId[], today: LocalDate): Promise<Map<PersonId, Asked | null>> {
  const rows = await db.rows<PersonFacts>(
    `${FACTS}, array(select m.group_id from membership m where m.person_id = p.id and m.until is null) as groups from person p where p.active and p.id = any ($1)`,
    [ids],
  )
  const above = await db.rows<{ id: PersonId; manager_id: PersonId | null }>(
    `with recursive above as (select id, manager_id from person where id = any ($1) union select p.id, p.manager_id from person p join above a on p.id = a.manager_id)
     select id, manager_id from above`,
    [rows.map((row) => row.id)],
  )
  const managerOf = new Map(above.map((row) => [row.id, row.manager_id]))
  const asked = new Map<PersonId, Asked | null>(ids.map((id) => [id, null]))
  for (const facts of rows) asked.set(facts.id, { facts, managers: managersAbove(facts.id, (id) => managerOf.get(id)), today })
  return asked
}

/** What rules can ask of everybody who works here. */
export const factsOfAll = (db: Db): Promise<PersonFacts[]> =>
  db.rows<PersonFacts>(
    `${FACTS}, coalesce(g.groups, '{}') as groups from person p
     left join (select person_id, array_agg(group_id) as groups from membership where until is null group by person_id) g on g.person_id = p.id where p.active`,
  )
