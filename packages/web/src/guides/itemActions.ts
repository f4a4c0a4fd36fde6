import { addPicture, MAX_PICTURE_BYTES, type DraftConflict } from '@jackdaw/contracts/guides'
import { paragraph, withBlockIds, type Change, type ItemId, type RichText, type Step } from '@jackdaw/core/guides'
import type { GuideId, PictureId, SectionId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { call, wordsFor } from '../api'
import type { DraftSession } from './draftSession'

export type Told = {
  select: (id: ItemId | null) => void
  focus: (id: ItemId) => void
  uploading: (stepId: StepId, file: string, running: boolean) => void
  failed: (words: string) => void
  removed: (words: string) => void
}

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
  const store = async (stepId: StepId, file: File): Promise<void> => {
    if (file.size > MAX_PICTURE_BYTES)
      return told.failed(
        `${file.name}: a picture may have 25 MB at most; this one has ${(file.size / 1024 / 1024).toFixed(1)} MB. The step is as it was.`,
      )
    told.uploading(stepId, file.name, true)
    try {
      const stored = await call(addPicture, {
        params: { id: guideId },
        bytes: file.type.startsWith('image/') ? file : new Blob([file], { type: 'application/octet-stream' }),
      })
      const last = stepOf(stepId)?.pictures.at(-1)?.id ?? null
      session.change({ type: 'insert-picture', stepId, picture: { id: stored.id, alt: '' }, after: last })
    } catch (error) {
      const { title, detail } = wordsFor(error)
      told.failed(`${file.name}: ${title}. ${detail}`)
    } finally {
      told.uploading(stepId, file.name, false)
    }
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
      if (step)
        insert({
          type: 'insert-item',
          item: {
            ...step,
            id: nanoid() as StepId,
            body: withBlockIds(
              {
                type: 'doc',
                content: step.body.content.map(({ attrs, ...block }) => ({
                  ...block,
                  ...(attrs ? { attrs: { ...attrs, id: undefined } } : {}),
                })) as RichText['content'],
              },
              nanoid,
            ),
            copiedFrom: step.id,
          },
          after: step.id,
        })
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
    addPictures: (stepId: StepId, files: readonly File[]) =>
      void files.reduce((before, file) => before.then(() => store(stepId, file)), Promise.resolve()),
    removePicture: (stepId: StepId, pictureId: PictureId) => session.change({ type: 'remove-picture', stepId, pictureId }),
    movePicture: (stepId: StepId, pictureId: PictureId, after: PictureId | null) =>
      session.change({ type: 'move-picture', stepId, pictureId, after }),
    setAlt: (stepId: StepId, pictureId: PictureId, alt: string) => session.change({ type: 'set-picture-alt', stepId, pictureId, alt }),
    settle: (conflict: DraftConflict, choice: 'mine' | 'theirs' | 'both') => session.settle(conflict, choice),
  }
}
export type ItemActions = ReturnType<typeof itemActions>
