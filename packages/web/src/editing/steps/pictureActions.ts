import { addPicture, MAX_PICTURE_BYTES, type StoredPicture } from '@jackdaw/contracts/pictures'
import { replacePicture } from '@jackdaw/core/editing'
import type { Sheet, Step } from '@jackdaw/core/guides'
import type { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { call, wordsFor } from '../../api'
import type { DraftSession } from '../saving/draftSession'
import type { PageCallbacks } from '../pageCallbacks'

/** A sheet with one more picture: at most half as wide as the sheet, a little to the right of and below the one before. */
function laidOn(sheet: Sheet, { id, widthPx, heightPx }: StoredPicture): Sheet {
  const width = Math.min(widthPx, sheet.widthPx / 2 - 60)
  const height = (width * heightPx) / widthPx
  const taken = sheet.pictures.reduce((right, each) => Math.max(right, each.rect.x + each.rect.width), 0)
  const x = taken + 40 + width <= sheet.widthPx ? taken + 40 : 40
  return { ...sheet, pictures: [...sheet.pictures, { id, rect: { x, y: 40, width, height } }] }
}

/** What an author does to the pictures of steps, as changes to the session. */
export function pictureActions(guideId: GuideId, session: DraftSession, page: PageCallbacks, stepOf: (id: StepId) => Step | undefined) {
  /** Stores a file for the guide and tells how it goes. */
  const upload = async (stepId: StepId, file: File): Promise<StoredPicture | null> => {
    if (file.size > MAX_PICTURE_BYTES) {
      page.failed(
        `${file.name}: a picture may have 25 MB at most; this one has ${(file.size / 1024 / 1024).toFixed(1)} MB. The step is as it was.`,
      )
      return null
    }
    page.uploading(stepId, file.name, true)
    try {
      const stored = await call(addPicture, {
        params: { id: guideId },
        bytes: file.type.startsWith('image/') ? file : new Blob([file], { type: 'application/octet-stream' }),
      })
      page.stored(stored)
      return stored
    } catch (error) {
      const { title, detail } = wordsFor(error)
      page.failed(`${file.name}: ${title}. ${detail}`)
      return null
    } finally {
      page.uploading(stepId, file.name, false)
    }
  }
  const store = async (stepId: StepId, file: File): Promise<void> => {
    const stored = await upload(stepId, file)
    const last = stepOf(stepId)?.pictures.at(-1)?.id ?? null
    if (stored) session.change({ type: 'insert-picture', stepId, picture: { id: stored.id, alt: '' }, after: last })
  }
  return {
    addPictures: (stepId: StepId, files: readonly File[]) =>
      void files.reduce((before, file) => before.then(() => store(stepId, file)), Promise.resolve()),
    removePicture: (stepId: StepId, pictureId: PictureId) => session.change({ type: 'remove-picture', stepId, pictureId }),
    movePicture: (stepId: StepId, pictureId: PictureId, after: PictureId | null) =>
      session.change({ type: 'move-picture', stepId, pictureId, after }),
    setAlt: (stepId: StepId, pictureId: PictureId, alt: string) => session.change({ type: 'set-picture-alt', stepId, pictureId, alt }),
    /** Shows another picture of the recording instead of the one acted on; the element's place goes along. */
    usePicture: (stepId: StepId, pictureId: PictureId) => {
      const step = stepOf(stepId)
      const was = step?.pictures.find((picture) => picture.id === step.action?.element?.pictureId) ?? step?.pictures[0]
      if (!step) return
      const size = page.sizes()[pictureId] ?? step.action?.element?.of
      if (was && size) session.change(...replacePicture(step, was.id, { id: pictureId, ...size }, { sizes: page.sizes() }))
      else session.change({ type: 'insert-picture', stepId, picture: { id: pictureId, alt: '' }, after: null })
    },
    openBench: page.bench,
    /** Puts a new file in the place of a picture; what is attached to the element goes where the author draws it next. */
    replacePicture: (stepId: StepId, pictureId: PictureId, file: File) =>
      void upload(stepId, file).then((stored) => {
        const step = stepOf(stepId)
        if (!stored || !step) return
        session.change(...replacePicture(step, pictureId, stored, { sizes: page.sizes() }))
        page.bench({ stepId, pictureId: stored.id })
      }),
    /** A blank sheet on which pictures are laid out. */
    addSheet: (stepId: StepId) => {
      const id = nanoid<PictureId>()
      const sheet: Sheet = { widthPx: 1200, heightPx: 750, pictures: [] }
      session.change({
        type: 'insert-picture',
        stepId,
        picture: { id, alt: '', sheet },
        after: stepOf(stepId)?.pictures.at(-1)?.id ?? null,
      })
      page.bench({ stepId, pictureId: id })
    },
    layPicture: (stepId: StepId, pictureId: PictureId, file: File) =>
      void upload(stepId, file).then((stored) => {
        const sheet = stepOf(stepId)?.pictures.find((each) => each.id === pictureId)?.sheet
        if (stored && sheet) session.change({ type: 'set-sheet', stepId, pictureId, sheet: laidOn(sheet, stored) })
      }),
  }
}
