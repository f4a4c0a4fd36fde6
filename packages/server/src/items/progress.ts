import type { ItemId, ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import { PART_PROGRESS } from './model'

/** Which parts of an item somebody has gone through, acknowledged and confirmed in an edition that counts. */
export type PartsDone = Record<'seen' | 'acknowledged' | 'confirmed', Set<string>>

/** The parts that somebody has done. @param required the oldest edition that counts */
export async function partsDone(db: Db, { kind, id }: ItemRef, personId: PersonId, required: number): Promise<PartsDone> {
  const rows = await db
    .in(PART_PROGRESS)
    .find({ itemKind: kind, itemId: id, personId }, { only: ['partId', 'seenEdition', 'acknowledgedEdition', 'confirmedEdition'] })
  const where = (key: 'seenEdition' | 'acknowledgedEdition' | 'confirmedEdition') =>
    new Set(rows.flatMap((row) => ((row[key] ?? 0) >= required ? [row.partId] : [])))
  return { seen: where('seenEdition'), acknowledged: where('acknowledgedEdition'), confirmed: where('confirmedEdition') }
}

const PARTS_SEEN = `
  update item_progress r set parts_seen = t.seen from (
    select r.item_kind, r.item_id, r.person_id, count(s.part_id)::int as seen
    from item_progress r join item i on i.kind = r.item_kind and i.id = r.item_id
    left join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition
    left join part_progress s on s.item_kind = x.item_kind and s.item_id = x.item_id and s.person_id = r.person_id and s.part_id = x.part_id
      and s.seen_edition >= i.required_edition`
const WHERE_OTHER = `group by r.item_kind, r.item_id, r.person_id) t
  where r.item_kind = t.item_kind and r.item_id = t.item_id and r.person_id = t.person_id and r.parts_seen <> t.seen`

/** Counts anew how many parts of the newest edition people have gone through: after an edition was published. */
export const countPartsSeen = (tx: Db, { kind, id }: ItemRef): Promise<unknown> =>
  tx.rows(`${PARTS_SEEN} where r.item_kind = $1 and r.item_id = $2 ${WHERE_OTHER}`, [kind, id])
/** The same of some items of one person: after they went on. */
export const countPartsSeenBy = (tx: Db, personId: PersonId, ids: readonly ItemId[]): Promise<unknown> =>
  tx.rows(keepPlan('parts-seen-by', `${PARTS_SEEN} where r.person_id = $1 and r.item_id = any ($2) ${WHERE_OTHER}`), [personId, [...ids]])
/** The same of everything: when all is counted anew. */
export const countAllPartsSeen = (tx: Db): Promise<unknown> => tx.rows(`${PARTS_SEEN} ${WHERE_OTHER}`)
