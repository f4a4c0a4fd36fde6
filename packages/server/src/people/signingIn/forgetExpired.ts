import type { Db } from '../../db'
import { forgetOldDevices } from './knownDevices'
import { forgetOldTokens } from './oneTimeToken'
import { forgetOldTries } from './signInGuard'

/** Forgets what has expired: sessions, devices on which nobody has signed in for a year, counts of tries, links that were for one use. */
export async function forgetExpired(db: Db, now: number): Promise<void> {
  await db.rows('delete from session where expire <= $1', [new Date(now)])
  await forgetOldDevices(db, now)
  await forgetOldTries(db, now)
  await forgetOldTokens(db, now)
}
