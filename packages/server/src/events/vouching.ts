import { isVouchedFor } from '@jackdaw/core/events'
import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** An edition of an item. */
type Given = { item: ItemRef; edition: number }
/** Notes that editions have been given to somebody, where that is not noted yet. */
export async function noteGiven(db: Db, personId: PersonId, editions: readonly Given[], now: number): Promise<void> {
  if (editions.length === 0) return
  await db.rows(
    `insert into edition_given (item_kind, item_id, edition, person_id, given_at)
     select distinct e.kind, e.id, e.edition, $1, $5::timestamptz from unnest($2::text[], $3::text[], $4::int[]) as e (kind, id, edition) on conflict do nothing`,
    [
      personId,
      editions.map(({ item }) => item.kind),
      editions.map(({ item }) => item.id),
      editions.map((each) => each.edition),
      new Date(now),
    ],
  )
}

type Row = { least_ms: number; active_ms: number; is_last: boolean }

/** Whether what the server itself knows agrees with somebody's having gone through an edition; see `isVouchedFor`. Of an item with branches,
 * the parts that were seen count. */
export async function canVouchFor(
  tx: Db,
  personId: PersonId,
  { kind, id }: ItemRef,
  { edition, required }: { edition: number; required: number },
  now: number,
): Promise<boolean> {
  const given = await tx.one<{ at: Date | null }>(
    'select min(given_at) as at from edition_given where item_kind = $1 and item_id = $2 and person_id = $3 and edition between $4 and $5',
    [kind, id, personId, required, edition],
  )
  const parts = await tx.rows<Row>(
    `with told as (
       select step_id, sum(active_ms)::float8 as active_ms, max(occurred_at) filter (where verb = 'step-viewed') as viewed_at from event
       where item_kind = $1 and item_id = $2 and subject_id = $3 and way = 'read' and edition between $4 and $5 and step_id is not null group by step_id)
     select x.least_ms, t.active_ms, t.viewed_at = max(t.viewed_at) over () as is_last
     from told t join edition_part x on x.item_kind = $1 and x.item_id = $2 and x.edition = $5 and x.part_id = t.step_id where t.viewed_at is not null`,
    [kind, id, personId, required, edition],
  )
  const read = parts.map((row) => ({ leastMs: row.least_ms, activeMs: row.active_ms, isLast: row.is_last }))
  return isVouchedFor({
    givenAt: given?.at?.getTime() ?? null,
    receivedAt: now,
    steps: read,
    last: read.find((part) => part.isLast) ?? null,
  })
}
