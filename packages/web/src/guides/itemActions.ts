import type { DraftConflict } from '@jackdaw/contracts/guides'
import type { StoredPicture } from '@jackdaw/contracts/pictures'
import { copiesOf, splitStep } from '@jackdaw/core/editing'
import {
  paragraph,
  withBlockIds,
  type Caution,
  type Change,
  type ItemId,
  type PictureSizes,
  type RichText,
  type SignId,
  type Step,
  type StepCheck,
} from '@jackdaw/core/guides'
import type { GuideId, PictureId, SectionId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import type { DraftSession } from './draftSession'
import { pictureActions } from './pictureActions'

export type Told = {
  select: (id: ItemId | null) => void
  focus: (id: ItemId) => void
  uploading: (stepId: StepId, file: string, running: boolean) => void
  failed: (words: string) => void
  removed: (words: string) => void
  /** Wants to record steps after an item; `null`: at the beginning. */
  record: (after: ItemId | null) => void
  /** A picture has been stored: its size is known now. */
  stored: (picture: StoredPicture) => void
  /** Which picture is on the bench. */
  bench: (place: BenchPlace | null) => void
  /** An item was chosen among many, or no longer; `range`: with all from the last one on. */
  tick: (id: ItemId, range: boolean) => void
  sizes: () => PictureSizes
}
/** A picture of a step. */
export type BenchPlace = { stepId: StepId; pictureId: PictureId }

const emptyBody = (): RichText => withBlockIds({ type: 'doc', content: [paragraph()] }, nanoid)

/** What an author does to steps and sections, as changes to the session.
 * @param told what the page wants to hear: what is selected, where the cursor goes, which files are on their way, what failed */
export function itemActions(guideId: GuideId, session: DraftSession, told: Told) {
  const items = () => session.snapshot().document.items
  const indexOf = (id: ItemId) => items().findIndex((item) => item.id === id)
  const stepOf = (id: ItemId) => items().find((item): item is Step => item.kind === 'step' && item.id === id)
  const insert = (change: Extract<Change, { type: 'insert-item' }>) => {
    session.change(change)
    told.select(change.item.id)
    told.focus(change.item.id)
  }
  return {
    select: told.select,
    setBody: (stepId: StepId, body: RichText) => session.change({ type: 'set-body', stepId, body }),
    setSectionTitle: (sectionId: SectionId, title: string) => session.change({ type: 'set-section-title', sectionId, title }),
    addStep: (after: ItemId | null) =>
      insert({ type: 'insert-item', item: { kind: 'step', id: nanoid() as StepId, body: emptyBody(), pictures: [] }, after }),
    addSection: (after: ItemId | null) =>
      insert({ type: 'insert-item', item: { kind: 'section', id: nanoid() as SectionId, title: '' }, after }),
    duplicate: (id: ItemId) => {
      const step = stepOf(id)
      const [copy] = step ? copiesOf([step], nanoid) : []
      if (copy) insert({ type: 'insert-item', item: copy, after: id })
    },
    remove: (id: ItemId) => {
      const at = indexOf(id)
      session.change({ type: 'remove-item', itemId: id })
      told.select(items()[Math.min(at, items().length - 1)]?.id ?? null)
      told.removed(id)
    },
    move: (id: ItemId, by: 1 | -1) => {
      const at = indexOf(id)
      const list = items()
      if (at + by < 0 || at + by >= list.length) return
      session.change({ type: 'move-item', itemId: id, after: (by === 1 ? list[at + 1]!.id : list[at - 2]?.id) ?? null })
    },
    moveAfter: (id: ItemId, after: ItemId | null) => session.change({ type: 'move-item', itemId: id, after }),
    record: told.record,
    setCheck: (stepId: StepId, check: StepCheck | null) => session.change({ type: 'set-check', stepId, check }),
    document: () => session.snapshot().document,
    setOptional: (sectionId: SectionId, optional: boolean) => session.change({ type: 'set-optional', sectionId, optional }),
    change: (...changes: Change[]) => session.change(...changes),
    setCautions: (stepId: StepId, cautions: Caution[]) => session.change({ type: 'set-cautions', stepId, cautions }),
    addCaution: (stepId: StepId) =>
      session.change({
        type: 'set-cautions',
        stepId,
        cautions: [...(stepOf(stepId)?.cautions ?? []), { id: nanoid(), level: 'caution', words: '', acknowledge: false }],
      }),
    setSigns: (stepId: StepId, signs: SignId[]) => session.change({ type: 'set-signs', stepId, signs }),
    setNotReady: (itemId: ItemId, notReady: boolean) => session.change({ type: 'set-not-ready', itemId, notReady }),
    /** Splits a step in two. */
    split: (stepId: StepId, first: RichText, second: RichText) => {
      const step = stepOf(stepId)
      if (!step) return
      const [change, inserted] = splitStep(step, withBlockIds(first, nanoid), second, nanoid)
      session.change(change, inserted)
      told.select(inserted.item.id)
      told.focus(inserted.item.id)
    },
    tick: told.tick,
    ...pictureActions(guideId, session, told, stepOf),
    settle: (conflict: DraftConflict, choice: 'mine' | 'theirs' | 'both') => session.settle(conflict, choice),
  }
}
export type ItemActions = ReturnType<typeof itemActions>
