import type { GuideItem, GuideQuiz, Section, Step } from '../document'
import { insertAfter, placeBefore, withEntry, without } from '../lists'
import { SETTABLE_FIELDS } from '../stepFields'
import { ON_PICTURE } from './applyToPicture'
import type { Change, ChangeOf, ChangeType } from './changes'
import { refuse, type Refusal } from './refusal'

/** Changes that take place beside the items, or move them. */
type OfDocument = 'set-facts' | 'silence' | 'insert-item' | 'remove-item' | 'move-item'
type OnPicture = keyof typeof ON_PICTURE
type InItem = Exclude<ChangeType, OfDocument>
/** A change inside of one item. */
export type ItemChange = ChangeOf<InItem>
type Changed<I extends GuideItem = GuideItem> = { item: I; inverse: Change }
type Carried<T extends InItem> = (item: GuideItem, change: ChangeOf<T>) => Changed | Refusal

/** Carries out a change that only steps know. */
const inStep =
  <T extends InItem>(work: (step: Step, change: ChangeOf<T>) => Changed | Refusal): Carried<T> =>
  (item, change) =>
    item.kind === 'step' ? work(item, change) : refuse('not-a-step')
const inSection =
  <T extends InItem>(work: (section: Section, change: ChangeOf<T>) => Changed): Carried<T> =>
  (item, change) =>
    item.kind === 'section' ? work(item, change) : refuse('not-a-section')
const inQuiz =
  <T extends InItem>(work: (quiz: GuideQuiz, change: ChangeOf<T>) => Changed): Carried<T> =>
  (item, change) =>
    item.kind === 'quiz' ? work(item, change) : refuse('not-a-quiz')
/** Carries out a change inside of one picture. */
const onPicture = <T extends OnPicture>(type: T): Carried<T> =>
  inStep<T>((step, change) => {
    const { pictureId } = change as ChangeOf<OnPicture>
    const picture = step.pictures.find((each) => each.id === pictureId)
    if (!picture) return refuse('picture-missing')
    const done = ON_PICTURE[type](picture, change)
    return 'ok' in done ? done : { item: { ...step, pictures: withEntry(step.pictures, done.picture) }, inverse: done.inverse }
  })

/** Sets fields; what lost one is the same as what never had it, and an empty list is none. */
function setFields(step: Step, change: ChangeOf<'set-step'>): Changed {
  const next: Record<string, unknown> = { ...step }
  const was: Record<string, unknown> = {}
  for (const field of SETTABLE_FIELDS) {
    const value = change.fields[field]
    if (value === undefined) continue
    was[field] = step[field] ?? null
    if (value === null || (Array.isArray(value) && value.length === 0)) delete next[field]
    else next[field] = value
  }
  return { item: next as Step, inverse: { ...change, fields: was } }
}

/** How each change inside of an item is carried out: the new item and the change that undoes it, or why it cannot be done. */
const IN_ITEM: { readonly [T in InItem]: Carried<T> } = {
  'set-step': inStep(setFields),
  'set-section-title': inSection((section, change) => ({
    item: { ...section, title: change.title },
    inverse: { ...change, title: section.title },
  })),
  'set-optional': inSection(({ optional = false, ...section }, change) => ({
    item: change.optional ? { ...section, optional: true } : section,
    inverse: { ...change, optional },
  })),
  'set-quiz': inQuiz((quiz, { quizId, need, ...change }) => ({
    item: { ...quiz, quizId, need },
    inverse: { ...change, quizId: quiz.quizId, need: quiz.need },
  })),
  'set-not-ready': (item, { itemId, notReady, why = '' }) => {
    const { notReady: was = false, notReadyWhy, ...rest } = item
    return {
      item: notReady ? { ...rest, notReady, ...(why.trim() === '' ? {} : { notReadyWhy: why }) } : rest,
      inverse: { type: 'set-not-ready', itemId, notReady: was, ...(notReadyWhy ? { why: notReadyWhy } : {}) },
    }
  },
  'insert-picture': inStep((step, { stepId, picture, after }) => {
    if (step.pictures.some((each) => each.id === picture.id)) return refuse('picture-exists')
    return {
      item: { ...step, pictures: insertAfter(step.pictures, picture, after) },
      inverse: { type: 'remove-picture', stepId, pictureId: picture.id },
    }
  }),
  'remove-picture': inStep((step, { stepId, pictureId }) => {
    const picture = step.pictures.find((each) => each.id === pictureId)
    if (!picture) return refuse('picture-missing')
    const after = placeBefore(step.pictures, pictureId)
    return { item: { ...step, pictures: without(step.pictures, pictureId) }, inverse: { type: 'insert-picture', stepId, picture, after } }
  }),
  'move-picture': inStep((step, change) => {
    const { pictureId } = change
    const picture = step.pictures.find((each) => each.id === pictureId)
    if (!picture) return refuse('picture-missing')
    const was = placeBefore(step.pictures, pictureId)
    const after = change.after === pictureId ? was : change.after
    return {
      item: { ...step, pictures: insertAfter(without(step.pictures, pictureId), picture, after) },
      inverse: { ...change, after: was },
    }
  }),
  'set-picture-alt': onPicture('set-picture-alt'),
  'set-shown': onPicture('set-shown'),
  'set-sheet': onPicture('set-sheet'),
  'put-annotation': onPicture('put-annotation'),
  'remove-annotation': onPicture('remove-annotation'),
}

/** Carries out a change inside of one item.
 * @returns the new item and the change that undoes it, or why it cannot be done */
export const applyToItem = (item: GuideItem, change: ItemChange): Changed | Refusal =>
  (IN_ITEM[change.type] as Carried<InItem>)(item, change)
