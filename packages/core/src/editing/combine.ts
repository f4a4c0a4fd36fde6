import { groundOf, pinned, pinnedArea } from '../annotations'
import {
  elementOf,
  plainText,
  type Annotation,
  type Block,
  type Change,
  type PictureSizes,
  type Step,
  type StepCheck,
  type StepPicture,
} from '../guides'
import type { StepId } from '../shared'

/** Which pictures a combined step keeps: the first one, or all in their order. */
export type KeptPictures = 'first' | 'all'

/** The annotation attached to the picture itself, standing where it stands: its element is about to go. */
export function pinnedDown(annotation: Annotation, step: Step, picture: StepPicture, sizes: PictureSizes): Annotation {
  const ground = groundOf(step, picture, sizes[picture.id])
  if (!ground) return annotation
  switch (annotation.kind) {
    case 'frame':
    case 'rectangle':
    case 'ellipse':
    case 'blackout':
      return { ...annotation, area: pinnedArea(annotation.area, ground) }
    case 'arrow':
      return { ...annotation, from: pinned(annotation.from, ground), to: pinned(annotation.to, ground) }
    case 'inset':
      return { ...annotation, at: pinned(annotation.at, ground), detail: pinnedArea(annotation.detail, ground) }
    default:
      return { ...annotation, at: pinned(annotation.at, ground) }
  }
}

const isEmpty = (block: Block): boolean => block.type === 'paragraph' && (block.content ?? []).length === 0

function mergedCheck(steps: readonly Step[]): StepCheck | null {
  const checks = steps.flatMap((step) => (step.check ? [step.check] : []))
  if (checks.length === 0) return null
  return {
    sureness: Math.min(...checks.map((check) => check.sureness)),
    doubts: [...new Set(checks.flatMap((check) => check.doubts))].slice(0, 10),
    otherPictures: [...new Set(checks.flatMap((check) => check.otherPictures))].slice(0, 4),
  }
}

/** Combines steps into the first of them: texts joined, cautions and signs of all, the first picture or all as a sequence. The first
 * step's id stays and it is written down which steps went into it. A step has one element: that of the first step whose picture is
 * kept; what was attached to the others stays where it is.
 * @returns the changes; none for fewer than two steps. Carried out together they are refused where there would be too much of something */
export function combineSteps(steps: readonly Step[], keep: KeptPictures, sizes: PictureSizes): Change[] {
  const [first, ...others] = steps
  if (!first || others.length === 0) return []
  const stepId = first.id
  const owners = new Map<string, { step: Step; picture: StepPicture }>()
  for (const step of steps) for (const picture of step.pictures) if (!owners.has(picture.id)) owners.set(picture.id, { step, picture })
  const kept = [...owners.values()].slice(0, keep === 'first' ? 1 : undefined)
  const keptIds = new Set(kept.map(({ picture }) => picture.id))
  const leading =
    steps.find((step) => {
      const element = elementOf(step)
      return element !== undefined && keptIds.has(element.pictureId)
    }) ?? first
  const content = steps.flatMap((step) => step.body.content.filter((block) => !isEmpty(block)))
  const changes: Change[] = []
  changes.push({ type: 'set-body', stepId, body: { type: 'doc', content: content.length > 0 ? content : first.body.content } })
  for (const picture of first.pictures)
    if (!keptIds.has(picture.id)) changes.push({ type: 'remove-picture', stepId, pictureId: picture.id })
  let after: StepPicture['id'] | null = null
  for (const { step, picture } of kept) {
    const annotations = picture.annotations?.map((each) => (step === leading ? each : pinnedDown(each, step, picture, sizes)))
    if (step !== first)
      changes.push({ type: 'insert-picture', stepId, picture: { ...picture, ...(annotations ? { annotations } : {}) }, after })
    else if (leading !== first)
      for (const annotation of annotations ?? [])
        changes.push({ type: 'put-annotation', stepId, pictureId: picture.id, annotation, after: null })
    after = picture.id
  }
  if (leading !== first) {
    changes.push({ type: 'set-action', stepId, action: leading.action ?? null })
    changes.push({ type: 'set-element', stepId, element: leading.element ?? null })
  }
  const cautions = steps.flatMap((step) => step.cautions ?? [])
  if (cautions.length > 0) changes.push({ type: 'set-cautions', stepId, cautions })
  const signs = [...new Set(steps.flatMap((step) => step.signs ?? []))]
  if (signs.length > 0) changes.push({ type: 'set-signs', stepId, signs })
  const check = mergedCheck(steps)
  if (check) changes.push({ type: 'set-check', stepId, check })
  const unready = steps.filter((step) => step.notReady)
  const why = unready
    .flatMap((step) => (step.notReadyWhy ? [step.notReadyWhy] : []))
    .join(' · ')
    .slice(0, 300)
  if (unready.length > 0) changes.push({ type: 'set-not-ready', itemId: stepId, notReady: true, ...(why ? { why } : {}) })
  const combinedFrom = [...(first.combinedFrom ?? []), ...others.flatMap((step): StepId[] => [step.id, ...(step.combinedFrom ?? [])])]
  changes.push({ type: 'set-combined-from', stepId, combinedFrom })
  for (const step of others) changes.push({ type: 'remove-item', itemId: step.id })
  return changes
}

/** What the text of steps says together, for the question before they are combined. */
export const combinedText = (steps: readonly Step[]): string =>
  steps
    .map((step) => plainText(step.body).trim())
    .filter(Boolean)
    .join('\n')
