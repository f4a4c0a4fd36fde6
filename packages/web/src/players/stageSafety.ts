import { safetyAt } from '@jackdaw/core/players'
import type { StageSafety } from './SafetyFirst'
import type { UsedGuide } from './used'
import type { Playing } from './usePlay'

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
