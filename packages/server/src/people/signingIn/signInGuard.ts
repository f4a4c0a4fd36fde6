import { createHash } from 'node:crypto'
import { failuresAt, secondsToWait, SIGN_IN_LIMITS, type Counted } from '@jackdaw/core/people'
import { Op } from 'sequelize'
import type { Db } from '../../db'
import { SIGN_IN_FAILURE } from '../model'

const keyOf = (of: Counted, ...values: string[]): string =>
  `${of}:${createHash('sha256').update(JSON.stringify(values).toLowerCase()).digest('base64url')}`

/** Whose password is tried, from where, and on which known device of theirs, if any. */
export type Tried = { account: string; address: string; device: string | null }

/** What a try is counted for: on a known device only that. */
const countedFor = ({ account, address, device }: Tried): [Counted, string][] =>
  device === null
    ? [
        ['pair', keyOf('pair', account, address)],
        ['account', keyOf('account', account)],
        ['address', keyOf('address', address)],
      ]
    : [['device', keyOf('device', account, device)]]

/** Counts a try as failed before the password is looked at, so that tries at the same time on several servers all count. A try that has to
 * wait is not made and counts for nothing: nobody is kept out longer by the tries of others.
 * @returns seconds to wait, 0 when the try may be made */
export async function countTry(db: Db, tried: Tried, now: number): Promise<number> {
  const counted = countedFor(tried).sort(([, a], [, b]) => (a < b ? -1 : 1))
  const keys = counted.map(([, key]) => key)
  return db.transaction(async (tx) => {
    const failures = tx.in(SIGN_IN_FAILURE)
    await failures.insertAll(
      keys.map((key) => ({ key, failures: 0, lastAt: now })),
      { skip: true },
    )
    const rows = await failures.find({ key: keys }, { order: ['key'], lock: true })
    const found = new Map(rows.map((row) => [row.key, row]))
    const waits = counted.map(([of, key]) => {
      const row = found.get(key)
      return row ? secondsToWait(of, row.failures, row.lastAt, now) : 0
    })
    const waitS = Math.max(...waits)
    if (waitS > 0) return waitS
    for (const row of rows)
      await failures.update({ failures: failuresAt(row.failures, row.lastAt, now) + 1, lastAt: now }, { key: row.key })
    return 0
  })
}

/** Forgets the failures of an account from this address or device once its owner is in, and takes back what this one try had counted for
 * everything else. */
export async function forgiveTries(db: Db, tried: Tried): Promise<void> {
  const counted = countedFor(tried)
  const forgotten = counted.flatMap(([of, key]) => (of === 'pair' || of === 'device' ? [key] : []))
  const takenBack = counted.flatMap(([of, key]) => (of === 'account' || of === 'address' ? [key] : []))
  await db.in(SIGN_IN_FAILURE).remove({ key: forgotten })
  await db.rows('update sign_in_failure set failures = greatest(0, failures - 1) where key = any ($1)', [takenBack])
}

/** Forgets counts that hold no more. */
export const forgetOldTries = (db: Db, now: number): Promise<unknown> =>
  db.in(SIGN_IN_FAILURE).remove({ lastAt: { [Op.lte]: now - SIGN_IN_LIMITS.forgottenAfterMs } })
