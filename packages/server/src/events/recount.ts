import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { EventRules, RollUp } from '../eventRules'
import { countAllPartsSeen, countPartsSeenBy } from '../items'

/** Throws what was counted away and counts every event anew. New events wait until it is done.
 * @param progress is told how much of it is done, outside of the transaction */
export async function recount(
  db: Db,
  { rollUps }: Pick<EventRules, 'rollUps'>,
  progress: (done: number, of: number) => Promise<void> = async () => undefined,
): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.rows('lock table event in share mode')
    await tx.rows(
      `truncate ${rollUps.flatMap(({ table, derive }) => [table, ...(derive?.keeps === undefined ? [] : [derive.keeps])]).join(', ')}`,
    )
    for (const [done, { count }] of rollUps.entries()) {
      await progress(done, rollUps.length + 1)
      await tx.rows(count('event_counted'))
    }
    await progress(rollUps.length, rollUps.length + 1)
    // What is derived joins what has just been counted: how much that is has to be known first.
    await tx.rows(`analyze ${rollUps.map(({ table }) => table).join(', ')}`)
    for (const { derive } of rollUps) if (derive) await tx.rows(derive.sql('true'))
    await countAllPartsSeen(tx)
  })
}

/** All that happened to a person: found by the items that they used, and one more. */
const ALL_OF_PERSON = `(select * from event_counted where subject_kind = 'person' and subject_id = $1
  and item_id = any (array(select item_id from item_progress where person_id = $1 union select $2))) told`
/** The same of one person and item: after something of it was amended. */
export async function countAnew(tx: Db, rollUps: readonly RollUp[], personId: PersonId, { kind, id }: ItemRef): Promise<void> {
  for (const { table, ofPersonAndItem, count } of rollUps) {
    if (ofPersonAndItem === null) {
      await tx.rows(`delete from ${table} where person_id = $1`, [personId])
      await tx.rows(count(ALL_OF_PERSON), [personId, id])
      continue
    }
    await tx.rows(`delete from ${table} where ${ofPersonAndItem}`, [kind, id, personId])
    await tx.rows(count(`(select * from event_counted where item_kind = $1 and item_id = $2 and subject_id = $3) told`), [
      kind,
      id,
      personId,
    ])
  }
  for (const { derive } of rollUps)
    if (derive) await tx.rows(derive.sql('s.item_kind = $1 and s.item_id = $2 and s.person_id = $3'), [kind, id, personId])
  await countPartsSeenBy(tx, personId, [id])
}
