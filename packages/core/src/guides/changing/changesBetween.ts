import { sameValue } from '../../shared'
import type { GuideItem, GuideQuiz, Section, Step } from '../document'
import { sameField } from '../guideItems'
import { SETTABLE_FIELDS } from '../stepFields'
import type { StepPicture } from '../stepPicture'
import type { Change } from './changes'

/** The changes that make one state of an item of another one, with the same id; of the fields that changes can set. Changes of single texts and
 * annotations stay single, so that they clash with nothing else.
 * @throws RangeError when the two are not one item */
export function changesBetween(before: GuideItem, after: GuideItem): Change[] {
  if (before === after) return []
  if (before.id !== after.id || before.kind !== after.kind) throw new RangeError(`${before.id} is not ${after.id}`)
  const changes =
    before.kind === 'step' && after.kind === 'step'
      ? [...pictureChanges(before, after), ...fieldChanges(before, after)]
      : before.kind === 'section' && after.kind === 'section'
        ? sectionChanges(before, after)
        : before.kind === 'quiz' && after.kind === 'quiz'
          ? quizChanges(before, after)
          : []
  const whyOf = ({ notReady, notReadyWhy = '' }: GuideItem) => (notReady ? notReadyWhy.trim() : '')
  if (!before.notReady === !after.notReady && whyOf(before) === whyOf(after)) return changes
  const why = whyOf(after) === '' ? {} : { why: after.notReadyWhy }
  return [...changes, { type: 'set-not-ready', itemId: before.id, notReady: after.notReady === true, ...why }]
}

function fieldChanges(before: Step, after: Step): Change[] {
  const changed = SETTABLE_FIELDS.filter((field) => !sameField(before, after, field))
  if (changed.length === 0) return []
  return [{ type: 'set-step', stepId: before.id, fields: Object.fromEntries(changed.map((field) => [field, after[field] ?? null])) }]
}
const sectionChanges = (before: Section, after: Section): Change[] => [
  ...(before.title === after.title ? [] : [{ type: 'set-section-title' as const, sectionId: before.id, title: after.title }]),
  ...(!before.optional === !after.optional
    ? []
    : [{ type: 'set-optional' as const, sectionId: before.id, optional: after.optional === true }]),
]

const quizChanges = (before: GuideQuiz, { id, quizId, need }: GuideQuiz): Change[] =>
  before.quizId === quizId && before.need === need ? [] : [{ type: 'set-quiz', guideQuizId: id, quizId, need }]

function pictureChanges({ id: stepId, pictures: were }: Step, { pictures: are }: Step): Change[] {
  const changes: Change[] = were
    .filter((was) => !are.some((each) => each.id === was.id))
    .map((was) => ({ type: 'remove-picture', stepId, pictureId: was.id }))
  /** Where the pictures stand by what was said so far. */
  let order = were.filter((was) => are.some((each) => each.id === was.id)).map((each) => each.id)
  are.forEach((picture, n) => {
    const after = are[n - 1]?.id ?? null
    const was = were.find((each) => each.id === picture.id)
    if (!was || !sameSheet(was, picture)) {
      if (was) changes.push({ type: 'remove-picture', stepId, pictureId: was.id })
      changes.push({ type: 'insert-picture', stepId, picture, after })
    } else {
      if (order[n] !== picture.id) changes.push({ type: 'move-picture', stepId, pictureId: picture.id, after })
      changes.push(...withinPicture(stepId, was, picture))
    }
    order = [...order.slice(0, n).filter((id) => id !== picture.id), picture.id, ...order.slice(n).filter((id) => id !== picture.id)]
  })
  return changes
}
/** A picture does not become a sheet, nor a sheet a picture. */
const sameSheet = (a: StepPicture, b: StepPicture): boolean => (a.sheet === undefined) === (b.sheet === undefined)

function withinPicture(stepId: Step['id'], was: StepPicture, is: StepPicture): Change[] {
  const at = { stepId, pictureId: is.id }
  const changes: Change[] = []
  if (was.alt !== is.alt) changes.push({ type: 'set-picture-alt', ...at, alt: is.alt })
  if (!sameValue(was.shown, is.shown)) changes.push({ type: 'set-shown', ...at, shown: is.shown ?? null })
  if (is.sheet && !sameValue(was.sheet, is.sheet)) changes.push({ type: 'set-sheet', ...at, sheet: is.sheet })
  const [before, after] = [was.annotations ?? [], is.annotations ?? []]
  const kept = before.filter((each) => after.some((now) => now.id === each.id))
  // An annotation that is put where one with its id stands keeps its place among the others: what changes places goes first.
  const inOrder = sameValue(
    kept.map((each) => each.id),
    after.filter((each) => kept.some((was) => was.id === each.id)).map((each) => each.id),
  )
  const goes = inOrder ? before.filter((each) => !kept.includes(each)) : before
  for (const each of goes) changes.push({ type: 'remove-annotation', ...at, annotationId: each.id })
  after.forEach((annotation, n) => {
    const old = inOrder ? kept.find((each) => each.id === annotation.id) : undefined
    if (!sameValue(old, annotation)) changes.push({ type: 'put-annotation', ...at, annotation, after: after[n - 1]?.id ?? null })
  })
  return changes
}
