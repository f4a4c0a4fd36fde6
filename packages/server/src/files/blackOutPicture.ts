import type { Rect } from '@jackdaw/core/guides'
import type { TextBox } from '@jackdaw/core/recording'
import type { GuideId, PersonId, PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail, type Parts } from '../http'
import { findVersion, storeContent, type PictureContent, type PictureVersion } from './pictureStore'
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
  { was, areas, filled }: FilledPicture,
  by: { person: PersonId; now: number; amendmentId: string },
): Promise<void> {
  const now = await findVersion(tx, was.id, true)
  if (now?.fullHash !== was.fullHash) fail('draft-moved-on', 'Somebody else has applied a blackout to this picture just now. Try again.')
  const at = new Date(by.now)
  const old = await tx.rows<{ full_hash: string; screen_hash: string; thumb_hash: string }>(
    'delete from picture_version where picture_id = $1 returning full_hash, screen_hash, thumb_hash',
    [was.id],
  )
  await tx.rows(
    `insert into picture_version (picture_id, version, media_type, width_px, height_px, full_hash, screen_hash, thumb_hash, created_at) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
    [was.id, was.version + 1, filled.mediaType, filled.widthPx, filled.heightPx, filled.fullHash, filled.screenHash, filled.thumbHash, at],
  )
  await tx.rows(
    `insert into picture_amendment (id, guide_id, picture_id, version, areas, old_hash, new_hash, amended_by, amended_at)
     select $1, guide_id, id, $3, $4, $5, $6, $7, $8 from picture where id = $2`,
    [by.amendmentId, was.id, was.version + 1, JSON.stringify(areas), was.fullHash, filled.fullHash, by.person, at],
  )
  await tx.rows(
    'insert into edition_amendment (amendment_id, guide_id, edition) select $1, guide_id, edition from picture_use where picture_id = $2',
    [by.amendmentId, was.id],
  )
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
  const text = await tx.one<{ boxes: TextBox[] }>('select boxes from picture_text where picture_id = $1', [was.id])
  if (text)
    await tx.rows('update picture_text set boxes = $2 where picture_id = $1', [
      was.id,
      JSON.stringify(text.boxes.filter((box) => !areas.some((area) => meets(box.rect, area)))),
    ])
  await noteRemoval(
    tx,
    [...old, ...shots].flatMap((row) => [row.full_hash, row.screen_hash, row.thumb_hash]),
  )
}

/** Takes the files of pictures of a guide out of the storage that no step and no edition shows: those that the recorder offered beside the
 * one that was blacked out may show the same. Their ids stay the guide's, so that an undo may still name them. */
export async function dropOffered(tx: Db, guideId: GuideId, ids: readonly PictureId[]): Promise<void> {
  const unused = (
    await tx.rows<{ id: PictureId }>(
      'select id from picture where guide_id = $1 and id = any ($2) and not exists (select 1 from picture_use u where u.picture_id = picture.id)',
      [guideId, [...ids]],
    )
  ).map((row) => row.id)
  if (unused.length === 0) return
  const gone = await tx.rows<{ full_hash: string; screen_hash: string; thumb_hash: string }>(
    `with shots as (delete from recording_shot where picture_id = any ($1) returning full_hash, screen_hash, thumb_hash),
       versions as (delete from picture_version where picture_id = any ($1) returning full_hash, screen_hash, thumb_hash)
     select * from shots union select * from versions`,
    [unused],
  )
  await tx.rows('delete from picture_text where picture_id = any ($1)', [unused])
  await noteRemoval(
    tx,
    gone.flatMap((row) => [row.full_hash, row.screen_hash, row.thumb_hash]),
  )
}

/** A picture with all that were copied from it, or from which it was copied, at any distance; those without files are left out. */
export async function familyOf(db: Db, id: PictureId): Promise<{ id: PictureId; guideId: GuideId }[]> {
  const rows = await db.rows<{ id: PictureId; guide_id: GuideId }>(
    `with recursive kin as (
       select id, guide_id, copied_from from picture where id = $1
       union select p.id, p.guide_id, p.copied_from from picture p join kin k on p.copied_from = k.id or p.id = k.copied_from)
     select id, guide_id from kin where exists (select 1 from picture_version v where v.picture_id = kin.id) order by id`,
    [id],
  )
  return rows.map((row) => ({ id: row.id, guideId: row.guide_id }))
}
