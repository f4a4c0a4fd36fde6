import { isVouchedFor } from '@jackdaw/core/events'
import { ITEM_KINDS, type ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../db'
import type { EventRules, KnownEdition } from '../eventRules'
import { EDITION_GIVEN } from './model'

/** An edition of an item. */
type Given = { item: ItemRef; edition: number }
/** Notes that editions have been given to somebody, where that is not noted yet. */
export async function noteGiven(db: Db, personId: PersonId, editions: readonly Given[], now: number): Promise<void> {
  const rows = editions.map(({ item, edition }) => ({ itemKind: item.kind, itemId: item.id, personId, edition, givenAt: now }))
  await db
    .in(EDITION_GIVEN)
    .insertAll([...new Map(rows.map((row) => [`${row.itemKind} ${row.itemId} ${row.edition}`, row])).values()], { skip: true })
}

type Row = { least_ms: number; active_ms: number; is_last: boolean }

/** Whether what the server itself knows agrees with somebody's having gone through an edition; see `isVouchedFor`. Of an item with branches,
 * the parts that were seen count, and of what is done again and again those of the present round. */
export async function canVouchFor(
  tx: Db,
  { verbs }: EventRules,
  personId: PersonId,
  { item: { kind, id }, edition, required }: KnownEdition,
  now: number,
): Promise<boolean> {
  const seeing = Object.keys(verbs).filter((name) => verbs[name]!.marks === 'seen')
  const first = await tx
    .in(EDITION_GIVEN)
    .one(
      { itemKind: kind, itemId: id, personId, edition: { [Op.between]: [required, edition] } },
      { only: ['givenAt'], order: ['givenAt'] },
    )
  const parts = await tx.rows<Row>(
    `with told as (
       select part_id, sum(active_ms)::float8 as active_ms, max(occurred_at) filter (where verb = any ($6)) as seen_at from event_counted
       where item_kind = $1 and item_id = $2 and subject_id = $3 and way = any ($7) and edition between $4 and $5 and part_id is not null
         and occurred_at >= coalesce((select a.round_from from assignment a where a.item_kind = $1 and a.item_id = $2 and a.person_id = $3), '-infinity') group by part_id)
     select x.least_ms, t.active_ms, t.seen_at = max(t.seen_at) over () as is_last
     from told t join edition_part x on x.item_kind = $1 and x.item_id = $2 and x.edition = $5 and x.part_id = t.part_id where t.seen_at is not null`,
    [kind, id, personId, required, edition, seeing, [...ITEM_KINDS[kind].ways]],
  )
  const read = parts.map((row) => ({ leastMs: row.least_ms, activeMs: row.active_ms, isLast: row.is_last }))
  return isVouchedFor({
    givenAt: first?.givenAt ?? null,
    receivedAt: now,
    steps: read,
    last: read.find((part) => part.isLast) ?? null,
  })
}
