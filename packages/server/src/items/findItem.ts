import { itemRefOf, type ItemId, type ItemRef } from '@jackdaw/core/items'
import type { Db } from '../db'
import { fail } from '../http'
import { ITEM } from './model'

/** The item of an id, of whatever kind it is; `null` when there is none. */
export async function findItem(db: Db, id: ItemId): Promise<ItemRef | null> {
  const row = await db.in(ITEM).one({ id }, { only: ['kind', 'id'] })
  return row ? itemRefOf(row.kind, row.id) : null
}
/** The same of one for which rights have been asked, and that is there therefore.
 * @throws `not-found` when it has gone meanwhile */
export const knownItem = async (db: Db, id: ItemId): Promise<ItemRef> => (await findItem(db, id)) ?? fail('not-found')
