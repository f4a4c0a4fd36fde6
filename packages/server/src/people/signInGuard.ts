import { createHash } from 'node:crypto'
import { failuresAt, secondsToWait, SIGN_IN_LIMITS, type Counted } from '@jackdaw/core/people'
import type { Db } from '../db'

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

type Row = { key: string; failures: number; last_at: Date }

/** Counts a try as failed before the password is looked at, so that tries at the same time on several servers all count. A try that has to
 * wait is not made and counts for nothing: nobody is kept out longer by the tries of others.
 * @returns seconds to wait, 0 when the try may be made */
export async function countTry(db: Db, tried: Tried, now: number): Promise<number> {
  const counted = countedFor(tried).sort(([, a], [, b]) => (a < b ? -1 : 1))
  const keys = counted.map(([, key]) => key)
  return db.transaction(async (tx) => {
    await tx.rows(
      'insert into sign_in_failure (key, failures, last_at) select k, 0, $2 from unnest($1::text[]) k order by k on conflict (key) do nothing',
      [keys, new Date(now)],
    )
    const rows = await tx.rows<Row>('select key, failures, last_at from sign_in_failure where key = any ($1) order by key for update', [
      keys,
    ])
    const found = new Map(rows.map((row) => [row.key, row]))
    const waits = counted.map(([of, key]) => {
      const row = found.get(key)
      return row ? secondsToWait(of, row.failures, row.last_at.getTime(), now) : 0
    })
    const waitS = Math.max(...waits)
    if (waitS > 0) return waitS
    for (const row of rows)
      await tx.rows('update sign_in_failure set failures = $2, last_at = $3 where key = $1', [
        row.key,
        failuresAt(row.failures, row.last_at.getTime(), now) + 1,
        new Date(now),
      ])
    return 0
  })
}

/** Forgets the failures of an account from this address or device once its owner is in, and takes back what this one try had counted for
 * everything else. */
export async function forgiveTries(db: Db, tried: Tried): Promise<void> {
  const counted = countedFor(tried)
  const forgotten = counted.flatMap(([of, key]) => (of === 'pair' || of === 'device' ? [key] : []))
  const takenBack = counted.flatMap(([of, key]) => (of === 'account' || of === 'address' ? [key] : []))
  await db.rows('delete from sign_in_failure where key = any ($1)', [forgotten])
  await db.rows('update sign_in_failure set failures = greatest(0, failures - 1) where key = any ($1)', [takenBack])
}

/** Forgets counts that hold no more. */
export const forgetOldTries = (db: Db, now: number): Promise<unknown> =>
  db.rows('delete from sign_in_failure where last_at <= $1', [new Date(now - SIGN_IN_LIMITS.forgottenAfterMs)])
