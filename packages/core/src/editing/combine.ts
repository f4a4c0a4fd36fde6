import { keysOf, type StepId } from '../shared'
import { pinnedDown } from '../annotations'
import {
  changesBetween,
  elementOf,
  plainText,
  STEP_FIELDS,
  type Change,
  type Joining,
  type PictureSizes,
  type Step,
  type StepField,
  type StepPicture,
} from '../guides'

/** Which pictures a combined step keeps: the first one, or all in their order. */
export type KeptPictures = 'first' | 'all'
/** Something that one of the steps had and that the combined step does not have. */
export type Lost = { stepId: StepId; field: StepField }
/** How steps are combined: the changes, and what is lost by it. */
export type Combined = { changes: Change[]; lost: Lost[] }

/** Which step gives the element: the first whose element stands on a picture that is kept, else the first with something to do without one. */
function leadingOf(steps: readonly Step[], kept: ReadonlySet<string>): number {
  const withElement = steps.findIndex((step) => {
    const element = elementOf(step)
    return element !== undefined && kept.has(element.pictureId)
  })
  const doing = steps.findIndex((step) => step.action && !step.action.element)
  return Math.max(0, withElement >= 0 ? withElement : doing)
}

function joiningOf(steps: readonly Step[], keep: KeptPictures, sizes: PictureSizes): Joining {
  const owners = new Map<string, { step: Step; picture: StepPicture }>()
  for (const step of steps) for (const picture of step.pictures) if (!owners.has(picture.id)) owners.set(picture.id, { step, picture })
  const kept = [...owners.values()].slice(0, keep === 'first' ? 1 : undefined)
  const leading = leadingOf(steps, new Set(kept.map(({ picture }) => picture.id)))
  const pictures = kept.map(({ step, picture }) =>
    picture.annotations && step !== steps[leading]
      ? { ...picture, annotations: picture.annotations.map((each) => pinnedDown(each, step, picture, sizes)) }
      : picture,
  )
  return { ids: steps.map((step) => step.id), leading, pictures }
}

type AnyField = { join: (values: readonly unknown[], joining: Joining) => { value: unknown; lost?: readonly number[] } }

/** Combines steps into the first of them, field by field as `STEP_FIELDS` says: texts joined, cautions and signs of all, the first picture or
 * all as a sequence. The first step's id stays and it is written down which steps went into it. A step has one element: that of the
 * first step whose picture is kept; what was attached to the others stays where it is.
 * @returns no changes for fewer than two steps. Carried out together they are refused where there would be too much of something */
export function combineSteps(steps: readonly Step[], keep: KeptPictures, sizes: PictureSizes): Combined {
  const [first, ...others] = steps
  if (!first || others.length === 0) return { changes: [], lost: [] }
  const joining = joiningOf(steps, keep, sizes)
  const lost: Lost[] = []
  const fields = keysOf(STEP_FIELDS).map((field) => {
    const joined = (STEP_FIELDS[field] as AnyField).join(
      steps.map((step) => step[field]),
      joining,
    )
    lost.push(...(joined.lost ?? []).flatMap((n) => (steps[n] ? [{ stepId: steps[n].id, field }] : [])))
    return [field, joined.value] as const
  })
  const combined = { ...first, ...Object.fromEntries(fields) }
  const removed = others.map((step): Change => ({ type: 'remove-item', itemId: step.id }))
  return { changes: [...changesBetween(first, combined), ...removed], lost }
}

/** What the text of steps says together, for the question before they are combined. */
export const combinedText = (steps: readonly Step[]): string =>
  steps
    .map((step) => plainText(step.body).trim())
    .filter(Boolean)
    .join('\n')
