import type { SoloAct, SoloAttempt } from '@jackdaw/contracts/players'
import { reduce, type PlayerEvent } from '@jackdaw/core/players'
import type { AttemptId, GuideId, PersonId } from '@jackdaw/core/shared'
import { fail, type Parts, said } from '../../http'
import { ATTEMPT_ACT } from '../model'
import { ownAttempt, viewOf } from './attempt'
import { expire, writeOn } from './endAttempt'

/** The player's event for what is done in an attempt. */
function eventOf(does: SoloAct, now: number): PlayerEvent {
  switch (does.type) {
    case 'act':
      return { type: 'act', act: does.act, at: now }
    case 'choose':
      return { type: 'choose', id: does.id, at: now }
    case 'acknowledge':
      return { type: 'acknowledge', at: now }
    case 'leave-out':
      return { type: 'show-me', at: now }
    case 'skip-section':
      return { type: 'skip-section', at: now }
  }
}

/** Judges one act. Acts come one after the other: what is late, repeated with another content or out of order is refused; the last one,
 * sent again, is answered alike. */
export async function actInAttempt(
  { database, events }: Parts,
  guideId: GuideId,
  attemptId: AttemptId,
  personId: PersonId,
  { n, actId, does }: { n: number; actId: string; does: SoloAct },
  now: number,
): Promise<SoloAttempt> {
  const answer = await database.transaction(async (tx) => {
    const attempt = await ownAttempt(tx, guideId, attemptId, personId)
    const { row } = attempt
    if (n === row.acts && n > 0) {
      const last = await tx.in(ATTEMPT_ACT).one({ attemptId, n }, { only: ['actId', 'verdict'] })
      if (last?.actId === actId) return viewOf(tx, attempt, last.verdict)
    }
    if (row.ended !== null) return null
    if (row.expiresAt <= now) {
      await expire({ tx, events }, attempt)
      return null
    }
    if (n !== row.acts + 1)
      fail(
        'out-of-turn',
        said('{{known}} acts are known; this one says that it is number {{n}}. Load the page again to go on.', { known: row.acts, n }),
      )
    const event = eventOf(does, now)
    const played = reduce(row.state, event, attempt.play)
    if (played.state === row.state)
      fail('out-of-turn', 'At this step that cannot be done. Nothing was counted; load the page again to go on.')
    const verdict = played.effects.flatMap((effect) => (effect.do === 'say' ? [effect.verdict] : []))[0] ?? null
    await tx.in(ATTEMPT_ACT).insert({ attemptId, n, actId, event, verdict, actedAt: now })
    const next = await writeOn({ tx, events }, { ...attempt, row: { ...row, acts: n } }, played, null, now)
    return viewOf(tx, { ...attempt, row: next }, verdict)
  })
  return answer ?? fail('attempt-over', 'It has ended; this act came too late and was not counted.')
}
