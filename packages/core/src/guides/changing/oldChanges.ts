import { entriesOf, StepId } from '../../shared'
import * as z from 'zod/mini'
import { settableShape } from '../stepFields'
import type { Change, StepFieldsSet } from './changes'

/** Changes of one field of a step each, as they were before `set-step`. Pages that have been open since then still send them, browsers have kept
 * them, and they stand among what was saved. */
export const OldChange = z.discriminatedUnion('type', [
  z.object({ type: z.literal('set-body'), stepId: StepId, body: settableShape.body }),
  z.object({ type: z.literal('set-action'), stepId: StepId, action: z.nullable(settableShape.action) }),
  z.object({ type: z.literal('set-check'), stepId: StepId, check: z.nullable(settableShape.check) }),
  z.object({ type: z.literal('set-element'), stepId: StepId, element: z.nullable(settableShape.element) }),
  z.object({ type: z.literal('set-exercise'), stepId: StepId, exercise: z.nullable(settableShape.exercise) }),
  z.object({ type: z.literal('set-flow'), stepId: StepId, flow: z.nullable(settableShape.flow) }),
  z.object({ type: z.literal('set-cautions'), stepId: StepId, cautions: settableShape.cautions }),
  z.object({ type: z.literal('set-signs'), stepId: StepId, signs: settableShape.signs }),
  z.object({ type: z.literal('set-combined-from'), stepId: StepId, combinedFrom: settableShape.combinedFrom }),
])
/** Read by {@link OldChange}. */
export type OldChange = z.infer<typeof OldChange>
type OldType = OldChange['type']

/** The field that each of them sets. */
const FIELDS: Record<OldType, keyof StepFieldsSet> = {
  'set-body': 'body',
  'set-action': 'action',
  'set-check': 'check',
  'set-element': 'element',
  'set-exercise': 'exercise',
  'set-flow': 'flow',
  'set-cautions': 'cautions',
  'set-signs': 'signs',
  'set-combined-from': 'combinedFrom',
}
const isOld = (change: Change | OldChange): change is OldChange => change.type in FIELDS

/** A change as it is made today, from one in whatever form it was stored or sent. */
export function readChange(change: Change | OldChange): Change {
  if (!isOld(change)) return change
  const field = FIELDS[change.type]
  return { type: 'set-step', stepId: change.stepId, fields: { [field]: (change as Record<string, unknown>)[field] } }
}

/** The same change for pages that do not know `set-step`. */
export function inOldForm(change: Change): (Change | OldChange)[] {
  if (change.type !== 'set-step') return [change]
  const { stepId, fields } = change
  return entriesOf(FIELDS).flatMap(([type, field]) => {
    const value = fields[field]
    if (value === undefined) return []
    const isList = field === 'cautions' || field === 'signs' || field === 'combinedFrom'
    return [{ type, stepId, [field]: value ?? (isList ? [] : null) } as OldChange]
  })
}
