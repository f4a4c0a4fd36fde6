import type { NewId, PersonId } from '@jackdaw/core/shared'
import { createHash, randomBytes, randomInt } from 'node:crypto'
import type { Recorder, RecorderId } from '@jackdaw/contracts/recording'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { PERSON } from '../people'
import { PAIRING_CODE, RECORDER } from './model'

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
  await db.in(PAIRING_CODE).remove({ validUntil: { [Op.lte]: now } })
  await db.transaction(async (tx) => {
    await tx.in(PERSON).one({ id: personId }, { only: ['id'], lock: true })
    await tx.in(PAIRING_CODE).remove({ personId })
    await tx.in(PAIRING_CODE).insert({ codeHash: hashOf(code), personId, validUntil })
  })
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
    const code = { codeHash: hashOf(wish.code), validUntil: { [Op.gt]: now } }
    const used = await tx.in(PAIRING_CODE).one(code, { lock: true })
    if (!used) return null
    await tx.in(PAIRING_CODE).remove(code)
    const token = randomBytes(36).toString('base64url')
    const { personId } = used
    await tx.in(RECORDER).insert({ id: newId(), personId, name: wish.name, tokenHash: hashOf(token), pairedAt: now, seenAt: now })
    return { token, personId }
  })
}

/** The pairing that a token belongs to; `null` when it was ended. */
export async function findPairing(db: Db, token: string, now: number): Promise<{ id: RecorderId; personId: PersonId } | null> {
  const row = await db.in(RECORDER).one({ tokenHash: hashOf(token) }, { only: ['id', 'personId', 'seenAt'] })
  if (!row) return null
  if (now - row.seenAt > SEEN_AGAIN_MS) await db.in(RECORDER).update({ seenAt: now }, { id: row.id })
  return { id: row.id, personId: row.personId }
}

export const recordersOf = (db: Db, personId: PersonId): Promise<Recorder[]> =>
  db.in(RECORDER).find({ personId }, { only: ['id', 'name', 'pairedAt', 'seenAt'], order: [['pairedAt', 'DESC']] })

/** @returns whether there was such a pairing of this person's */
export const endPairingOf = async (db: Db, personId: PersonId, id: RecorderId): Promise<boolean> =>
  (await db.in(RECORDER).remove({ id, personId })) > 0
