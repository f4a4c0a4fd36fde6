import { guideItem } from '@jackdaw/core/items'
import type { FolderId, GuideId, PictureId } from '@jackdaw/core/shared'
import { adoptPicturesOf, picturesOfItem } from '../files'
import { draftTextOf, insertGuide } from '../guides'
import { fail, type Caller, type Parts } from '../http'
import { refuseMissingFolder } from './folders'

/** Makes a guide like another one, owned by the caller.
 * @returns its id and number */
export async function duplicate(
  { database: db, decoder, newId }: Parts,
  caller: Caller,
  from: GuideId,
  { title, folderId }: { title: string; folderId: FolderId | null },
  now: number,
): Promise<{ id: GuideId; number: number }> {
  await refuseMissingFolder(db, folderId, '/body/folderId')
  const [documentText, own] = await Promise.all([draftTextOf(db, from), picturesOfItem(db, guideItem(from))])
  if (documentText === undefined) return fail('not-found')
  const id = newId<GuideId>()
  const pictures = Object.fromEntries(own.map((picture) => [picture.id, newId<PictureId>()]))
  const copy = await decoder.copy({ documentText, title, pictures })
  if (!copy.ok) return fail('too-large', copy.words)
  const number = await db.transaction(async (tx) => {
    const given = await insertGuide(tx, { id, draft: copy.copied, ownerId: caller.id, folderId, now })
    await adoptPicturesOf(tx, {
      from: guideItem(from),
      to: guideItem(id),
      pictures: copy.used,
      by: caller.id,
      now,
      idFor: (each) => pictures[each]!,
    })
    return given
  })
  return { id, number }
}
