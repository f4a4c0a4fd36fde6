import { itemKey, itemRefOf, type ItemId, type ItemKind, type ItemRef } from '@jackdaw/core/items'
import type { PersonId, PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { ContentStore } from '../storage'
import type { Decoder, ReadPicture } from '../decoding'
import { fail } from '../http'
import { PICTURE, PICTURE_USE, PICTURE_VERSION } from './model'
import { storePictureText, textOfPicture } from './pictureText'

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
/** To what a picture belongs; `item`: `null` where that is no item. */
type Of = { id: PictureId; item: ItemRef | null; by: PersonId; now: number; copiedFrom?: PictureId }

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

/** Gives a stored picture an id that belongs to an item. */
export async function adoptPicture(tx: Db, picture: PictureContent, { id, item, by, now, copiedFrom }: Of): Promise<void> {
  const { mediaType, widthPx, heightPx, fullHash, screenHash, thumbHash } = picture
  await tx.in(PICTURE).insert({
    id,
    itemKind: item?.kind ?? null,
    itemId: item?.id ?? null,
    createdBy: by,
    createdAt: now,
    copiedFrom: copiedFrom ?? null,
  })
  await tx
    .in(PICTURE_VERSION)
    .insert({ pictureId: id, version: 1, mediaType, widthPx, heightPx, fullHash, screenHash, thumbHash, createdAt: now })
}

/** Stores a picture and its smaller ones and gives it an id that belongs to an item. */
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

/** The newest version of a picture of an item; with an edition, only when that edition shows it. */
export async function findPicture(
  db: Db,
  { kind, id }: ItemRef,
  pictureId: PictureId,
  edition?: number,
): Promise<PictureVersion | undefined> {
  const row = await db.one<VersionRow>(
    `${NEWEST} where p.item_kind = $1 and p.item_id = $2 and p.id = $3
       and ($4::int is null or exists (select 1 from picture_use u where u.item_kind = p.item_kind and u.item_id = p.item_id and u.edition = $4 and u.picture_id = p.id))
     order by v.picture_id, v.version desc`,
    [kind, id, pictureId, edition ?? null],
  )
  return row ? versionOf(row) : undefined
}

/** The newest versions of all pictures that an edition shows. */
export const picturesOfEdition = async (db: Db, { kind, id }: ItemRef, edition: number): Promise<PictureVersion[]> =>
  (
    await db.rows<VersionRow>(
      `${NEWEST} join picture_use u on u.picture_id = p.id where u.item_kind = $1 and u.item_id = $2 and u.edition = $3 order by v.picture_id, v.version desc`,
      [kind, id, edition],
    )
  ).map(versionOf)

/** Writes down which pictures an edition shows. */
export const notePictureUse = (tx: Db, { kind, id }: ItemRef, edition: number, pictures: readonly PictureId[]): Promise<void> =>
  tx.in(PICTURE_USE).insertAll([...new Set(pictures)].map((pictureId) => ({ itemKind: kind, itemId: id, edition, pictureId })))

/** The newest version of a picture, whatever it belongs to. @param lock hold the picture until the end of the transaction */
export async function findVersion(db: Db, id: PictureId, lock = false): Promise<PictureVersion | undefined> {
  if (lock) await db.in(PICTURE).one({ id }, { lock })
  const row = await db.one<VersionRow>(`${NEWEST} where p.id = $1 order by v.picture_id, v.version desc`, [id])
  return row && versionOf(row)
}

/** The newest versions of all pictures of an item. */
export const picturesOfItem = async (db: Db, { kind, id }: ItemRef): Promise<PictureVersion[]> =>
  (await db.rows<VersionRow>(`${NEWEST} where p.item_kind = $1 and p.item_id = $2 order by v.picture_id, v.version desc`, [kind, id])).map(
    versionOf,
  )

/** The item of a row; `null` where it belongs to none. */
export const itemOfRow = (row: { itemKind: ItemKind | null; itemId: ItemId | null }): ItemRef | null =>
  row.itemKind === null || row.itemId === null ? null : itemRefOf(row.itemKind, row.itemId)

/** The item that each of these pictures belongs to, as its key; those that do not exist, or belong to none, are left out. */
export async function ownersOf(db: Db, ids: readonly PictureId[]): Promise<Map<PictureId, string>> {
  const rows = await db.in(PICTURE).find({ id: [...ids] })
  return new Map(
    rows.flatMap((row) => {
      const item = itemOfRow(row)
      return item ? [[row.id, itemKey(item)] as const] : []
    }),
  )
}

/** Makes pictures of one item pictures of another one: ids of its own for the same stored files.
 * @param asked `idFor`: the new id of a picture
 * @returns the new id of each picture that the first item has */
export async function adoptPicturesOf(
  db: Db,
  asked: { from: ItemRef; to: ItemRef; pictures: readonly string[]; by: PersonId; now: number; idFor: (id: PictureId) => PictureId },
): Promise<Record<string, PictureId>> {
  const own = (await picturesOfItem(db, asked.from)).filter((picture) => asked.pictures.includes(picture.id))
  const pairs = own.map((picture) => [picture, asked.idFor(picture.id)] as const)
  await db.transaction(async (tx) => {
    for (const [picture, id] of pairs) {
      await adoptPicture(tx, picture, { id, item: asked.to, by: asked.by, now: asked.now, copiedFrom: picture.id })
      await storePictureText(tx, id, await textOfPicture(tx, picture.id))
    }
  })
  return Object.fromEntries(pairs.map(([picture, id]) => [picture.id, id]))
}

/** The newest version of a picture that an edition shows, to whatever it belongs. */
export async function findUsedPicture(
  db: Db,
  { kind, id }: ItemRef,
  edition: number,
  pictureId: PictureId,
): Promise<PictureVersion | undefined> {
  const row = await db.one<VersionRow>(
    `${NEWEST} join picture_use u on u.picture_id = p.id where u.item_kind = $1 and u.item_id = $2 and u.edition = $3 and p.id = $4 order by v.picture_id, v.version desc`,
    [kind, id, edition, pictureId],
  )
  return row && versionOf(row)
}
