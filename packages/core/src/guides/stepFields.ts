import { keysOf, type PictureId, sameValue, StepId } from '../shared'
import * as z from 'zod/mini'
import { annotationTexts } from './annotation'
import { Caution } from './caution'
import { Exercise, type Task } from './exercise'
import { type Copying, type Field, type Joined, ofAll, ofFirst, ofLast, ofLeading, PLAIN } from './fields'
import type { PictureVisit, TextVisit } from './visits'
import { Flow, type Condition, type Rule, type Target } from './flow'
import { GUIDE_LIMITS } from './limits'
import { StepAction, StepCheck, StepElement } from './onScreen'
import { SignId } from './signId'
import { StepPicture } from './stepPicture'
import { freshBlockIds } from './text/blockIds'
import { RichText } from './text/richText'

/** Why something is not ready, for its authors; at most 300 characters. */
export const NotReadyWhy = z.string().check(z.maxLength(300))

/** The fields of a step that the change `set-step` sets, by their schemas. */
export const settableShape = {
  /** Its first line of text is its name. */
  body: RichText,
  /** What is done on screen. */
  action: StepAction,
  /** What the step is about, drawn by the author, where it has no action on screen. */
  element: StepElement,
  /** Set as long as an author should look at what the recorder wrote. */
  check: StepCheck,
  cautions: z.array(Caution).check(z.maxLength(GUIDE_LIMITS.cautions.most)),
  signs: z.array(SignId).check(z.maxLength(GUIDE_LIMITS.signs.most)),
  /** How it is practised and tested. */
  exercise: Exercise,
  /** Where to go next, if not simply on. */
  flow: Flow,
  /** Steps that were combined into this one. */
  combinedFrom: z.array(StepId),
}
/** Name of a field that `set-step` sets. */
export type SettableField = keyof typeof settableShape

/** The fields of a step, by their schemas. What else is to be known of each stands in {@link STEP_FIELDS}. */
export const stepShape = {
  body: settableShape.body,
  pictures: z.array(StepPicture).check(z.maxLength(GUIDE_LIMITS.pictures.most)),
  action: z.optional(settableShape.action),
  element: z.optional(settableShape.element),
  check: z.optional(settableShape.check),
  cautions: z.optional(settableShape.cautions),
  signs: z.optional(settableShape.signs),
  exercise: z.optional(settableShape.exercise),
  flow: z.optional(settableShape.flow),
  /** Flagged by an author as not ready to be published, and what is missing. */
  notReady: z.optional(z.literal(true)),
  notReadyWhy: z.optional(NotReadyWhy),
  copiedFrom: z.optional(StepId),
  combinedFrom: z.optional(settableShape.combinedFrom),
  /** The step from which this one was split off. */
  splitFrom: z.optional(StepId),
}
/** The values of a step's fields. */
type StepFieldValues = z.infer<z.ZodMiniObject<typeof stepShape>>
/** Name of a field of a step. */
export type StepField = keyof StepFieldValues
/** What is to be known of each field; by what it is changed follows from where its schema stands. */
type StepFields = {
  readonly [F in StepField]-?: Field<NonNullable<StepFieldValues[F]>> & { changedBy: F extends SettableField ? 'set-step' : 'own' | 'none' }
}

const NOT_ENOUGH: Joined<never> = { value: undefined }
const element = <E extends StepElement>(value: E, visit: PictureVisit): E => ({ ...value, pictureId: visit.element(value.pictureId) })
const list = <T>(values: readonly T[]): T[] | undefined => (values.length > 0 ? [...values] : undefined)

const body: StepFields['body'] = {
  ...PLAIN,
  empty: { type: 'doc', content: [] },
  texts: (value, visit) => visit.rich(value, { at: '', where: 'step', most: Infinity }),
  join: (values) => {
    const content = values.flatMap((value) =>
      (value?.content ?? []).filter((block) => block.type !== 'paragraph' || (block.content ?? []).length > 0),
    )
    return { value: content.length > 0 ? { type: 'doc', content } : values[0] }
  },
  copy: (value, { newId }) => freshBlockIds(value, newId),
}

const pictureTexts = (picture: StepPicture, visit: TextVisit): StepPicture => ({
  ...picture,
  alt: visit.plain(picture.alt, { at: picture.id, where: 'picture', most: 1_000 }),
  ...(picture.annotations
    ? { annotations: picture.annotations.map((each) => annotationTexts(each, visit, `${picture.id}:${each.id}`)) }
    : {}),
})
/** What a sheet shows. */
export const sheetPictures = (sheet: NonNullable<StepPicture['sheet']>, visit: PictureVisit): NonNullable<StepPicture['sheet']> => ({
  ...sheet,
  pictures: sheet.pictures.map((each) => ({ ...each, id: visit.stored(each.id) })),
})
/** What one picture of a step shows. The id of a picture with a sheet is no stored picture's. */
export const picturePictures = (picture: StepPicture, visit: PictureVisit): StepPicture =>
  picture.sheet
    ? { ...picture, id: visit.element(picture.id), sheet: sheetPictures(picture.sheet, visit) }
    : { ...picture, id: visit.stored(picture.id) }
const pictures: StepFields['pictures'] = {
  ...PLAIN,
  empty: [],
  changedBy: 'own',
  texts: (value, visit) => value.map((picture) => pictureTexts(picture, visit)),
  pictures: (value, visit) => value.map((picture) => picturePictures(picture, visit)),
  join: (_, joining) => ({ value: [...joining.pictures] }),
}

const action: StepFields['action'] = {
  ...PLAIN,
  pictures: (value, visit) => ({
    ...value,
    ...(value.element ? { element: element(value.element, visit) } : {}),
    ...(value.onto ? { onto: element(value.onto, visit) } : {}),
  }),
  join: ofLeading,
}
const check: StepFields['check'] = {
  ...PLAIN,
  pictures: (value, visit) => ({ ...value, otherPictures: value.otherPictures.map(visit.stored) }),
  join: (values) => {
    const checks = values.flatMap((value) => value ?? [])
    if (checks.length === 0) return NOT_ENOUGH
    return {
      value: {
        sureness: Math.min(...checks.map((each) => each.sureness)),
        doubts: [...new Set(checks.flatMap((each) => each.doubts))].slice(0, 10),
        otherPictures: [...new Set(checks.flatMap((each) => each.otherPictures))].slice(0, 4),
      },
    }
  },
  copy: (value, { elsewhere }) => (elsewhere ? undefined : value),
}
const cautions: StepFields['cautions'] = {
  ...PLAIN,
  empty: [],
  texts: (value, visit) =>
    value.map((caution) => ({ ...caution, words: visit.plain(caution.words, { at: caution.id, where: 'caution', most: 1_000 }) })),
  join: ofAll,
}

function taskTexts(task: Task, visit: TextVisit): Task {
  if (task.kind !== 'pop-up') return task
  return {
    ...task,
    title: visit.plain(task.title, { at: 'title', where: 'pop-up', most: 200 }),
    words: visit.plain(task.words, { at: 'words', where: 'pop-up', most: 1_000 }),
    buttons: task.buttons.map((button) => ({
      ...button,
      words: visit.plain(button.words, { at: `button:${button.id}`, where: 'pop-up', most: 80 }),
    })),
  }
}
const taskPictures = (task: Task, visit: PictureVisit): Task =>
  task.kind === 'several' ? { ...task, elements: task.elements.map((each) => ({ ...each, element: element(each.element, visit) })) } : task
/** Whether an exercise still makes sense where another step gives the element: it must not be about an element of its own. */
function standsAlone(value: Exercise, shown: ReadonlySet<PictureId>): boolean {
  const { task } = value
  if (task?.kind === 'several') return task.elements.every((each) => shown.has(each.element.pictureId))
  return task?.kind !== 'click' && task?.kind !== 'field'
}
const exercise: StepFields['exercise'] = {
  ...PLAIN,
  texts: (value, visit) => ({
    ...value,
    ...(value.task ? { task: taskTexts(value.task, visit) } : {}),
    ...(value.message === undefined ? {} : { message: visit.plain(value.message, { at: 'message', where: 'message', most: 500 }) }),
    ...(value.options
      ? { options: value.options.map((option, n) => visit.plain(option, { at: `option:${n}`, where: 'option', most: 300 })) }
      : {}),
    ...(value.hint === undefined ? {} : { hint: visit.plain(value.hint, { at: 'hint', where: 'hint', most: 500 }) }),
    ...(value.soloWords === undefined ? {} : { soloWords: visit.plain(value.soloWords, { at: 'solo', where: 'solo', most: 1_000 }) }),
  }),
  pictures: (value, visit) => (value.task ? { ...value, task: taskPictures(value.task, visit) } : value),
  join: (values, joining) => {
    const shown = new Set(joining.pictures.flatMap((picture) => [picture.id]))
    const fits = (value: Exercise | undefined, n: number) => value !== undefined && (n === joining.leading || standsAlone(value, shown))
    const at = values[joining.leading] ? joining.leading : values.findIndex(fits)
    return { value: values[at], lost: values.flatMap((value, n) => (value === undefined || n === at ? [] : [n])) }
  },
}

const target = (to: Target, { ids, elsewhere }: Copying): Target =>
  to === 'next' || to === 'end' ? to : ((ids.get(to) as StepId | undefined) ?? (elsewhere ? 'next' : to))
function condition(when: Condition, { ids, elsewhere }: Copying): Condition | undefined {
  if (when.of !== 'value') return when
  const stepId = ids.get(when.stepId) as StepId | undefined
  if (stepId === undefined) return elsewhere ? undefined : when
  return { ...when, stepId }
}
const flow: StepFields['flow'] = {
  ...PLAIN,
  texts: (value, visit) => ({
    ...value,
    ...(value.ask === undefined ? {} : { ask: visit.plain(value.ask, { at: 'ask', where: 'ask', most: 300 }) }),
    ...(value.choices
      ? {
          choices: value.choices.map((choice) => ({
            ...choice,
            words: visit.plain(choice.words, { at: `choice:${choice.id}`, where: 'choice', most: 200 }),
          })),
        }
      : {}),
  }),
  join: ofLast,
  // Where to go is asked once both parts are done; what passes the step over passes over both.
  split: ({ skipWhen, ...onward }) => [
    skipWhen && { skipWhen },
    skipWhen || Object.keys(onward).length > 0 ? { ...onward, ...(skipWhen ? { skipWhen } : {}) } : undefined,
  ],
  copy: ({ choices, rules, skipWhen, ...rest }, copying) => {
    const when = skipWhen && condition(skipWhen, copying)
    const copied = {
      ...rest,
      ...(choices ? { choices: choices.map((choice) => ({ ...choice, to: target(choice.to, copying) })) } : {}),
      ...(rules
        ? {
            rules: rules.flatMap((rule): Rule[] => {
              const ruled = condition(rule.when, copying)
              return ruled ? [{ ...rule, when: ruled, to: target(rule.to, copying) }] : []
            }),
          }
        : {}),
      ...(when ? { skipWhen: when } : {}),
    }
    return sameValue(copied, {}) ? undefined : copied
  },
}

/** Words why something is not ready, of several steps. */
const joinedWhy = (values: readonly (string | undefined)[]): Joined<string> => {
  const words = values.flatMap((value) => (value ? [value] : []))
  return { value: words.length > 0 ? words.join(' · ').slice(0, 300) : undefined }
}

/** What is to be known of every field of a step: a field that is added to {@link stepShape} has to say all of it here. */
export const STEP_FIELDS: StepFields = {
  body,
  pictures,
  action,
  element: { ...PLAIN, pictures: element, join: ofLeading },
  check,
  cautions,
  signs: { ...PLAIN, empty: [], join: (values) => ({ value: list([...new Set(values.flatMap((value) => value ?? []))]) }) },
  exercise,
  flow,
  notReady: { ...PLAIN, changedBy: 'own', join: (values) => ({ value: values.includes(true) || undefined }) },
  notReadyWhy: {
    ...PLAIN,
    changedBy: 'own',
    texts: (value, visit) => visit.plain(value, { at: '', where: 'not-ready', most: 300 }),
    join: joinedWhy,
  },
  copiedFrom: { ...PLAIN, changedBy: 'none', join: ofFirst, copy: () => undefined },
  combinedFrom: {
    ...PLAIN,
    empty: [],
    join: (values, { ids }) => ({ value: ids.flatMap((id, n) => [...(n === 0 ? [] : [id]), ...(values[n] ?? [])]) }),
    copy: () => undefined,
  },
  splitFrom: { ...PLAIN, changedBy: 'none', join: ofFirst, copy: () => undefined },
}
/** Names of the fields that `set-step` sets. */
export const SETTABLE_FIELDS = keysOf(STEP_FIELDS).filter((field): field is SettableField => STEP_FIELDS[field].changedBy === 'set-step')
