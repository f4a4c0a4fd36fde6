import type { Change } from './changes'
import type { Step, StepPicture } from '../document'
import { insertAfter, placeBefore, withEntry, without } from '../lists'
import type { Refusal } from './workingCopy'

type StepChange = Extract<Change, { stepId: Step['id'] }>
type Done = { step: Step; inverse: Change }
const refuse = (reason: 'picture-missing' | 'picture-exists' | 'annotation-missing' | 'no-sheet'): Refusal => ({ ok: false, reason })

/** Without the parts that something need not have: what lost one is the same as what never had it. */
function bare<T extends object>(value: T): T {
  return Object.fromEntries(
    Object.entries(value).filter(([, each]) => each !== undefined && !(Array.isArray(each) && each.length === 0)),
  ) as T
}
/** `body` and `pictures` stand in every step, also when there is nothing in them. */
const bareStep = (step: Step): Step => ({ ...bare(step), pictures: step.pictures })

/** Carries out a change inside of one step.
 * @returns the new step and the change that undoes it, or why it cannot be done */
export function applyToStep(step: Step, change: StepChange): Done | Refusal {
  const { stepId } = change
  switch (change.type) {
    case 'set-body':
      return { step: { ...step, body: change.body }, inverse: { ...change, body: step.body } }
    case 'set-action':
      return { step: bareStep({ ...step, action: change.action ?? undefined }), inverse: { ...change, action: step.action ?? null } }
    case 'set-element':
      return { step: bareStep({ ...step, element: change.element ?? undefined }), inverse: { ...change, element: step.element ?? null } }
    case 'set-check':
      return { step: bareStep({ ...step, check: change.check ?? undefined }), inverse: { ...change, check: step.check ?? null } }
    case 'set-exercise':
      return {
        step: bareStep({ ...step, exercise: change.exercise ?? undefined }),
        inverse: { ...change, exercise: step.exercise ?? null },
      }
    case 'set-flow':
      return { step: bareStep({ ...step, flow: change.flow ?? undefined }), inverse: { ...change, flow: step.flow ?? null } }
    case 'set-cautions':
      return { step: bareStep({ ...step, cautions: change.cautions }), inverse: { ...change, cautions: step.cautions ?? [] } }
    case 'set-signs':
      return { step: bareStep({ ...step, signs: change.signs }), inverse: { ...change, signs: step.signs ?? [] } }
    case 'set-combined-from':
      return {
        step: bareStep({ ...step, combinedFrom: change.combinedFrom }),
        inverse: { ...change, combinedFrom: step.combinedFrom ?? [] },
      }
    case 'insert-picture':
      if (step.pictures.some((each) => each.id === change.picture.id)) return refuse('picture-exists')
      return {
        step: { ...step, pictures: insertAfter(step.pictures, change.picture, change.after) },
        inverse: { type: 'remove-picture', stepId, pictureId: change.picture.id },
      }
    default: {
      const picture = step.pictures.find((each) => each.id === change.pictureId)
      return picture ? onPicture(step, picture, change) : refuse('picture-missing')
    }
  }
}

type PictureChange = Extract<StepChange, { pictureId: StepPicture['id'] }>

function onPicture(step: Step, picture: StepPicture, change: PictureChange): Done | Refusal {
  const { stepId } = change
  const was = placeBefore(step.pictures, picture.id)
  const as = (next: StepPicture): Step => ({ ...step, pictures: withEntry(step.pictures, bare(next)) })
  const { alt, annotations = [] } = picture
  switch (change.type) {
    case 'remove-picture':
      return {
        step: { ...step, pictures: without(step.pictures, picture.id) },
        inverse: { type: 'insert-picture', stepId, picture, after: was },
      }
    case 'move-picture': {
      const after = change.after === picture.id ? was : change.after
      return {
        step: { ...step, pictures: insertAfter(without(step.pictures, picture.id), picture, after) },
        inverse: { ...change, after: was },
      }
    }
    case 'set-picture-alt':
      return { step: as({ ...picture, alt: change.alt }), inverse: { ...change, alt } }
    case 'set-shown':
      return { step: as({ ...picture, shown: change.shown ?? undefined }), inverse: { ...change, shown: picture.shown ?? null } }
    case 'set-sheet':
      if (!picture.sheet) return refuse('no-sheet')
      return { step: as({ ...picture, sheet: change.sheet }), inverse: { ...change, sheet: picture.sheet } }
    case 'put-annotation': {
      const { annotation } = change
      const old = annotations.find((each) => each.id === annotation.id)
      return {
        step: as({
          ...picture,
          annotations: old ? withEntry(annotations, annotation) : insertAfter(annotations, annotation, change.after),
        }),
        inverse: old
          ? { ...change, annotation: old, after: placeBefore(annotations, old.id) }
          : { type: 'remove-annotation', stepId, pictureId: picture.id, annotationId: annotation.id },
      }
    }
    case 'remove-annotation': {
      const old = annotations.find((each) => each.id === change.annotationId)
      if (!old) return refuse('annotation-missing')
      return {
        step: as({ ...picture, annotations: without(annotations, old.id) }),
        inverse: { type: 'put-annotation', stepId, pictureId: picture.id, annotation: old, after: placeBefore(annotations, old.id) },
      }
    }
  }
}
