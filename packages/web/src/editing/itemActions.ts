import { type GuideId, type GuideQuizId, nth, type QuizId, type SectionId, type StepId } from '@jackdaw/core/shared'
import type { PageCallbacks } from './pageCallbacks'
import type { DraftConflict } from '@jackdaw/contracts/guides'
import { copiesOf, joinWithBefore, splitStep, type JoinedSteps } from '@jackdaw/core/editing'
import {
  paragraph,
  withBlockIds,
  type Caution,
  type Change,
  type GuideQuiz,
  type ItemId,
  type RichText,
  type SignId,
  type Step,
  type StepCheck,
} from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import type { DraftSession } from './saving/draftSession'
import { pictureActions } from './steps/pictureActions'

const NOT_JOINED: Record<Extract<JoinedSteps, { refused: string }>['refused'], string> = {
  'is-first': 'This is the beginning of the guide: there is no step before it to join.',
  'after-heading': 'Not joined: a section or a quiz stands before this step.',
  'both-have-an-element':
    'Not joined: both steps have something to do on their pictures, and one step can have only one. Choose both and join them into one step.',
}

const emptyBody = (): RichText => withBlockIds({ type: 'doc', content: [paragraph()] }, nanoid)

const emptyStep = (): Step => ({ kind: 'step', id: nanoid<StepId>(), body: emptyBody(), pictures: [] })

/** The items of a guide as they are at the moment. */
function itemsOf(session: DraftSession) {
  const items = () => session.snapshot().document.items
  return {
    items,
    indexOf: (id: ItemId) => items().findIndex((item) => item.id === id),
    stepOf: (id: ItemId) => items().find((item): item is Step => item.kind === 'step' && item.id === id),
    numberOf: (id: ItemId) =>
      items()
        .filter((item) => item.kind === 'step')
        .findIndex((item) => item.id === id) + 1,
  }
}
type Items = ReturnType<typeof itemsOf>

/** What is put into a guide, taken out of it, and moved in it. */
function orderActions(session: DraftSession, page: PageCallbacks, { items, indexOf, stepOf, numberOf }: Items) {
  const insert = (change: Extract<Change, { type: 'insert-item' }>) => {
    session.change(change)
    page.select(change.item.id)
    page.focus(change.item.id)
  }
  return {
    addStep: (after: ItemId | null) => insert({ type: 'insert-item', item: emptyStep(), after }),
    /** A new step beside this one, where its author splits it at its beginning or its end. */
    addStepBeside: (stepId: StepId, where: 'before' | 'after') => {
      const at = indexOf(stepId)
      const item = emptyStep()
      insert({ type: 'insert-item', item, after: where === 'after' ? stepId : (items()[at - 1]?.id ?? null) })
      page.said('New step {{n}}', { n: numberOf(item.id) })
    },
    addSection: (after: ItemId | null) =>
      insert({ type: 'insert-item', item: { kind: 'section', id: nanoid<SectionId>(), title: '' }, after }),
    addQuiz: (quizId: QuizId, after: ItemId | null) =>
      insert({ type: 'insert-item', item: { kind: 'quiz', id: nanoid<GuideQuizId>(), quizId, need: 'passed' }, after }),
    duplicate: (id: ItemId) => {
      const step = stepOf(id)
      const [copy] = step ? copiesOf([step], nanoid) : []
      if (copy) insert({ type: 'insert-item', item: copy, after: id })
    },
    remove: (id: ItemId) => {
      const at = indexOf(id)
      session.change({ type: 'remove-item', itemId: id })
      page.select(items()[Math.min(at, items().length - 1)]?.id ?? null)
      page.removed(id)
    },
    move: (id: ItemId, by: 1 | -1) => {
      const at = indexOf(id)
      const list = items()
      if (at + by < 0 || at + by >= list.length) return
      session.change({ type: 'move-item', itemId: id, after: (by === 1 ? nth(list, at + 1).id : list[at - 2]?.id) ?? null })
    },
    moveAfter: (id: ItemId, after: ItemId | null) => session.change({ type: 'move-item', itemId: id, after }),
  }
}

/** Steps split in two and joined into one. */
function joinActions(session: DraftSession, page: PageCallbacks, { indexOf, stepOf, numberOf }: Items) {
  return {
    split: (stepId: StepId, first: RichText, second: RichText) => {
      const step = stepOf(stepId)
      if (!step) return
      const { changes, into } = splitStep(step, withBlockIds(first, nanoid), second, nanoid)
      session.change(...changes)
      page.select(into)
      page.focus(into, 'start')
      page.said('Split: what stood behind the cursor is step {{n}} now', { n: numberOf(into) })
    },
    /** Joins a step with the one before it, or says why not. */
    join: (stepId: StepId) => {
      const joined = joinWithBefore(session.snapshot().document, stepId, page.sizes())
      if ('refused' in joined) return page.said(NOT_JOINED[joined.refused])
      session.change(...joined.changes)
      if (indexOf(stepId) >= 0) return
      page.select(joined.into)
      page.focus(joined.into, joined.block === Infinity ? 'end' : joined.block)
      page.said('Joined with step {{n}}. Ctrl+Z takes it back.', { n: joined.number })
    },
  }
}

/** What an author does to steps and sections, as changes to the session.
 * @param page what the page wants to hear: what is selected, where the cursor goes, which files are on their way, what failed */
export function itemActions(guideId: GuideId, session: DraftSession, page: PageCallbacks) {
  const known = itemsOf(session)
  const setStep = (stepId: StepId, fields: Extract<Change, { type: 'set-step' }>['fields']) =>
    session.change({ type: 'set-step', stepId, fields })
  return {
    select: page.select,
    tick: page.tick,
    record: page.record,
    document: () => session.snapshot().document,
    change: (...changes: Change[]) => session.change(...changes),
    settle: (conflict: DraftConflict, choice: 'mine' | 'theirs' | 'both') => session.settle(conflict, choice),
    ...orderActions(session, page, known),
    ...joinActions(session, page, known),
    ...pictureActions(guideId, session, page, known.stepOf),
    setBody: (stepId: StepId, body: RichText) => setStep(stepId, { body }),
    setSectionTitle: (sectionId: SectionId, title: string) => session.change({ type: 'set-section-title', sectionId, title }),
    setOptional: (sectionId: SectionId, optional: boolean) => session.change({ type: 'set-optional', sectionId, optional }),
    setQuiz: ({ id: guideQuizId, quizId, need }: GuideQuiz) => session.change({ type: 'set-quiz', guideQuizId, quizId, need }),
    setCheck: (stepId: StepId, check: StepCheck | null) => setStep(stepId, { check }),
    setCautions: (stepId: StepId, cautions: Caution[]) => setStep(stepId, { cautions }),
    addCaution: (stepId: StepId) =>
      setStep(stepId, {
        cautions: [...(known.stepOf(stepId)?.cautions ?? []), { id: nanoid(), level: 'caution', words: '', acknowledge: false }],
      }),
    setSigns: (stepId: StepId, signs: SignId[]) => setStep(stepId, { signs }),
    setNotReady: (itemId: ItemId, notReady: boolean, why = '') =>
      session.change({ type: 'set-not-ready', itemId, notReady, ...(why ? { why } : {}) }),
  }
}
export type ItemActions = ReturnType<typeof itemActions>
