import type { ItemRef } from '@jackdaw/core/items'
import type { Db } from '../db'

const keyOf = (kind: string, id: string): string => `hashtextextended(${kind} || ' ' || ${id}, 16)`

/** Has whoever gives an item to many wait for one another, until the end of the transaction, and for those who give some people what their audiences are given. To be
 * asked for before anything else of the item is locked: lines that come about meanwhile could not be locked in order else. */
export const lockItem = (tx: Db, { kind, id }: ItemRef): Promise<unknown> =>
  tx.rows(`select pg_advisory_xact_lock(${keyOf('$1::text', '$2::text')})`, [kind, id])

/** Has whoever gives something to a few people wait for those who give one of the items to many; not for one another.
 * @param items a query for columns `kind` and `id` */
export const shareItems = (tx: Db, items: string, bind: unknown[]): Promise<unknown> =>
  tx.rows(
    `select pg_advisory_xact_lock_shared(x.key) from (select distinct ${keyOf('i.kind', 'i.id')} as key from (${items}) i order by 1) x`,
    bind,
  )
