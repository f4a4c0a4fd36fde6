import { plainText, stepsOf, type Change, type GuideDocument, type PictureSizes, type Step } from '../guides'
import type { StepId } from '../shared'
import { combineSteps } from './combine'

/** How a step is joined with the one before: the changes, the step that stays, its number from 1, and the block of its text at which the
 * joined text begins. Or why it is not: nothing stands before it, a heading does, or both have something of which a step has only one. */
export type JoinedSteps =
  { changes: Change[]; into: StepId; number: number; block: number } | { refused: 'is-first' | 'after-heading' | 'both-have-an-element' }

const isBlank = (step: Step): boolean => plainText(step.body).trim() === ''

/** Joins a step with the one before it, as when somebody deletes backwards at the beginning of its text. */
export function joinWithBefore(document: GuideDocument, stepId: StepId, sizes: PictureSizes): JoinedSteps {
  const at = document.items.findIndex((item) => item.id === stepId)
  const step = document.items[at]
  const before = document.items[at - 1]
  if (!before || step?.kind !== 'step') return { refused: 'is-first' }
  if (before.kind !== 'step') return { refused: 'after-heading' }
  const kept = before.body.content.filter((block) => block.type !== 'paragraph' || (block.content ?? []).length > 0).length
  const { changes, lost } = combineSteps([before, step], 'all', sizes)
  if (lost.length > 0) return { refused: 'both-have-an-element' }
  return { changes, into: before.id, number: stepsOf(document).indexOf(before) + 1, block: isBlank(step) ? Infinity : kept }
}
