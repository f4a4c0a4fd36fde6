import { createHash } from 'node:crypto'
import type { OwnSession } from '@jackdaw/contracts/account'
import type { PersonId } from '@jackdaw/core/shared'
import type { Request } from 'express'
import { newCsrfToken } from '../../http'
import type { Db } from '../../db'
import { browserWords } from './browserWords'

const inSession = (req: Request, method: 'regenerate' | 'save' | 'destroy'): Promise<void> =>
  new Promise((resolve, reject) => req.session[method]((error?: Error) => (error ? reject(error) : resolve())))

/** Begins a session of somebody's in this browser. @returns what gives its requests force */
export async function beginSession(req: Request, personId: PersonId, now: number): Promise<string> {
  await inSession(req, 'regenerate')
  const csrf = newCsrfToken()
  const browser = browserWords(req.headers['user-agent']?.slice(0, 500) ?? '')
  Object.assign(req.session, { personId, csrf, renewedAt: now, startedAt: now, browser })
  await inSession(req, 'save')
  return csrf
}
/** Ends this session. */
export const endSession = (req: Request): Promise<void> => inSession(req, 'destroy')

/** By what a session is told apart without giving away what opens it. */
const nameOf = (sid: string): string => createHash('sha256').update(sid).digest('base64url').slice(0, 21)

/** The sessions of somebody that hold, the present one first. */
export async function sessionsOf(db: Db, personId: PersonId, present: string, now: number): Promise<OwnSession[]> {
  const rows = await db.rows<{ sid: string; sess: { browser?: string; startedAt?: number; renewedAt?: number } }>(
    "select sid, sess from session where sess ->> 'personId' = $1 and expire > $2 order by sid = $3 desc, (sess ->> 'renewedAt')::bigint desc",
    [personId, new Date(now), present],
  )
  return rows.map(({ sid, sess }) => ({
    id: nameOf(sid),
    browser: sess.browser ?? '',
    startedAt: sess.startedAt ?? sess.renewedAt ?? now,
    usedAt: sess.renewedAt ?? now,
    current: sid === present,
  }))
}

/** Ends sessions of somebody: one, or all but the present one. @returns how many */
export async function endSessions(db: Db, personId: PersonId, present: string | null, id?: string): Promise<number> {
  const rows = await db.rows<{ sid: string }>("select sid from session where sess ->> 'personId' = $1", [personId])
  const ended = rows.map(({ sid }) => sid).filter((sid) => (id === undefined ? sid !== present : nameOf(sid) === id))
  if (ended.length > 0) await db.rows('delete from session where sid = any ($1)', [ended])
  return ended.length
}
