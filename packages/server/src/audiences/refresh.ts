import { belonging, changesByDay, manyPeople, membershipChanges, type AudienceRule, type Followed } from '@jackdaw/core/audiences'
import type { AudienceId, LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts, PeopleChange } from '../http'
import { askedAt, peopleAt } from './asOf'
import { askedOf, companyDay, factsOfAll } from './facts'
import { ruleSql } from './ruleSql'

type AudienceRow = { id: AudienceId; rule: AudienceRule }
/** Audiences that follow changes at a moment. */
const following = (db: Db, now: number): Promise<AudienceRow[]> =>
  db.rows<AudienceRow>('select id, rule from audience where archived_at is null and (as_of_at is null or as_of_at > $1) order by id', [
    new Date(now),
  ])

/** That somebody has come to belong to an audience, or ceased to. */
type Changed = { audience: AudienceId; person: PersonId }

async function tell(tx: Db, parts: Parts, changed: readonly Changed[], { by, now }: Pick<PeopleChange, 'by' | 'now'>): Promise<void> {
  if (changed.length === 0) return
  const touched = [...new Set(changed.map(({ person }) => person))]
  const audiences = [...new Set(changed.map(({ audience }) => audience))]
  for (const follow of parts.audienceFollowers) await follow(tx, parts, { touched, audiences, by, now })
}

/** Writes down who has come to belong to audiences, and who has ceased to. */
async function write(
  tx: Db,
  changes: readonly { audience: AudienceId; joined: readonly PersonId[]; left: readonly PersonId[] }[],
  now: number,
): Promise<void> {
  const rows = (of: 'joined' | 'left') => changes.flatMap((change) => change[of].map((person) => ({ audience: change.audience, person })))
  const from = 'jsonb_to_recordset($1::jsonb) as x (audience text, person text)'
  const left = rows('left')
  const joined = rows('joined')
  if (left.length > 0)
    await tx.rows(`delete from audience_member m using ${from} where m.audience_id = x.audience and m.person_id = x.person`, [
      JSON.stringify(left),
    ])
  if (joined.length > 0)
    await tx.rows(
      `insert into audience_member (audience_id, person_id, since) select x.audience, x.person, $2 from ${from} on conflict do nothing`,
      [JSON.stringify(joined), new Date(now)],
    )
}

/** Asks every audience anew of some people, and tells those who follow. */
export async function refreshPeople(tx: Db, parts: Parts, change: PeopleChange): Promise<void> {
  const { touched, now } = change
  const audiences: Followed[] = await following(tx, now)
  const asked = await askedOf(tx, touched, await companyDay(tx, now))
  const members = await tx.rows<{ key: string }>(
    `select audience_id || ' ' || person_id as key from audience_member where person_id = any ($1)`,
    [touched],
  )
  const is = new Set(members.map((row) => row.key))
  const changes = membershipChanges(audiences, asked, (audience, id) => is.has(`${audience} ${id}`))
  await write(tx, changes, now)
  await tell(
    tx,
    parts,
    changes.flatMap(({ audience, joined, left }) => [...joined, ...left].map((person) => ({ audience, person }))),
    change,
  )
}

/** The people who belong to an audience: now, or when it stopped following. As a query for ids with its parameters.
 * @param now epoch milliseconds */
export async function belongingQuery(
  db: Db,
  rule: AudienceRule,
  asOfAt: number | null,
  now: number,
): Promise<{ sql: string; bind: unknown[] }> {
  if (asOfAt === null || asOfAt > now) {
    const bind: unknown[] = []
    return { sql: `select p.id from person p where p.active and ${ruleSql(rule, bind, await companyDay(db, now))}`, bind }
  }
  const bind: unknown[] = [new Date(asOfAt - 1)]
  const where = ruleSql(rule, bind, rule.asOf as LocalDate, askedAt('$1'))
  return { sql: `with people_then as materialized (${peopleAt('$1')}) select p.id from people_then p where ${where}`, bind }
}

/** Makes who belongs to one audience what its rule says, after the rule was changed or a day has passed, and tells those who follow. */
export async function refreshAudience(tx: Db, parts: Parts, id: AudienceId, by: PersonId | null, now: number): Promise<void> {
  const row = await tx.one<{ rule: AudienceRule; as_of_at: Date | null }>('select rule, as_of_at from audience where id = $1 for update', [
    id,
  ])
  if (!row) return
  const { sql, bind } = await belongingQuery(tx, row.rule, row.as_of_at?.getTime() ?? null, now)
  const first = bind.length
  const changed = await tx.rows<{ person_id: PersonId }>(
    `with wanted as (${sql}),
     gone as (delete from audience_member m where m.audience_id = $${first + 1} and not exists (select 1 from wanted w where w.id = m.person_id) returning person_id),
     come as (insert into audience_member (audience_id, person_id, since) select $${first + 1}, w.id, $${first + 2} from wanted w on conflict do nothing returning person_id)
     select person_id from gone union all select person_id from come`,
    [...bind, id, new Date(now)],
  )
  await tell(
    tx,
    parts,
    changed.map((row) => ({ audience: id, person: row.person_id })),
    { by, now },
  )
}

/** Asks those audiences anew that change when a day has passed: by the first day at work, and those that are to stop following. */
export async function refreshForDay(parts: Parts, now: number): Promise<void> {
  const { database } = parts
  const rows = await database.rows<AudienceRow & { ending: boolean }>(
    'select id, rule, as_of_at <= $1 as ending from audience where archived_at is null and (as_of_at is null or as_of_at > $2)',
    [new Date(now), new Date(now - 2 * 86_400_000)],
  )
  for (const { id, rule, ending } of rows)
    if (ending || changesByDay(rule)) await database.transaction((tx) => refreshAudience(tx, parts, id, null, now))
}

/** Lets others have their turn. */
const othersFirst = (): Promise<void> => new Promise((resolve) => setImmediate(resolve))

/** Audiences that are written down together. */
const TOGETHER = 20

/** Makes who belongs to audiences just these people. Ids go there and back joined by commas: they are half a million. */
async function writeWanted(tx: Db, wanted: readonly { audience: AudienceId; people: PersonId[] }[], now: number): Promise<Changed[]> {
  const ids = wanted.map(({ audience }) => audience)
  await tx.rows('select id from audience where id = any ($1) order by id for update', [ids])
  // While nobody else writes, no row that is written has to be looked for first.
  await tx.rows('lock table audience_member in share row exclusive mode')
  const changed = await tx.rows<{ audience: AudienceId; people: string }>(
    `with wanted as materialized (select w.audience_id, p.person_id from unnest($1::text[], $2::text[]) as w (audience_id, people), string_to_table(w.people, ',') as p (person_id)),
     gone as (delete from audience_member m where m.audience_id = any ($1) and not exists (select 1 from wanted w where w.audience_id = m.audience_id and w.person_id = m.person_id) returning audience_id, person_id),
     come as (insert into audience_member (audience_id, person_id, since) select w.audience_id, w.person_id, $3 from wanted w
       where not exists (select 1 from audience_member m where m.audience_id = w.audience_id and m.person_id = w.person_id)
       order by w.audience_id collate "C", w.person_id collate "C" returning audience_id, person_id)
     select audience_id as audience, string_agg(person_id, ',') as people from (select * from gone union all select * from come) x group by audience_id`,
    [ids, wanted.map(({ people }) => people.join(',')), new Date(now)],
  )
  return changed.flatMap(({ audience, people }) => people.split(',').map((person) => ({ audience, person: person as PersonId })))
}

/** Asks every audience that follows changes anew of everybody, from nothing: what they say then has to be what they said before.
 * @returns how many people belong to how many audiences */
export async function rebuildAudiences(parts: Parts, now: number): Promise<{ audiences: number; members: number }> {
  const { database } = parts
  const audiences = await following(database, now)
  const many = manyPeople(await factsOfAll(database), await companyDay(database, now))
  let members = 0
  for (let at = 0; at < audiences.length; at += TOGETHER) {
    const some = audiences.slice(at, at + TOGETHER)
    const wanted: { audience: AudienceId; people: PersonId[] }[] = []
    for (const { id, rule } of some) {
      wanted.push({ audience: id, people: many.at(belonging(rule, many)) })
      await othersFirst()
    }
    members += wanted.reduce((sum, { people }) => sum + people.length, 0)
    await database.transaction(async (tx) => {
      await tell(tx, parts, await writeWanted(tx, wanted, now), { by: null, now })
    })
  }
  return { audiences: audiences.length, members }
}
