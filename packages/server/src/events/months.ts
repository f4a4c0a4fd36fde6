import { localDateAt } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** Has a table for the events of each month up to the third from now; what waits in the rest for its month is laid there, and is the same event under the same
 * id as before. Nobody waits for it for longer than that
 * takes. Then lets the database know how much there is of all months together, which it does not find out by itself.
 * @param db not in a transaction, which would keep others waiting to its end
 * @param now epoch milliseconds */
export async function keepEventMonths(db: Db, now: number): Promise<void> {
  await db.rows('select keep_event_months($1::date)', [localDateAt(now, 'UTC')])
  await db.rows('analyze event')
}
