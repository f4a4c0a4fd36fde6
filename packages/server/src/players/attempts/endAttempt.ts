import type { AttemptId, SoloAttempt } from '@jackdaw/contracts/players'
import { END } from '@jackdaw/core/flow'
import { scoreOfAttempt, type AttemptEnd, type Played, type PlayerEffect } from '@jackdaw/core/players'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { v7 as uuidV7 } from 'uuid'
import type { Db } from '../../db'
import { addAttested, type AttestedEvent } from '../../events'
import { ATTEMPT } from '../model'
import { ownAttempt, viewOf, type Attempt, type RunningAttempt } from './attempt'

/** What an effect of the player is in the record. */
export function eventsOf(row: Attempt, effect: PlayerEffect, now: number): AttestedEvent[] {
  if (effect.do !== 'tell' || effect.verb === 'finished' || effect.verb === 'step-confirmed') return []
  const base = { ...eventIn(row, now), step_id: effect.stepId }
  if (effect.verb !== 'step-done') return [{ ...base, verb: effect.verb }]
  return [{ ...base, verb: effect.verb, active_ms: effect.activeMs, tries: effect.tries, help: effect.help, done: effect.done }]
}
/** An event about an attempt as the record has it. */
export const eventIn = (row: Attempt, now: number) => ({
  id: uuidV7(),
  way: 'solo' as const,
  item_id: row.itemId,
  edition: row.edition,
  step_id: null,
  active_ms: 0,
  occurred_at: new Date(now).toISOString(),
  play_id: row.id,
})

/** Writes down what an act has led to; ends the attempt when its end is reached. */
export async function writeOn(
  tx: Db,
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
  const finished = { ...eventIn(row, now), verb: 'finished' as const, percent, passed }
  await addAttested(tx, row.personId, over === null ? events : [...events, finished], now)
  return { ...row, ...next }
}

/** Ends an attempt whose time is up. */
export const expire = (tx: Db, attempt: RunningAttempt): Promise<Attempt> =>
  writeOn(tx, attempt, { state: attempt.row.state, effects: [] }, 'expired', attempt.row.expiresAt)

/** Gives an attempt up. */
export const giveUpAttempt = (db: Db, guideId: GuideId, attemptId: AttemptId, personId: PersonId, now: number): Promise<SoloAttempt> =>
  db.transaction(async (tx) => {
    const attempt = await ownAttempt(tx, guideId, attemptId, personId)
    if (attempt.row.ended !== null) return viewOf(tx, attempt, null)
    return viewOf(tx, { ...attempt, row: await writeOn(tx, attempt, { state: attempt.row.state, effects: [] }, 'given-up', now) }, null)
  })
