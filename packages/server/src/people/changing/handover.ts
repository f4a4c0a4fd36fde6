import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import type { HandOver, Parts } from '../../http'
import { HANDOVER } from '../model'

/** How much somebody has that can be handed over, by kind. */
export async function holdingsOf(parts: Parts, db: Db, id: PersonId): Promise<Record<string, number>> {
  const counts: Record<string, number> = {}
  for (const each of parts.handOvers) counts[each.kind] = (await each.heldBy(db, id)).length
  return counts
}

const pass = async (tx: Db, of: HandOver, things: readonly string[], from: PersonId, to: PersonId): Promise<string[]> =>
  things.length === 0 ? [] : of.pass(tx, things, from, to)

/** Hands over all that somebody has, and remembers what it was.
 * @returns how much, by kind */
export async function handOver(tx: Db, parts: Parts, from: PersonId, to: PersonId, now: number): Promise<Record<string, number>> {
  const counts: Record<string, number> = {}
  for (const each of parts.handOvers) {
    const passed = await pass(tx, each, await each.heldBy(tx, from), from, to)
    counts[each.kind] = passed.length
    await tx.in(HANDOVER).insertAll(
      passed.map((thingId) => ({ personId: from, kind: each.kind, thingId, toId: to, at: now })),
      { inPlaceOf: ['toId', 'at'] },
    )
  }
  return counts
}

/** Gives back to somebody who returns what they handed over, as far as it is still with whom it went to. */
export async function giveBack(tx: Db, parts: Parts, to: PersonId): Promise<void> {
  const rows = await tx.in(HANDOVER).find({ personId: to })
  for (const each of parts.handOvers) {
    const mine = rows.filter((row) => row.kind === each.kind)
    for (const holder of new Set(mine.map((row) => row.toId)))
      await pass(
        tx,
        each,
        mine.filter((row) => row.toId === holder).map((row) => row.thingId),
        holder,
        to,
      )
  }
  await tx.in(HANDOVER).remove({ personId: to })
}
