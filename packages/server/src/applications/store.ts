import type { Act, Application, ApplicationScope } from '@jackdaw/contracts/applications'
import type { ApplicationId, NewId, PersonId } from '@jackdaw/core/shared'
import { createHash, randomBytes } from 'node:crypto'
import type { Db } from '../db'
import { fail } from '../http'
import { APPLICATION } from './model'

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')
/** An application in use notes the time at most this often. */
const USED_AGAIN_MS = 60_000

/** The applications that are connected, by name. */
export async function applicationsOf(db: Db): Promise<Application[]> {
  type Row = {
    id: ApplicationId
    name: string
    scopes: ApplicationScope[]
    owner_id: PersonId
    owner: string
    made_at: Date
    used_at: Date | null
  }
  const rows = await db.rows<Row>(
    `select a.id, a.name, a.scopes, p.id as owner_id, p.name as owner, a.made_at, a.used_at
     from application a join person p on p.id = a.owner_id where a.ended_at is null order by plain(a.name), a.id`,
  )
  return rows.map(({ owner_id, owner, made_at, used_at, ...row }) => ({
    ...row,
    owner: { id: owner_id, name: owner },
    madeAt: made_at.getTime(),
    usedAt: used_at?.getTime() ?? null,
  }))
}

/** Connects an application. @returns its token, of which only the hash is kept */
export async function connect(
  db: Db,
  newId: NewId,
  { name, scopes }: { name: string; scopes: readonly ApplicationScope[] },
  ownerId: PersonId,
  now: number,
): Promise<{ id: ApplicationId; token: string }> {
  const [id, token] = [newId<ApplicationId>(), randomBytes(36).toString('base64url')]
  await db.in(APPLICATION).insert({ id, name, scopes: [...new Set(scopes)], tokenHash: hashOf(token), ownerId, madeAt: now })
  return { id, token }
}
/** Takes its token back. */
export async function disconnect(db: Db, id: ApplicationId, now: number): Promise<void> {
  const ended = await db.rows('update application set ended_at = $2 where id = $1 and ended_at is null returning 1', [id, new Date(now)])
  if (ended.length === 0) fail('not-found')
}
/** The application that a token belongs to, if it may still call. */
export async function findApplication(
  db: Db,
  token: string,
  now: number,
): Promise<{ id: ApplicationId; ownerId: PersonId; scopes: ApplicationScope[] } | null> {
  const row = await db.in(APPLICATION).one({ tokenHash: hashOf(token), endedAt: null }, { only: ['id', 'ownerId', 'scopes', 'usedAt'] })
  if (!row) return null
  if (now - (row.usedAt ?? 0) > USED_AGAIN_MS) await db.in(APPLICATION).update({ usedAt: now }, { id: row.id })
  return { id: row.id, ownerId: row.ownerId, scopes: row.scopes }
}

type Taken = { taken: number; refused: { at: number; id: string; why: 'unknown-person' }[] }
/** Takes what an application tells; what it has told already changes nothing. People are known by their personnel number, then by their mail address. */
export async function takeActs(db: Db, application: ApplicationId, acts: readonly Act[], now: number): Promise<Taken> {
  const people = await db.rows<{ said: string; id: PersonId }>(
    `select distinct on (a.said) a.said, p.id from unnest($1::text[]) a (said) join person p on p.active and (lower(p.number) = lower(a.said) or lower(p.mail) = lower(a.said))
     order by a.said, (lower(p.number) = lower(a.said)) is true desc, p.id`,
    [[...new Set(acts.map(({ person }) => person))]],
  )
  const of = new Map(people.map(({ said, id }) => [said, id]))
  const known = acts.flatMap(({ id, person, name, at }) => {
    const personId = of.get(person)
    return personId ? [{ id, person: personId, name, at: new Date(Math.min(at, now)) }] : []
  })
  await db.rows(
    `insert into told_act (application_id, id, person_id, name, at, received_at)
     select $1, x.id, x.person, x.name, x.at, $3 from jsonb_to_recordset($2::jsonb) as x (id text, person text, name text, at timestamptz) on conflict do nothing`,
    [application, JSON.stringify(known), new Date(now)],
  )
  return {
    taken: known.length,
    refused: acts.flatMap(({ id, person }, at) => (of.has(person) ? [] : [{ at, id, why: 'unknown-person' as const }])),
  }
}
/** The acts that were told of, by name. */
export const actNames = (db: Db): Promise<{ name: string; times: number }[]> =>
  db.rows('select name, count(*)::int as times from told_act group by name order by name limit 500')
