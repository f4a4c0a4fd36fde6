import type { PlanPart } from '@jackdaw/core/plans'
import type { StageId } from '@jackdaw/core/shared'

/** What is selected in a plan: a stage, an item or a check-in. */
export type Selected = { stage: StageId } | PlanPart | null
