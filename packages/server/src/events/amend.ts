import { itemRefOf } from '@jackdaw/core/items'
import type { AMENDING_VERBS } from '@jackdaw/core/events'
import type { PersonId } from '@jackdaw/core/shared'
import { v7 as uuidV7 } from 'uuid'
import type { Db } from '../db'
import type { EventRules } from '../eventRules'
import { addEvents, oneAtATime } from './insert'
import { EVENT, EVENT_AMENDED } from './model'

/** What is done to events that were told before: which of them, in which way, by whom and why. `now`: epoch milliseconds. */
type Amending = {
  subject: PersonId
  events: readonly string[]
  verb: keyof typeof AMENDING_VERBS
  reason: string
  by: PersonId
  now: number
}

/** Amends events of one person: they stay as they were told, and count no more. Those that are amended already are left alone.
 * @returns how many were amended */
export async function amend(tx: Db, rules: EventRules, { subject, events, verb, reason, by, now }: Amending): Promise<number> {
  await oneAtATime(tx, subject)
  const amended = new Set((await tx.in(EVENT_AMENDED).find({ id: [...events] })).map(({ id }) => id))
  const found = (await tx.in(EVENT).find({ id: [...events], subjectId: subject })).filter((event) => !amended.has(event.id))
  const amending = found.flatMap(({ id, itemKind, itemId, edition, way, partId, visit }) =>
    itemKind === null || itemId === null || edition === null
      ? []
      : [
          {
            id: uuidV7(),
            verb,
            way,
            item: itemRefOf(itemKind, itemId),
            edition,
            part: partId ?? undefined,
            visit: visit ?? undefined,
            occurredAt: now,
            attested: true,
            amends: id,
            carries: { reason },
          },
        ],
  )
  await addEvents(tx, rules, { subject, by, now }, amending)
  return amending.length
}
