import { itemKey } from '@jackdaw/core/items'
import type { UsageEvent } from '@jackdaw/core/players'
import type { PersonId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { takeEvents } from './intake'
import type { SeenBy } from './seenBy'
import { noteGiven } from './vouching'

type Batch = { personId: PersonId; at: number; events: UsageEvent[]; seen?: SeenBy }
const MOST = 500
const inParts = (batch: Batch): Batch[] =>
  Array.from({ length: Math.ceil(batch.events.length / MOST) }, (_, i) => ({
    ...batch,
    events: batch.events.slice(i * MOST, (i + 1) * MOST),
  }))

/** Loads what happened in the demo company. */
export const demoEvents = ({ database: db, events: rules }: Parts) => ({
  async takeEvents(batches: readonly Batch[]): Promise<void> {
    for (const part of batches.flatMap(inParts)) {
      // Guides of the demo were given when its people first opened them.
      const opened = part.events.filter((event) => event.way === 'read' && event.verb === 'opened')
      const first = new Map(opened.toReversed().map((event) => [`${itemKey(event.item)} ${event.edition}`, event]))
      for (const event of first.values()) await noteGiven(db, part.personId, [event], event.occurredAt)
      await takeEvents(
        db,
        rules,
        part.personId,
        { sentAt: part.at, events: part.events, ...(part.seen ? { seen: part.seen } : {}) },
        part.at,
      )
    }
  },
})
