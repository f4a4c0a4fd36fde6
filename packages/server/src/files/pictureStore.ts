import type { GuideId, PersonId, PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { ContentStore } from '../storage'
import type { ReadPicture } from './readPicture'

export type PictureVersion = {
  id: PictureId
  mediaType: string
  widthPx: number
  heightPx: number
  fullHash: string
  screenHash: string
  thumbHash: string
}

/** Stores a picture and its smaller ones and gives it an id that belongs to the guide. */
export async function storePicture(
  db: Db,
  content: ContentStore,
  picture: ReadPicture,
  of: { id: PictureId; guideId: GuideId; by: PersonId; now: number },
): Promise<void> {
  const [full, screen, thumb] = await Promise.all([content.put(picture.full), content.put(picture.screen), content.put(picture.thumb)])
  await db.transaction(async (tx) => {
    await tx.rows('insert into picture (id, guide_id, created_by, created_at) values ($1, $2, $3, $4)', [
      of.id,
      of.guideId,
      of.by,
      new Date(of.now),
    ])
    await tx.rows(
      `insert into picture_version (picture_id, version, media_type, width_px, height_px, full_hash, screen_hash, thumb_hash, created_at) values ($1, 1, $2, $3, $4, $5, $6, $7, $8)`,
      [of.id, picture.mediaType, picture.widthPx, picture.heightPx, full, screen, thumb, new Date(of.now)],
    )
  })
}

type VersionRow = {
  picture_id: PictureId
  media_type: string
  width_px: number
  height_px: number
  full_hash: string
  screen_hash: string
  thumb_hash: string
}
const versionOf = (row: VersionRow): PictureVersion => ({
  id: row.picture_id,
  mediaType: row.media_type,
  widthPx: row.width_px,
  heightPx: row.height_px,
  fullHash: row.full_hash,
  screenHash: row.screen_hash,
  thumbHash: row.thumb_hash,
})
const NEWEST = `select distinct on (v.picture_id) v.* from picture_version v join picture p on p.id = v.picture_id`

/** The newest version of a picture of a guide; with an edition, only when that edition shows it. */
export async function findPicture(db: Db, guideId: GuideId, pictureId: PictureId, edition?: number): Promise<PictureVersion | undefined> {
  const used =
    edition === undefined
      ? ''
      : 'and exists (select 1 from picture_use u where u.guide_id = p.guide_id and u.edition = $3 and u.picture_id = p.id)'
  const row = await db.one<VersionRow>(
    `${NEWEST} where p.guide_id = $1 and p.id = $2 ${used} order by v.picture_id, v.version desc`,
    edition === undefined ? [guideId, pictureId] : [guideId, pictureId, edition],
  )
  return row ? versionOf(row) : undefined
}

/** The newest versions of all pictures that an edition shows. */
export const picturesOfEdition = async (db: Db, guideId: GuideId, edition: number): Promise<PictureVersion[]> =>
  (
    await db.rows<VersionRow>(
      `${NEWEST} join picture_use u on u.picture_id = p.id where u.guide_id = $1 and u.edition = $2 order by v.picture_id, v.version desc`,
      [guideId, edition],
    )
  ).map(versionOf)

/** Which of these pictures belong to the guide. */
export async function ownPictures(db: Db, guideId: GuideId, ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set()
  return new Set(
    (await db.rows<{ id: string }>('select id from picture where guide_id = $1 and id = any ($2)', [guideId, [...ids]])).map(
      (row) => row.id,
    ),
  )
}
