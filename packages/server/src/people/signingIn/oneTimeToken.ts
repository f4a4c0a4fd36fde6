import { createHash, randomBytes } from 'node:crypto'
import type { PersonId } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../../db'
import { ONE_TIME_TOKEN } from '../model'

/** What a link in a mail lets one do, once. */
export type Purpose = 'stop-mails' | 'invitation' | 'new-password'
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** Makes a token for a link: whoever shows it may do this one thing for this person, once, until it expires. Only its hash is stored.
 * @param detail what exactly it is for, in the words of its purpose */
export async function issueToken(
  tx: Db,
  { purpose, personId, detail, expiresAt }: { purpose: Purpose; personId: PersonId; detail: string; expiresAt: number },
): Promise<string> {
  const token = randomBytes(24).toString('base64url')
  await tx.in(ONE_TIME_TOKEN).insert({ hash: hashOf(token), purpose, personId, detail, expiresAt })
  return token
}

/** Whom a token is for that somebody shows, without taking it; `null` when it does not hold (any more). */
export async function lookAtToken(db: Db, purpose: Purpose, token: string, now: number): Promise<PersonId | null> {
  const row = await db.in(ONE_TIME_TOKEN).one({ hash: hashOf(token), purpose, expiresAt: { [Op.gt]: now } })
  return row?.personId ?? null
}

/** Ends what was issued to somebody for a purpose. */
export const voidTokens = (tx: Db, purpose: Purpose, personId: PersonId): Promise<unknown> =>
  tx.in(ONE_TIME_TOKEN).remove({ purpose, personId })

/** Takes a token that somebody shows; it cannot be shown a second time.
 * @returns `null` when it never held, holds no more, or was used */
export async function redeemToken(
  tx: Db,
  purpose: Purpose,
  token: string,
  now: number,
): Promise<{ personId: PersonId; detail: string } | null> {
  const row = await tx.one<{ person_id: PersonId; detail: string; expires_at: Date }>(
    'delete from one_time_token where hash = $1 and purpose = $2 returning person_id, detail, expires_at',
    [hashOf(token), purpose],
  )
  return row && row.expires_at.getTime() > now ? { personId: row.person_id, detail: row.detail } : null
}

/** Forgets tokens that hold no more. */
export const forgetOldTokens = (db: Db, now: number): Promise<unknown> => db.in(ONE_TIME_TOKEN).remove({ expiresAt: { [Op.lte]: now } })
