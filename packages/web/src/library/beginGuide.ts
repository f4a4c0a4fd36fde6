import type { BodyOf } from '@jackdaw/contracts/endpoint'
import { getDraft, saveChanges } from '@jackdaw/contracts/guides'
import { createGuide } from '@jackdaw/contracts/library'
import { addPicture, MAX_PICTURE_BYTES } from '@jackdaw/contracts/pictures'
import { outlineItems } from '@jackdaw/core/exchange'
import { richTextOf, withBlockIds, type Change, type GuideItem } from '@jackdaw/core/guides'
import type { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { call, wordsFor } from '../api'

/** What a new guide begins with: an empty step, the lines of an outline, or a step for each picture. */
export type Beginning = { with: 'nothing' } | { with: 'outline'; text: string } | { with: 'pictures'; files: readonly File[] }
/** A guide that was begun, and pictures that could not be taken, each with why. */
export type Begun = { id: GuideId; failed: string[] }
type OnProgress = (done: number, of: number) => void

const CHANGES_AT_ONCE = 500

const newId = <I extends string>(): I => nanoid() as I

async function stored(id: GuideId, file: File): Promise<PictureId> {
  if (file.size > MAX_PICTURE_BYTES) throw new RangeError('more than 25 MB')
  const bytes = file.type.startsWith('image/') ? file : new Blob([file], { type: 'application/octet-stream' })
  return (await call(addPicture, { params: { id }, bytes })).id
}

/** A step for each picture, in the order of the files; those that cannot be taken are left out. */
async function stepsOfPictures(
  id: GuideId,
  files: readonly File[],
  onProgress: OnProgress,
): Promise<{ items: GuideItem[]; failed: string[] }> {
  const items: GuideItem[] = []
  const failed: string[] = []
  for (const [n, file] of files.entries()) {
    try {
      const picture = await stored(id, file)
      items.push({ kind: 'step', id: newId<StepId>(), body: withBlockIds(richTextOf(''), newId), pictures: [{ id: picture, alt: '' }] })
    } catch (error) {
      const { title, detail } = error instanceof RangeError ? { title: error.message, detail: '' } : wordsFor(error)
      failed.push(`${file.name}: ${[title, detail].filter(Boolean).join('. ')}`)
    }
    onProgress(n + 1, files.length)
  }
  return { items, failed }
}

/** Items in the place of the empty step with which a guide begins, each after the one before. */
function insteadOfEmpty(empty: readonly GuideItem[], items: readonly GuideItem[]): Change[] {
  const inserted = items.map((item, n): Change => ({ type: 'insert-item', item, after: items[n - 1]?.id ?? empty.at(-1)?.id ?? null }))
  return [...inserted, ...empty.map((item): Change => ({ type: 'remove-item', itemId: item.id }))]
}

const inParts = <T>(all: readonly T[], most: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / most) }, (_, n) => all.slice(n * most, (n + 1) * most))

/** Makes a guide and puts in what it begins with. */
export async function beginGuide(body: BodyOf<typeof createGuide>, beginning: Beginning, onProgress: OnProgress): Promise<Begun> {
  const { id } = await call(createGuide, { body })
  if (beginning.with === 'nothing') return { id, failed: [] }
  const { items, failed } =
    beginning.with === 'outline'
      ? { items: outlineItems(beginning.text, newId), failed: [] }
      : await stepsOfPictures(id, beginning.files, onProgress)
  if (items.length > 0) {
    const draft = await call(getDraft, { params: { id } })
    let baseRevision = draft.revision
    for (const changes of inParts(insteadOfEmpty(draft.document.items, items), CHANGES_AT_ONCE))
      baseRevision = (await call(saveChanges, { params: { id }, body: { baseRevision, changeSetId: nanoid(), changes, form: 2 } })).revision
  }
  return { id, failed }
}
