import type { GuideId, StepId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'

/** What a remark is about. */
export type About = { guideId: GuideId; edition: number; stepId: StepId; way: Way }
