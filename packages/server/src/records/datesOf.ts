import type { ItemRef } from '@jackdaw/core/items'
import type { Dates } from '@jackdaw/core/records'
import { rankParam } from '../items'
import type { Db } from '../db'
import { isEverybody, type Among } from '../people'
import { RANK, standingOfItemSql, standingParams } from './standing'

/** When each person was given an item, began it, and finished it in an edition that counts. */
export async function datesOf(db: Db, { kind, id }: ItemRef, among: Among, now: number): Promise<Dates[]> {
  const columns = `a.assigned_at as given, r.started_at as begun, case when ${RANK} = ${rankParam('done')} then r.finished_at end as done`
  const rows = await db.rows<Record<keyof Dates, Date | null>>(standingOfItemSql(columns, isEverybody(among)), [
    ...standingParams(among, now),
    kind,
    id,
  ])
  const instant = (at: Date | null) => at?.getTime() ?? null
  return rows.map(({ given, begun, done }) => ({ given: instant(given), begun: instant(begun), done: instant(done) }))
}
