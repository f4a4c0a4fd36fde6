import type { Rect } from '@jackdaw/core/guides'
import type { TextBox } from '@jackdaw/core/recording'
import type { ItemId, ItemKind, ItemRef } from '@jackdaw/core/items'
import type { PersonId, PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail, type Parts } from '../http'
import { EDITION_AMENDMENT, PICTURE, PICTURE_AMENDMENT, PICTURE_TEXT, PICTURE_USE, PICTURE_VERSION } from './model'
import { textOfPicture } from './pictureText'
import { findVersion, itemOfRow, storeContent, type PictureContent, type PictureVersion } from './pictureStore'
import { noteRemoval } from './removeFiles'

/** A picture whose files without the areas are stored; nothing shows them yet. */
export type FilledPicture = { was: PictureVersion; areas: Rect[]; filled: PictureContent }

/** Makes the files of a picture without the areas. */
export async function fillPicture(
  db: Db,
  { content, decoder }: Pick<Parts, 'content' | 'decoder'>,
  id: PictureId,
  areas: Rect[],
): Promise<FilledPicture> {
  const was = (await findVersion(db, id)) ?? fail('not-found')
  const full = (await content.get(was.fullHash)) ?? fail('not-found', 'The picture’s file is missing from the storage.')
  const filled = await decoder.fill(full, was.mediaType, areas)
  if (!filled.ok) return fail('not-a-picture', filled.words)
  return { was, areas, filled: await storeContent(content, filled.picture) }
}

const meets = (a: Rect, b: Rect): boolean => a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height

/** Puts the new files in the place of all older ones, in the draft and in every edition, and writes down that it was done. The older files
 * are noted for removal. */
export async function amendPicture(
  tx: Db,
  parts: Pick<Parts, 'newId' | 'mail' | 'config' | 'blackoutFollowers'>,
  { was, areas, filled }: FilledPicture,
  by: { person: PersonId; now: number; amendmentId: string },
): Promise<void> {
  const now = await findVersion(tx, was.id, true)
  if (now?.fullHash !== was.fullHash) fail('draft-moved-on', 'Somebody else has applied a blackout to this picture just now. Try again.')
  const old = await tx.in(PICTURE_VERSION).find({ pictureId: was.id })
  await tx.in(PICTURE_VERSION).remove({ pictureId: was.id })
  await tx.in(PICTURE_VERSION).insert({ ...filled, pictureId: was.id, version: was.version + 1, createdAt: by.now })
  const picture = (await tx.in(PICTURE).one({ id: was.id })) ?? fail('not-found')
  await tx.in(PICTURE_AMENDMENT).insert({
    id: by.amendmentId,
    itemKind: picture.itemKind,
    itemId: picture.itemId,
    pictureId: was.id,
    version: was.version + 1,
    areas,
    oldHash: was.fullHash,
    newHash: filled.fullHash,
    amendedBy: by.person,
    amendedAt: by.now,
  })
  const uses = await tx.in(PICTURE_USE).find({ pictureId: was.id }, { only: ['itemKind', 'itemId', 'edition'] })
  await tx.in(EDITION_AMENDMENT).insertAll(uses.map((use) => ({ ...use, amendmentId: by.amendmentId })))
  // What the recorder brought home for this picture: its files, and the words that it saw there.
  const shots = await tx.rows<{ recording_id: string; shot_id: string; full_hash: string; screen_hash: string; thumb_hash: string }>(
    `select recording_id, shot_id, full_hash, screen_hash, thumb_hash from recording_shot where picture_id = $1 for update`,
    [was.id],
  )
  await tx.rows('update recording_shot set media_type = $2, full_hash = $3, screen_hash = $4, thumb_hash = $5 where picture_id = $1', [
    was.id,
    filled.mediaType,
    filled.fullHash,
    filled.screenHash,
    filled.thumbHash,
  ])
  for (const shot of shots)
    await tx.rows(`update recording_action set action = action - 'textBoxes' where recording_id = $1 and action -> 'shot' ->> 'id' = $2`, [
      shot.recording_id,
      shot.shot_id,
    ])
  const isLeft = (box: TextBox): boolean => !areas.some((area) => meets(box.rect, area))
  await tx.in(PICTURE_TEXT).update({ boxes: (await textOfPicture(tx, was.id)).filter(isLeft) }, { pictureId: was.id })
  for (const follow of parts.blackoutFollowers) await follow(tx, parts, [was.id], by.now)
  await noteRemoval(tx, [
    ...old.flatMap((row) => [row.fullHash, row.screenHash, row.thumbHash]),
    ...shots.flatMap((row) => [row.full_hash, row.screen_hash, row.thumb_hash]),
  ])
}

/** Takes the files of pictures of an item out of the storage, as far as no edition shows them. Their ids stay the item's, so that an undo may
 * still name them. */
export async function dropFiles(tx: Db, { kind, id }: ItemRef, ids: readonly PictureId[]): Promise<void> {
  const unused = (
    await tx.rows<{ id: PictureId }>(
      'select id from picture where item_kind = $1 and item_id = $2 and id = any ($3) and not exists (select 1 from picture_use u where u.picture_id = picture.id)',
      [kind, id, [...ids]],
    )
  ).map((row) => row.id)
  if (unused.length === 0) return
  const gone = await tx.rows<{ full_hash: string; screen_hash: string; thumb_hash: string }>(
    `with shots as (delete from recording_shot where picture_id = any ($1) returning full_hash, screen_hash, thumb_hash),
       versions as (delete from picture_version where picture_id = any ($1) returning full_hash, screen_hash, thumb_hash)
     select * from shots union select * from versions`,
    [unused],
  )
  await tx.in(PICTURE_TEXT).remove({ pictureId: unused })
  await noteRemoval(
    tx,
    gone.flatMap((row) => [row.full_hash, row.screen_hash, row.thumb_hash]),
  )
}

/** A picture with all that were copied from it, or from which it was copied, at any distance; those without files are left out. */
export async function familyOf(db: Db, id: PictureId): Promise<{ id: PictureId; item: ItemRef | null }[]> {
  const rows = await db.rows<{ id: PictureId; itemKind: ItemKind | null; itemId: ItemId | null }>(
    `with recursive kin as (
       select id, item_kind, item_id, copied_from from picture where id = $1
       union select p.id, p.item_kind, p.item_id, p.copied_from from picture p join kin k on p.copied_from = k.id or p.id = k.copied_from)
     select id, item_kind as "itemKind", item_id as "itemId" from kin where exists (select 1 from picture_version v where v.picture_id = kin.id) order by id`,
    [id],
  )
  return rows.map((row) => ({ id: row.id, item: itemOfRow(row) }))
}
