import type { SoloAttempt } from '@jackdaw/contracts/players'
import { END } from '@jackdaw/core/flow'
import { scoreOfAttempt, type AttemptEnd, type Played, type PlayerEffect } from '@jackdaw/core/players'
import { guideItem } from '@jackdaw/core/items'
import type { AttemptId, GuideId, PersonId } from '@jackdaw/core/shared'
import { v7 as uuidV7 } from 'uuid'
import type { Db } from '../../db'
import type { EventRules } from '../../eventRules'
import { addAttested, type NewEvent } from '../../events'
import type { Parts } from '../../http'
import { ATTEMPT } from '../model'
import { guideOf, ownAttempt, viewOf, type Attempt, type RunningAttempt } from './attempt'

/** An event that the server tells. */
type Telling = Omit<NewEvent, 'attested'>
/** In which transaction, and by which rules, an attempt is written on. */
export type Within = { tx: Db; events: EventRules }

/** What an effect of the player is in the record. */
export function eventsOf(row: Attempt, effect: PlayerEffect, now: number): Telling[] {
  if (effect.do !== 'tell' || effect.verb === 'finished' || effect.verb === 'step-confirmed') return []
  const base = { ...eventIn(row, now), part: effect.stepId }
  if (effect.verb !== 'step-done') return [{ ...base, verb: effect.verb, carries: {} }]
  const { activeMs, tries, help, done } = effect
  return [{ ...base, verb: effect.verb, carries: { activeMs, tries, help, done } }]
}
/** An event about an attempt as the record has it. */
export const eventIn = (row: Attempt, now: number) => ({
  id: uuidV7(),
  way: 'solo' as const,
  item: guideItem(guideOf(row)),
  edition: row.edition,
  occurredAt: now,
  visit: row.id,
})

/** Writes down what an act has led to; ends the attempt when its end is reached. */
export async function writeOn(
  { tx, events: rules }: Within,
  { row, document, play }: RunningAttempt,
  played: Played,
  ended: AttemptEnd | null,
  now: number,
): Promise<Attempt> {
  const over = ended ?? (played.state.at === END ? 'finished' : null)
  const { percent, passed, judged, rightFirst, tries, activeMs, missed } = scoreOfAttempt(document, play.script, played.state, over)
  const figures = { percent, passed, judged, rightFirst, tries, activeMs, missed }
  const end = { endedAt: over === null ? null : now, ended: over }
  const next = { state: played.state, acts: row.acts, ...end, ...figures }
  await tx.in(ATTEMPT).update(next, { id: row.id })
  const events = played.effects.flatMap((effect) => eventsOf(row, effect, now))
  const finished = { ...eventIn(row, now), verb: 'finished', carries: { percent, passed } }
  await addAttested(tx, rules, { subject: row.personId, now }, over === null ? events : [...events, finished])
  return { ...row, ...next }
}

/** Ends an attempt whose time is up. */
export const expire = (within: Within, attempt: RunningAttempt): Promise<Attempt> =>
  writeOn(within, attempt, { state: attempt.row.state, effects: [] }, 'expired', attempt.row.expiresAt)

/** Gives an attempt up. */
export const giveUpAttempt = (
  { database, events }: Parts,
  guideId: GuideId,
  attemptId: AttemptId,
  personId: PersonId,
  now: number,
): Promise<SoloAttempt> =>
  database.transaction(async (tx) => {
    const attempt = await ownAttempt(tx, guideId, attemptId, personId)
    const { row } = attempt
    if (row.ended !== null) return viewOf(tx, attempt, null)
    const over = await writeOn({ tx, events }, attempt, { state: row.state, effects: [] }, 'given-up', now)
    return viewOf(tx, { ...attempt, row: over }, null)
  })
