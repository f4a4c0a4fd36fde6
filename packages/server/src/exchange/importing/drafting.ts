import { guideItem } from '@jackdaw/core/items'
import type { GuideKind } from '@jackdaw/core/guides'
import type { FolderId, GuideId, PictureId } from '@jackdaw/core/shared'
import type { Decoder, ReadPicture } from '../../decoding'
import { readPicture, storePicture } from '../../files'
import { insertGuide, MAX_DOCUMENT_CHARS } from '../../guides'
import { fail, Refused, type Caller, type Parts } from '../../http'
import { notify } from '../../inbox'

/** A picture that a draft waits for. `path`: as its source names it; `bytes`: `null` where it is missing, and then why. */
type Wanted = { id: PictureId; path: string } & ({ bytes: Buffer } | { bytes: null; why: string })
/** A picture that was read, and is yet to be stored. */
type Ready = { id: PictureId; picture: ReadPicture }
type Missing = { path: string; why: string }

/** Reads the pictures of a draft; those that are none are missing, too. */
export async function readPictures(decoder: Decoder, wanted: readonly Wanted[]): Promise<{ ready: Ready[]; missing: Missing[] }> {
  const ready: Ready[] = []
  const missing: Missing[] = []
  for (const each of wanted) {
    if (each.bytes === null) {
      missing.push({ path: each.path, why: each.why })
      continue
    }
    try {
      ready.push({ id: each.id, picture: await readPicture(decoder, each.bytes) })
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      missing.push({ path: each.path, why: 'not a picture that can be read (PNG, JPEG, WebP, GIF)' })
    }
  }
  return { ready, missing }
}

/** A draft that is to be stored, with its pictures. */
type NewDraft = {
  settled: { documentText: string; title: string; kind: GuideKind; steps: number }
  ready: readonly Ready[]
  missing: readonly Missing[]
  folderId: FolderId | null
}

/** Stores a draft with its pictures, and tells whoever brought it in.
 * @returns its id and number */
export async function storeDraft(
  parts: Parts,
  caller: Caller,
  { settled, ready, missing, folderId }: NewDraft,
  now: number,
): Promise<{ id: GuideId; number: number }> {
  const { database: db, content, newId } = parts
  if (settled.documentText.length > MAX_DOCUMENT_CHARS)
    fail('too-large', 'As a guide this would be too large. Make several of it. Nothing was imported.')
  const id = newId<GuideId>()
  const number = await db.transaction(async (tx) => {
    const given = await insertGuide(tx, { id, draft: settled, ownerId: caller.id, folderId, now })
    for (const each of ready) await storePicture(tx, content, each.picture, { id: each.id, item: guideItem(id), by: caller.id, now })
    const data = { title: settled.title, count: settled.steps, missing: missing.length }
    await notify(tx, parts, 'imported', guideItem(id), [{ personId: caller.id, data }], now)
    return given
  })
  return { id, number }
}
