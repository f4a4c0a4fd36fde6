import { insertAfter, placeBefore, withEntry, without } from '../lists'
import type { StepPicture } from '../stepPicture'
import type { ChangeOf } from './changes'
import { refuse, type Refusal } from './refusal'

type PictureChange = 'set-picture-alt' | 'set-shown' | 'set-sheet' | 'put-annotation' | 'remove-annotation'
type Changed = { picture: StepPicture; inverse: ChangeOf<PictureChange> }

/** How each change inside of one picture is carried out: the new picture and the change that undoes it, or why it cannot be done. */
export const ON_PICTURE: { readonly [T in PictureChange]: (picture: StepPicture, change: ChangeOf<T>) => Changed | Refusal } = {
  'set-picture-alt': (picture, change) => ({ picture: { ...picture, alt: change.alt }, inverse: { ...change, alt: picture.alt } }),
  'set-shown': ({ shown, ...picture }, change) => ({
    picture: change.shown ? { ...picture, shown: change.shown } : picture,
    inverse: { ...change, shown: shown ?? null },
  }),
  'set-sheet': (picture, change) =>
    picture.sheet ? { picture: { ...picture, sheet: change.sheet }, inverse: { ...change, sheet: picture.sheet } } : refuse('no-sheet'),
  'put-annotation': (picture, change) => {
    const { annotation, stepId, pictureId } = change
    const annotations = picture.annotations ?? []
    const old = annotations.find((each) => each.id === annotation.id)
    return {
      picture: {
        ...picture,
        annotations: old ? withEntry(annotations, annotation) : insertAfter(annotations, annotation, change.after),
      },
      inverse: old
        ? { ...change, annotation: old, after: placeBefore(annotations, old.id) }
        : { type: 'remove-annotation', stepId, pictureId, annotationId: annotation.id },
    }
  },
  'remove-annotation': ({ annotations = [], ...picture }, { stepId, pictureId, annotationId }) => {
    const annotation = annotations.find((each) => each.id === annotationId)
    if (!annotation) return refuse('annotation-missing')
    const left = without(annotations, annotationId)
    return {
      picture: left.length > 0 ? { ...picture, annotations: left } : picture,
      inverse: { type: 'put-annotation', stepId, pictureId, annotation, after: placeBefore(annotations, annotationId) },
    }
  },
}
