import type { Step } from '@jackdaw/core/guides'
import { safetyAt } from '@jackdaw/core/players'
import type { Way } from '@jackdaw/core/ways'
import type { About } from '../../remarks'
import type { StageSafety } from './SafetyFirst'
import type { UsedGuide } from '../used'
import type { Playing } from '../usePlay'

/** The safety of the step at which somebody is, for the stage. */
export function stageSafety(guide: UsedGuide, { play, state, act }: Playing): StageSafety | null {
  const safety = safetyAt(guide.document, play, state)
  return (
    safety && {
      ...safety,
      stepId: state.at,
      onAcknowledge: () => act({ type: 'acknowledge' }),
      onBack: play.script.steps[0]?.id === state.at ? undefined : () => act({ type: 'back' }),
    }
  )
}

/** The step of an edition, for who wants to say that something is wrong there; `null` at the end and in a draft. */
export const aboutStep = ({ guideId, edition }: UsedGuide, step: Step | undefined, way: Way): About | null =>
  step && edition !== null ? { guideId, edition, stepId: step.id, way } : null
