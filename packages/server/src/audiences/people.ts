import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import { because } from '@jackdaw/core/audiences'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { askedOf, companyDay } from './facts'
import { namesOf, ruleNames } from './names'
import { belongingQuery } from './refresh'
import { ruleOf } from './saved'

/** So many people are listed; how many there are is always said. */
export const LISTED = 200

/** Somebody who belongs to an audience. */
export type Member = { id: PersonId; name: string; site: string; jobTitle: string }

/** The people of an audience: how many there are, how many of them are called as asked for, and the first of those by name. */
export async function membersOf(
  db: Db,
  choice: AudienceChoice,
  find: string,
  now: number,
): Promise<{ total: number; found: number; people: Member[] }> {
  const { rule, asOfAt } = await ruleOf(db, choice)
  const { sql, bind } = await belongingQuery(db, rule, asOfAt, now)
  const rows = await db.rows<Member & { total: number; found: number }>(
    `with wanted as materialized (${sql}), counted as (select count(*)::int as total from wanted w join person p on p.id = w.id and p.active),
     fits as (select p.id, p.name, s.name as site, p.job_title as "jobTitle" from wanted w join person p on p.id = w.id and p.active join people_group s on s.id = p.site_id
       where $${bind.length + 1} = '' or position(plain($${bind.length + 1}) in plain(p.name)) > 0)
     select counted.total, f.* from counted left join (select f.*, count(*) over ()::int as found from fits f order by f.name, f.id limit ${LISTED}) f on true order by f.name, f.id`,
    [...bind, find.trim()],
  )
  const people = rows.filter((row) => row.id !== null)
  return {
    total: rows[0]?.total ?? 0,
    found: people[0]?.found ?? 0,
    people: people.map(({ id, name, site, jobTitle }) => ({ id, name, site, jobTitle })),
  }
}

/** The ids of all people of an audience. */
export async function idsOf(db: Db, choice: AudienceChoice, now: number): Promise<Set<PersonId>> {
  const { rule, asOfAt } = await ruleOf(db, choice)
  const { sql, bind } = await belongingQuery(db, rule, asOfAt, now)
  return new Set(
    (await db.rows<{ id: PersonId }>(`select w.id from (${sql}) w join person p on p.id = w.id and p.active`, bind)).map((row) => row.id),
  )
}

/** In a few words for each why they belong, as things stand now. */
export async function reasonsOf(db: Db, choice: AudienceChoice, ids: readonly PersonId[], now: number): Promise<Map<PersonId, string[]>> {
  const { rule } = await ruleOf(db, choice)
  const names = ruleNames(await namesOf(db, [rule]))
  const asked = await askedOf(db, ids, await companyDay(db, now))
  return new Map([...asked].map(([id, each]) => [id, each ? because(rule, each, names) : []]))
}
