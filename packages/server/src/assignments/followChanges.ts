import type { DueRule } from '@jackdaw/core/assignments'
import type { AudienceRule } from '@jackdaw/core/audiences'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Telling } from '../inbox'
import { assign } from './assign'
import { tellReaders } from './tellReaders'

/** Brings the assignments of every item up to date after people joined or left groups. */
export async function followChanges(db: Db, telling: Telling, by: PersonId, now: number): Promise<void> {
  const rows = await db.rows<{ kind: ItemKind; id: ItemId; rule: AudienceRule; due: DueRule }>(
    'select i.kind, i.id, x.rule, x.due from item_audience x join item i on i.kind = x.item_kind and i.id = x.item_id where i.edition is not null and i.archived_at is null',
  )
  for (const { kind, id, rule, due } of rows)
    await db.transaction(async (tx) => {
      const item = itemRefOf(kind, id)
      const assigned = await assign(tx, telling.newId, { item, audience: rule, due, by, now, renewFor: new Set() })
      await tellReaders(tx, telling, item, assigned, by, now)
    })
}
