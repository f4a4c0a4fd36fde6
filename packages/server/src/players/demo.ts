import type { SoloAct } from '@jackdaw/contracts/players'
import type { AttemptId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { actInAttempt, giveUpAttempt, openAttempt } from './attempts'

type NewAct = { n: number; actId: string; does: SoloAct }

/** Loads attempts of the demo company, as if they were made. */
export const demoAttempts = (parts: Parts) => ({
  openAttempt: (guideId: GuideId, personId: PersonId, now: number) => openAttempt(parts, guideId, personId, 'en-GB', now),
  actInAttempt: (guideId: GuideId, attemptId: AttemptId, personId: PersonId, act: NewAct, now: number) =>
    actInAttempt(parts, guideId, attemptId, personId, act, now),
  giveUpAttempt: (guideId: GuideId, attemptId: AttemptId, personId: PersonId, now: number) =>
    giveUpAttempt(parts, guideId, attemptId, personId, now),
})
