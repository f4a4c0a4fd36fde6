import type { RefusedEvent } from '@jackdaw/contracts/reading'
import type { ItemRef } from '@jackdaw/core/items'
import type { GuestVisitId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { addGuestEvents } from './insert'
import { asNew, readEvents, type Taken } from './intake'
import type { SeenBy } from './seenBy'

type Edition = { edition: number; published_at: Date; parts: string[] }

/** Takes what happened while a guest read an item; each event for itself. All of it is claimed, and none of it is anybody's progress.
 * @param visit of whom it is told, with what they came to see and the zone by which days are counted */
export async function takeGuestEvents(
  db: Db,
  visit: { id: GuestVisitId; item: ItemRef; zone: string; seen: SeenBy },
  batch: { sentAt: number; events: readonly unknown[] },
  now: number,
): Promise<Taken> {
  const { placed, refused } = readEvents(batch.events)
  const { item } = visit
  const numbers = [...new Set(placed.map(({ event }) => event.edition))]
  const rows = await db.rows<Edition>(
    `select e.number as edition, e.published_at, array(select p.part_id from edition_part p where p.item_kind = e.item_kind and p.item_id = e.item_id and p.edition = e.number) as parts
     from edition e where e.item_kind = $1 and e.item_id = $2 and e.number = any ($3::int[])`,
    [item.kind, item.id, numbers],
  )
  const known = new Map(rows.map((row) => [row.edition, { publishedAt: row.published_at.getTime(), parts: new Set(row.parts) }]))
  const good = []
  for (const { at, event } of placed) {
    const refuse = (why: RefusedEvent['why']) => refused.push({ at, id: event.id, why })
    const edition = known.get(event.edition)
    if (event.item.kind !== item.kind || event.item.id !== item.id || event.way !== 'read') refuse('unknown-guide')
    else if (!edition) refuse('unknown-edition')
    else if (event.part !== undefined && !edition.parts.has(event.part)) refuse('unknown-step')
    else good.push(asNew({ event, known: edition }, batch.sentAt, now))
  }
  await addGuestEvents(db, { visit: visit.id, zone: visit.zone, now, seen: visit.seen }, good)
  return { taken: good.length, refused: refused.sort((a, b) => a.at - b.at) }
}
