import type { ItemId, ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'

/** Which parts of an item somebody has gone through, acknowledged and confirmed in an edition that counts. */
export type PartsDone = Record<'seen' | 'acknowledged' | 'confirmed', Set<string>>

/** Whether something was done to a part, row `s` of `part_progress`, in an edition that counts and in the present round of the line `a` of `assignment`, which may
 * be missing; as SQL. @param required the oldest edition that counts */
export const partDoneSql = (what: keyof PartsDone, required: string): string =>
  `s.${what}_edition >= ${required} and (a.round_from is null or s.${what}_at >= a.round_from)`

/** The parts that somebody has done. @param required the oldest edition that counts */
export async function partsDone(db: Db, { kind, id }: ItemRef, personId: PersonId, required: number): Promise<PartsDone> {
  const rows = await db.rows<Record<keyof PartsDone, boolean> & { part: string }>(
    `select s.part_id as part, ${(['seen', 'acknowledged', 'confirmed'] as const).map((what) => `coalesce(${partDoneSql(what, '$4')}, false) as ${what}`).join(', ')}
     from part_progress s left join assignment a on a.item_kind = s.item_kind and a.item_id = s.item_id and a.person_id = s.person_id
     where s.item_kind = $1 and s.item_id = $2 and s.person_id = $3`,
    [kind, id, personId, required],
  )
  const where = (what: keyof PartsDone) => new Set(rows.flatMap((row) => (row[what] ? [row.part] : [])))
  return { seen: where('seen'), acknowledged: where('acknowledged'), confirmed: where('confirmed') }
}

const PARTS_SEEN = `
  update item_progress r set parts_seen = t.seen from (
    select r.item_kind, r.item_id, r.person_id, count(s.part_id)::int as seen
    from item_progress r join item i on i.kind = r.item_kind and i.id = r.item_id
    left join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition
    left join assignment a on a.item_kind = r.item_kind and a.item_id = r.item_id and a.person_id = r.person_id
    left join part_progress s on s.item_kind = x.item_kind and s.item_id = x.item_id and s.person_id = r.person_id and s.part_id = x.part_id
      and ${partDoneSql('seen', 'i.required_edition')}`
const WHERE_OTHER = `group by r.item_kind, r.item_id, r.person_id) t
  where r.item_kind = t.item_kind and r.item_id = t.item_id and r.person_id = t.person_id and r.parts_seen <> t.seen`

/** Counts anew how many parts of the newest edition people have gone through: after an edition was published. */
export const countPartsSeen = (tx: Db, { kind, id }: ItemRef): Promise<unknown> =>
  tx.rows(`${PARTS_SEEN} where r.item_kind = $1 and r.item_id = $2 ${WHERE_OTHER}`, [kind, id])
/** The same of some items of one person: after they went on. */
export const countPartsSeenBy = (tx: Db, personId: PersonId, ids: readonly ItemId[]): Promise<unknown> =>
  tx.rows(keepPlan('parts-seen-by', `${PARTS_SEEN} where r.person_id = $1 and r.item_id = any ($2) ${WHERE_OTHER}`), [personId, [...ids]])
/** The same of those to whom lines of `assignment` belong: after a new round began. */
export const countPartsSeenOf = (tx: Db, lines: readonly string[]): Promise<unknown> =>
  tx.rows(`${PARTS_SEEN} where a.id = any ($1) ${WHERE_OTHER}`, [[...lines]])
/** The same of everything: when all is counted anew. */
export const countAllPartsSeen = (tx: Db): Promise<unknown> => tx.rows(`${PARTS_SEEN} ${WHERE_OTHER}`)
