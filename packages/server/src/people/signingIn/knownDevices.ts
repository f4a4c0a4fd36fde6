import { createHash, randomBytes } from 'node:crypto'
import type { PersonId } from '@jackdaw/core/shared'
import type { Request, Response } from 'express'
import { Op } from 'sequelize'
import type { Db } from '../../db'
import { KNOWN_DEVICE } from '../model'

const COOKIE = 'jackdaw-device'
const YEAR_MS = 365 * 86_400_000
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** The sign of a browser on which somebody has signed in before; `null` when it shows none. */
function tokenIn(req: Request): string | null {
  const found = new RegExp(`(?:^|;\\s*)${COOKIE}=([A-Za-z0-9_-]{32})(?:;|$)`).exec(req.headers.cookie ?? '')
  return found?.[1] ?? null
}

/** The hash of the browser's sign when the owner of this account has signed in with it before; `null` otherwise. */
export async function knownDevice(db: Db, req: Request, account: string, now: number): Promise<string | null> {
  const token = tokenIn(req)
  if (!token) return null
  const row = await db.one<{ hash: string }>(
    'select d.hash from known_device d join person p on p.id = d.person_id where d.hash = $1 and (lower(p.mail) = lower($2) or lower(p.number) = lower($2)) and d.seen_at > $3',
    [hashOf(token), account, new Date(now - YEAR_MS)],
  )
  return row?.hash ?? null
}

/** Remembers that somebody has signed in with this browser, for a year from the last time. */
export async function rememberDevice(db: Db, req: Request, res: Response, personId: PersonId, https: boolean, now: number): Promise<void> {
  const token = tokenIn(req) ?? randomBytes(24).toString('base64url')
  await db.in(KNOWN_DEVICE).insertAll([{ hash: hashOf(token), personId, seenAt: now }], { inPlaceOf: ['seenAt'] })
  res.cookie(COOKIE, token, { httpOnly: true, sameSite: 'lax', secure: https, maxAge: YEAR_MS, path: '/api/session' })
}

/** Forgets browsers with which nobody has signed in for a year. */
export const forgetOldDevices = (db: Db, now: number): Promise<unknown> =>
  db.in(KNOWN_DEVICE).remove({ seenAt: { [Op.lte]: now - YEAR_MS } })
