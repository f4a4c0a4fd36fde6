import type { NewId, PersonId } from '@jackdaw/core/shared'
import { createHash, randomBytes, randomInt } from 'node:crypto'
import type { Recorder, RecorderId } from '@jackdaw/contracts/recording'
import type { Db } from '../db'

/** Without signs that are mixed up when they are read out: 0 and O, 1, I and L. */
const SIGNS = '23456789ABCDEFGHJKMNPQRSTUVWXYZ'
const CODE_LENGTH = 8
const CODE_HOLDS_MS = 10 * 60_000
/** A pairing in use notes the time at most this often. */
const SEEN_AGAIN_MS = 60_000

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex')

/** Gives a code that pairs one browser with a person's account; one given before is void. */
export async function givePairingCode(db: Db, personId: PersonId, now: number): Promise<{ code: string; validUntil: number }> {
  const code = Array.from({ length: CODE_LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('')
  const validUntil = now + CODE_HOLDS_MS
  await db.rows('delete from pairing_code where valid_until <= $1', [new Date(now)])
  await db.rows(
    `insert into pairing_code (code_hash, person_id, valid_until) values ($1, $2, $3)
     on conflict (person_id) do update set code_hash = excluded.code_hash, valid_until = excluded.valid_until`,
    [hashOf(code), personId, new Date(validUntil)],
  )
  return { code: `${code.slice(0, 4)}-${code.slice(4)}`, validUntil }
}

/** Uses a code up.
 * @returns the token of the new pairing, which is kept here only as its hash; `null` when the code does not hold */
export async function pair(
  db: Db,
  newId: NewId,
  wish: { code: string; name: string },
  now: number,
): Promise<{ token: string; personId: PersonId } | null> {
  return db.transaction(async (tx) => {
    const used = await tx.one<{ person_id: PersonId }>(
      'delete from pairing_code where code_hash = $1 and valid_until > $2 returning person_id',
      [hashOf(wish.code), new Date(now)],
    )
    if (!used) return null
    const token = randomBytes(36).toString('base64url')
    await tx.rows('insert into recorder (id, person_id, name, token_hash, paired_at, seen_at) values ($1, $2, $3, $4, $5, $5)', [
      newId(),
      used.person_id,
      wish.name,
      hashOf(token),
      new Date(now),
    ])
    return { token, personId: used.person_id }
  })
}

/** The pairing that a token belongs to; `null` when it was ended. */
export async function findPairing(db: Db, token: string, now: number): Promise<{ id: RecorderId; personId: PersonId } | null> {
  const row = await db.one<{ id: RecorderId; person_id: PersonId; seen_at: Date }>(
    'select id, person_id, seen_at from recorder where token_hash = $1',
    [hashOf(token)],
  )
  if (!row) return null
  if (now - row.seen_at.getTime() > SEEN_AGAIN_MS) await db.rows('update recorder set seen_at = $2 where id = $1', [row.id, new Date(now)])
  return { id: row.id, personId: row.person_id }
}

export async function recordersOf(db: Db, personId: PersonId): Promise<Recorder[]> {
  const rows = await db.rows<{ id: RecorderId; name: string; paired_at: Date; seen_at: Date }>(
    'select id, name, paired_at, seen_at from recorder where person_id = $1 order by paired_at desc',
    [personId],
  )
  return rows.map((row) => ({ id: row.id, name: row.name, pairedAt: row.paired_at.getTime(), seenAt: row.seen_at.getTime() }))
}

/** @returns whether there was such a pairing of this person's */
export const endPairingOf = async (db: Db, personId: PersonId, id: RecorderId): Promise<boolean> =>
  (await db.rows('delete from recorder where id = $1 and person_id = $2 returning id', [id, personId])).length > 0
