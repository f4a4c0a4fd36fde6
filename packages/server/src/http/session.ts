import { randomBytes, timingSafeEqual } from 'node:crypto'
import connectPgSimple from 'connect-pg-simple'
import type { RequestHandler } from 'express'
import session from 'express-session'
import pg from 'pg'
import type { Logger } from 'pino'
import type { PersonId } from '@jackdaw/core/shared'
import type { Config } from '../config'
import { fail } from './fail'

declare module 'express-session' {
  interface SessionData {
    personId: PersonId
    csrf: string
    /** Epoch milliseconds; the session is written anew, and so lives on, once an hour. */
    renewedAt: number
    /** When it began, epoch milliseconds, and by which browser. */
    startedAt: number
    browser: string
  }
}

const LIFE_MS = 7 * 86_400_000
const RENEW_AFTER_MS = 3_600_000

/** Sessions kept in PostgreSQL, so that any server can go on with them. */
export function sessions(config: Config, log: Logger): { handler: RequestHandler; close: () => Promise<void> } {
  const pool = new pg.Pool({ connectionString: config.databaseUrl, max: 4, application_name: 'jackdaw-sessions' })
  // A lost connection is replaced by the pool; the request that needs one fails by itself.
  pool.on('error', (error) => log.warn({ reason: error.message }, 'a connection for sessions was lost'))
  const Store = connectPgSimple(session)
  const store = new Store({
    pool,
    tableName: 'session',
    disableTouch: true,
    pruneSessionInterval: false,
    errorLog: (...words: unknown[]) => log.warn({ reason: words.map(String).join(' ').slice(0, 300) }, 'sessions'),
  })
  const handler = session({
    store,
    secret: config.sessionSecret,
    name: 'jackdaw',
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: 'lax', secure: config.https, maxAge: LIFE_MS, path: '/' },
  })
  return {
    handler,
    close: async () => {
      store.close()
      await pool.end()
    },
  }
}

export const newCsrfToken = (): string => randomBytes(24).toString('base64url')

/** Lets a session that is in use live on. */
export const renewal =
  (clock: () => number): RequestHandler =>
  (req, _res, next) => {
    if (req.session?.personId && clock() - (req.session.renewedAt ?? 0) > RENEW_AFTER_MS) req.session.renewedAt = clock()
    next()
  }

const CHANGING = new Set(['POST', 'PUT', 'PATCH', 'DELETE'])

function sameToken(given: unknown, expected: string | undefined): boolean {
  if (typeof given !== 'string' || !expected) return false
  const [a, b] = [Buffer.from(given), Buffer.from(expected)]
  return a.length === b.length && timingSafeEqual(a, b)
}

/** Refuses changes that another site makes in the name of a signed-in person: by the browser's own word on where the request
 * comes from, and by a token that only our pages have. */
export const csrfGuard: RequestHandler = (req, _res, next) => {
  if (!CHANGING.has(req.method)) return next()
  // Recorders show a token that no other site can send for them; their requests carry no session.
  if (req.path.startsWith('/api/recorder/')) return next()
  // So do applications that are connected.
  if (req.path.startsWith('/api/connected/')) return next()
  // So do guests, with the token of their link.
  if (req.path.startsWith('/api/shared/')) return next()
  const origin = req.headers.origin
  const site = req.headers['sec-fetch-site']
  if (site === 'cross-site' || site === 'same-site') fail('stale-page', 'The request came from another site.')
  if (origin !== undefined) {
    const host = URL.canParse(origin) ? new URL(origin).host : ''
    if (host !== req.headers.host) fail('stale-page', 'The request came from another site.')
  }
  if (
    req.session?.personId &&
    !(req.method === 'POST' && req.path === '/api/session') &&
    !sameToken(req.headers['x-csrf-token'], req.session.csrf)
  )
    fail('stale-page', 'Load the page again and repeat what you did.')
  next()
}
