import type { GuideId, PersonId, PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { ContentStore } from '../storage'
import type { Decoder, ReadPicture } from '../decoding'
import { fail } from '../http'

export type PictureVersion = {
  id: PictureId
  version: number
  mediaType: string
  widthPx: number
  heightPx: number
  fullHash: string
  screenHash: string
  thumbHash: string
}

/** A picture whose files are stored; nothing shows it yet. */
export type PictureContent = Omit<PictureVersion, 'id' | 'version'>
type Of = { id: PictureId; guideId: GuideId; by: PersonId; now: number; copiedFrom?: PictureId }

/** Reads a picture from untrusted bytes and writes it anew, or says why it cannot be read. */
export async function readPicture(decoder: Decoder, bytes: Uint8Array): Promise<ReadPicture> {
  const read = await decoder.picture(bytes)
  return read.ok ? read.picture : fail('not-a-picture', read.words)
}

/** Stores the files of a picture and its smaller ones. */
export async function storeContent(
  content: ContentStore,
  { mediaType, widthPx, heightPx, ...files }: ReadPicture,
): Promise<PictureContent> {
  const [fullHash, screenHash, thumbHash] = await Promise.all([
    content.put(files.full),
    content.put(files.screen),
    content.put(files.thumb),
  ])
  return { mediaType, widthPx, heightPx, fullHash, screenHash, thumbHash }
}

/** Gives a stored picture an id that belongs to a guide. */
export async function adoptPicture(tx: Db, picture: PictureContent, of: Of): Promise<void> {
  const at = new Date(of.now)
  await tx.rows('insert into picture (id, guide_id, created_by, created_at, copied_from) values ($1, $2, $3, $4, $5)', [
    of.id,
    of.guideId,
    of.by,
    at,
    of.copiedFrom ?? null,
  ])
  await tx.rows(
    `insert into picture_version (picture_id, version, media_type, width_px, height_px, full_hash, screen_hash, thumb_hash, created_at) values ($1, 1, $2, $3, $4, $5, $6, $7, $8)`,
    [of.id, picture.mediaType, picture.widthPx, picture.heightPx, picture.fullHash, picture.screenHash, picture.thumbHash, at],
  )
}

/** Stores a picture and its smaller ones and gives it an id that belongs to the guide. */
export async function storePicture(db: Db, content: ContentStore, picture: ReadPicture, of: Of): Promise<void> {
  const stored = await storeContent(content, picture)
  await db.transaction((tx) => adoptPicture(tx, stored, of))
}

type VersionRow = {
  picture_id: PictureId
  version: number
  media_type: string
  width_px: number
  height_px: number
  full_hash: string
  screen_hash: string
  thumb_hash: string
}
const versionOf = (row: VersionRow): PictureVersion => ({
  id: row.picture_id,
  version: row.version,
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

/** The newest version of a picture, whichever guide it belongs to. @param lock hold the picture until the end of the transaction */
export async function findVersion(db: Db, id: PictureId, lock = false): Promise<PictureVersion | undefined> {
  if (lock) await db.rows('select 1 from picture where id = $1 for update', [id])
  const row = await db.one<VersionRow>(`${NEWEST} where p.id = $1 order by v.picture_id, v.version desc`, [id])
  return row && versionOf(row)
}

/** The newest versions of all pictures of a guide. */
export const picturesOfGuide = async (db: Db, guideId: GuideId): Promise<PictureVersion[]> =>
  (await db.rows<VersionRow>(`${NEWEST} where p.guide_id = $1 order by v.picture_id, v.version desc`, [guideId])).map(versionOf)

/** Which guide each of these pictures belongs to; those that do not exist are left out. */
export async function ownersOf(db: Db, ids: readonly string[]): Promise<Map<string, GuideId>> {
  const rows = await db.rows<{ id: string; guide_id: GuideId }>('select id, guide_id from picture where id = any ($1)', [[...ids]])
  return new Map(rows.map((row) => [row.id, row.guide_id]))
}

/** Makes pictures of one guide pictures of another one: ids of its own for the same stored files.
 * @param asked `idFor`: the new id of a picture
 * @returns the new id of each picture that the first guide has */
export async function adoptPicturesOf(
  db: Db,
  asked: { from: GuideId; to: GuideId; pictures: readonly string[]; by: PersonId; now: number; idFor: (id: PictureId) => PictureId },
): Promise<Record<string, PictureId>> {
  const own = (await picturesOfGuide(db, asked.from)).filter((picture) => asked.pictures.includes(picture.id))
  const pairs = own.map((picture) => [picture, asked.idFor(picture.id)] as const)
  await db.transaction(async (tx) => {
    for (const [picture, id] of pairs) {
      await adoptPicture(tx, picture, { id, guideId: asked.to, by: asked.by, now: asked.now, copiedFrom: picture.id })
      await tx.rows('insert into picture_text (picture_id, boxes) select $2, boxes from picture_text where picture_id = $1', [
        picture.id,
        id,
      ])
    }
  })
  return Object.fromEntries(pairs.map(([picture, id]) => [picture.id, id]))
}
