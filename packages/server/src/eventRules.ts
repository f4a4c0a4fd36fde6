import type { RefusedEvent } from '@jackdaw/contracts/reading'
import type { Verbs } from '@jackdaw/core/events'
import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import type { Db } from './db'

/** A table that is counted from events. Every figure is a smallest, largest or sum, so that it does not matter in which order, or in how many
 * batches, the events came: new events and a full recount go through the same SQL. */
export type RollUp = {
  table: string
  /** Which of its rows are about one person and item, as a condition with $1 kind and $2 id of the item and $3 the person; `null` where its rows are about
   * all that a person (`person_id`) did. */
  ofPersonAndItem: string | null
  /** Adds a set of events to it. @param source a relation with the columns of the table `event` */
  count: (source: string) => string
  /** What its rows say besides, once all is counted: worked out anew from what was counted, and so the same in whichever order events came. `sql`: for the
   * rows `s` of which a condition holds, with `item_kind`, `item_id` and `person_id`, and with `visit` where only the visits to which events belong are worked out. `keeps`: a
   * table in which it keeps what many rows share. */
  derive?: { ofVisits: boolean; keeps?: string; sql: (which: string) => string }
}

/** An event that was taken apart: the envelope, and what it carries besides. Instants are epoch milliseconds by the sender's clock. */
export type ToldEvent = {
  id: string
  verb: string
  way: Way
  item: ItemRef
  edition: number
  part?: string
  visit?: string
  occurredAt: number
  carries: Record<string, unknown>
}
/** An edition that events speak of, as far as whoever tells them may know of it. */
export type KnownEdition = {
  item: ItemRef
  edition: number
  /** The oldest edition that counts, or this one where it is older. */
  required: number
  /** Epoch milliseconds. */
  publishedAt: number
  /** When it was withdrawn; `null` where it was not. */
  withdrawnAt: number | null
  parts: ReadonlySet<string>
  /** Parts with something to be acknowledged. */
  cautioned: ReadonlySet<string>
  /** Whether it was given to whoever tells of it. */
  given: boolean
}
/** What a domain asks of an event of its verb before it is taken, beyond what its declaration says. `batch`: all that came with it.
 * @returns why it is not taken, or `null` */
export type EventCheck = (
  tx: Db,
  told: { personId: PersonId; event: ToldEvent; known: KnownEdition; batch: readonly ToldEvent[] },
) => Promise<RefusedEvent['why'] | null>

/** All that the domains declare of events, put together. */
export type EventRules = { verbs: Verbs; checks: Readonly<Record<string, EventCheck>>; rollUps: readonly RollUp[] }
