import type { GuideItem, Step } from '../document'
import type { PictureVisit } from '../visits'
import type { FactName } from '../guideFacts'
import { mapItemPictures } from '../guideItems'
import { collectPictures, type PictureRefs } from '../pictureRefs'
import { picturePictures, SETTABLE_FIELDS, sheetPictures, STEP_FIELDS, type SettableField } from '../stepFields'
import type { Field } from '../fields'
import type { Change, ChangeOf, ChangeType } from './changes'

/** The kinds of things that a change rewrites. `lineage`: as `combinedFrom` was called before. */
export type TargetKind =
  'fact' | 'silence' | 'item' | 'title' | 'alt' | 'optional' | 'quiz' | 'ready' | 'annotation' | 'shown' | 'sheet' | SettableField
/** The name of a thing that a change rewrites: its kind and where it stands. */
export type ChangeTarget = `${TargetKind}:${string}`

/** What is to be known of a kind of change beside its schema and its effect. */
type ChangeKind<T extends ChangeType> = {
  /** The item inside which it takes place; `null` for facts about the whole guide. */
  item: (change: ChangeOf<T>) => string | null
  /** The single texts, pictures and facts that it rewrites. Two people's changes clash only when these meet. */
  targets: (change: ChangeOf<T>) => ChangeTarget[]
  /** Walks over the pictures that it brings into a guide. */
  pictures: (change: ChangeOf<T>, visit: PictureVisit) => void
  /** The same as changes of one thing each, so that each is judged for itself. */
  singles: (change: ChangeOf<T>) => Change[]
  /** Whether a later one in its place does what both did one after the other. */
  joins: boolean
  /** Whether what it wants is so already, of a change that could not be carried out. @param item its item as it stands, if it does */
  isDone: (change: ChangeOf<T>, item: GuideItem | undefined) => boolean
}

const none = (): [] => []
const never = (): boolean => false
const inStep = { item: (change: { stepId: Step['id'] }) => change.stepId, pictures: none, isDone: never }
const alone = <C extends Change>(change: C): Change[] => [change]
const PLAIN = { targets: none, pictures: none, singles: alone, joins: false, isDone: never }
const pictureIn = (item: GuideItem | undefined, id: string) =>
  item?.kind === 'step' ? { step: item, picture: item.pictures.find((each) => each.id === id) } : undefined
const entriesOf = <O extends object>(values: O): [keyof O & string, unknown][] =>
  Object.entries(values).filter(([, value]) => value !== undefined) as [keyof O & string, unknown][]

/** What is to be known of every kind of change: one that is added to `Change` has to say all of it here. */
export const CHANGE_KINDS: { readonly [T in ChangeType]: ChangeKind<T> } = {
  'set-facts': {
    ...PLAIN,
    item: () => null,
    targets: ({ facts }) => entriesOf(facts).map(([fact]: [FactName, unknown]) => `fact:${fact}` as const),
    singles: (change) => entriesOf(change.facts).map(([fact, value]): Change => ({ ...change, facts: { [fact]: value } })),
    joins: true,
  },
  'insert-item': {
    ...PLAIN,
    item: ({ item }) => item.id,
    pictures: ({ item }, visit) => void mapItemPictures(item, visit),
    isDone: (_, item) => item !== undefined,
  },
  'remove-item': { ...PLAIN, item: ({ itemId }) => itemId, isDone: (_, item) => item === undefined },
  'move-item': { ...PLAIN, item: ({ itemId }) => itemId, isDone: () => true },
  'set-section-title': { ...PLAIN, item: ({ sectionId }) => sectionId, targets: ({ sectionId }) => [`title:${sectionId}`], joins: true },
  'set-optional': { ...PLAIN, item: ({ sectionId }) => sectionId, targets: ({ sectionId }) => [`optional:${sectionId}`], joins: true },
  'set-quiz': { ...PLAIN, item: ({ guideQuizId }) => guideQuizId, targets: ({ guideQuizId }) => [`quiz:${guideQuizId}`], joins: true },
  'set-step': {
    ...PLAIN,
    ...inStep,
    targets: ({ stepId, fields }) => entriesOf(fields).map(([field]: [SettableField, unknown]) => `${field}:${stepId}` as const),
    pictures: ({ fields }, visit) => {
      for (const field of SETTABLE_FIELDS) if (fields[field]) (STEP_FIELDS[field] as Field<unknown>).pictures(fields[field], visit)
    },
    singles: (change) => entriesOf(change.fields).map(([field, value]): Change => ({ ...change, fields: { [field]: value } })),
    joins: true,
  },
  'insert-picture': {
    ...PLAIN,
    ...inStep,
    pictures: ({ picture }, visit) => void picturePictures(picture, visit),
    isDone: ({ picture }, item) => pictureIn(item, picture.id)?.picture !== undefined,
  },
  'remove-picture': {
    ...PLAIN,
    ...inStep,
    targets: ({ stepId, pictureId }) => [`alt:${stepId}:${pictureId}`],
    isDone: ({ pictureId }, item) => isWithout(item, pictureId),
  },
  'move-picture': { ...PLAIN, ...inStep, isDone: ({ pictureId }, item) => isWithout(item, pictureId) },
  'set-picture-alt': { ...PLAIN, ...inStep, targets: ({ stepId, pictureId }) => [`alt:${stepId}:${pictureId}`], joins: true },
  'set-not-ready': { ...PLAIN, item: ({ itemId }) => itemId, targets: ({ itemId }) => [`ready:${itemId}`], joins: true },
  silence: { ...PLAIN, item: () => null, targets: ({ finding }) => [`silence:${finding}`], joins: true },
  'put-annotation': {
    ...PLAIN,
    ...inStep,
    targets: ({ stepId, pictureId, annotation }) => [`annotation:${stepId}:${pictureId}:${annotation.id}`],
    joins: true,
  },
  'remove-annotation': {
    ...PLAIN,
    ...inStep,
    targets: ({ stepId, pictureId, annotationId }) => [`annotation:${stepId}:${pictureId}:${annotationId}`],
    isDone: ({ pictureId, annotationId }, item) =>
      pictureIn(item, pictureId)?.picture?.annotations?.some((each) => each.id === annotationId) === false,
  },
  'set-shown': { ...PLAIN, ...inStep, targets: ({ stepId, pictureId }) => [`shown:${stepId}:${pictureId}`], joins: true },
  'set-sheet': {
    ...PLAIN,
    ...inStep,
    targets: ({ stepId, pictureId }) => [`sheet:${stepId}:${pictureId}`],
    pictures: ({ sheet }, visit) => void sheetPictures(sheet, visit),
    joins: true,
  },
}
const isWithout = (item: GuideItem | undefined, pictureId: string): boolean => {
  const found = pictureIn(item, pictureId)
  return found !== undefined && found.picture === undefined
}

/** What is to be known of a change's kind, for that change. */
const kindOf = (change: Change): ChangeKind<ChangeType> => CHANGE_KINDS[change.type] as ChangeKind<ChangeType>

/** The item inside which a change takes place; `null` for facts about the whole guide. */
export const itemOf = (change: Change): string | null => kindOf(change).item(change)
/** The single texts, pictures and facts that a change rewrites. Two people's changes clash only when these meet. */
export const targetsOf = (change: Change): ChangeTarget[] => kindOf(change).targets(change)
/** A change of several things as one change for each. */
export const singlesOf = (change: Change): Change[] => kindOf(change).singles(change)
/** Whether what a change wants is so already, of one that could not be carried out. */
export const isDone = (change: Change, item: GuideItem | undefined): boolean => kindOf(change).isDone(change, item)
/** Whether a later change of this kind in its place does what both did. */
export const joins = (change: Change): boolean => kindOf(change).joins
/** The pictures that a change brings into a guide, wherever in it they stand. */
export const pictureRefsIn = (change: Change): PictureRefs => collectPictures((visit) => kindOf(change).pictures(change, visit))
