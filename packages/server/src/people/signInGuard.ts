import { createHash } from 'node:crypto'
import { secondsToWait, SIGN_IN_LIMITS } from '@jackdaw/core/people'
import type { Db } from '../db'

const keyOf = (kind: 'mail' | 'address', value: string): string =>
  `${kind}:${createHash('sha256').update(value.toLowerCase()).digest('base64url')}`
export type Tried = { mail: string; address: string }

/** Counts a try before the password is looked at, so that tries at the same time on several servers all count.
 * @returns seconds to wait, 0 when the try may be made */
export async function countTry(db: Db, tried: Tried, now: number): Promise<number> {
  const waits: number[] = []
  for (const [key, limit] of [
    [keyOf('mail', tried.mail), SIGN_IN_LIMITS.perMail],
    [keyOf('address', tried.address), SIGN_IN_LIMITS.perAddress],
  ] as const) {
    const row = await db.one<{ failures: number; window_started_at: Date }>(
      `insert into sign_in_failure as f (key, failures, window_started_at) values ($1, 1, $2)
       on conflict (key) do update set
         failures = case when f.window_started_at <= $3 then 1 else f.failures + 1 end,
         window_started_at = case when f.window_started_at <= $3 then $2 else f.window_started_at end
       returning failures, window_started_at`,
      [key, new Date(now), new Date(now - SIGN_IN_LIMITS.windowMs)],
    )
    waits.push(secondsToWait(row!.failures - 1, row!.window_started_at.getTime(), limit, now))
  }
  return Math.max(...waits)
}

/** Forgets the failures of a mail address once its owner is in, and takes back the try that was counted for the network address. */
export async function forgiveTries(db: Db, tried: Tried): Promise<void> {
  await db.rows('delete from sign_in_failure where key = $1', [keyOf('mail', tried.mail)])
  await db.rows('update sign_in_failure set failures = greatest(0, failures - 1) where key = $1', [keyOf('address', tried.address)])
}

/** Forgets counts whose window is over. */
export const forgetOldTries = (db: Db, now: number): Promise<unknown> =>
  db.rows('delete from sign_in_failure where window_started_at <= $1', [new Date(now - SIGN_IN_LIMITS.windowMs)])
