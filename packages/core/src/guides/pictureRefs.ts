import type { PictureId } from '../shared'
import type { Change } from './changing/changes'
import type { GuideDocument, GuideItem, Step, StepPicture } from './document'
import type { Exercise } from './exercise'
import type { StepAction, StepCheck, StepElement } from './onScreen'

/** What is made of each picture's id. `stored`: ids of stored pictures, or of a sheet; `element`: where an element is said to stand. */
type By = { stored: (id: PictureId) => PictureId; element: (id: PictureId) => PictureId }

const ofElement = <T extends StepElement>(element: T, by: By): T => ({ ...element, pictureId: by.element(element.pictureId) })
const ofAction = (action: StepAction, by: By): StepAction => ({
  ...action,
  ...(action.element ? { element: ofElement(action.element, by) } : {}),
  ...(action.onto ? { onto: ofElement(action.onto, by) } : {}),
})
const ofExercise = (exercise: Exercise, by: By): Exercise =>
  exercise.task?.kind === 'several'
    ? {
        ...exercise,
        task: { ...exercise.task, elements: exercise.task.elements.map((each) => ({ ...each, element: ofElement(each.element, by) })) },
      }
    : exercise
const ofCheck = (check: StepCheck, by: By): StepCheck => ({ ...check, otherPictures: check.otherPictures.map(by.stored) })
const ofSheet = (sheet: NonNullable<StepPicture['sheet']>, by: By): NonNullable<StepPicture['sheet']> => ({
  ...sheet,
  pictures: sheet.pictures.map((each) => ({ ...each, id: by.stored(each.id) })),
})
/** The id of a picture with a sheet is no stored picture's. */
const ofPicture = (picture: StepPicture, by: By): StepPicture =>
  picture.sheet ? { ...picture, id: by.element(picture.id), sheet: ofSheet(picture.sheet, by) } : { ...picture, id: by.stored(picture.id) }
const ofStep = (step: Step, by: By): Step => ({
  ...step,
  pictures: step.pictures.map((picture) => ofPicture(picture, by)),
  ...(step.action ? { action: ofAction(step.action, by) } : {}),
  ...(step.element ? { element: ofElement(step.element, by) } : {}),
  ...(step.check ? { check: ofCheck(step.check, by) } : {}),
  ...(step.exercise ? { exercise: ofExercise(step.exercise, by) } : {}),
})

/** Items that show other pictures: wherever an id of a picture stands, the one that is given for it. */
export const withPictures = (items: readonly GuideItem[], idOf: (id: PictureId) => PictureId): GuideItem[] =>
  items.map((item) => (item.kind === 'step' ? ofStep(item, { stored: idOf, element: idOf }) : item))

/** Ids of pictures that something refers to. `stored`: those that it shows or offers; `elements`: those on which an element is said to
 * stand, which may also be a sheet. */
export type PictureRefs = { stored: PictureId[]; elements: PictureId[] }

function collecting(walk: (by: By) => void): PictureRefs {
  const refs = { stored: new Set<PictureId>(), elements: new Set<PictureId>() }
  walk({
    stored: (id) => (refs.stored.add(id), id),
    element: (id) => (refs.elements.add(id), id),
  })
  return { stored: [...refs.stored], elements: [...refs.elements] }
}

/** The pictures that items refer to, wherever they stand. */
export const pictureRefsOf = (items: readonly GuideItem[]): PictureRefs =>
  collecting((by) => items.forEach((item) => item.kind === 'step' && ofStep(item, by)))

/** The pictures that a document shows in its steps, on sheets too. */
export const shownPictures = (document: GuideDocument): Set<PictureId> =>
  new Set(
    collecting((by) => document.items.forEach((item) => item.kind === 'step' && item.pictures.forEach((picture) => ofPicture(picture, by))))
      .stored,
  )

/** The pictures that a change brings into a guide, wherever in it they stand. */
export const pictureRefsIn = (change: Change): PictureRefs =>
  collecting((by) => {
    switch (change.type) {
      case 'insert-item':
        return change.item.kind === 'step' && ofStep(change.item, by)
      case 'insert-picture':
        return ofPicture(change.picture, by)
      case 'set-sheet':
        return ofSheet(change.sheet, by)
      case 'set-action':
        return change.action && ofAction(change.action, by)
      case 'set-element':
        return change.element && ofElement(change.element, by)
      case 'set-check':
        return change.check && ofCheck(change.check, by)
      case 'set-exercise':
        return change.exercise && ofExercise(change.exercise, by)
      default:
        return undefined
    }
  })
