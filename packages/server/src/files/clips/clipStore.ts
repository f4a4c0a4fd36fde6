import { CLIP_LIMITS, readCaptions, type NewClip } from '@jackdaw/core/clips'
import type { ItemRef } from '@jackdaw/core/items'
import type { CaptionsId, ClipId, PersonId } from '@jackdaw/core/shared'
import type { Attributes } from 'sequelize'
import type { Database, Db } from '../../db'
import { fail } from '../../http'
import type { ContentStore } from '../../storage'
import { noteRemoval } from '../removeFiles'
import { clipType } from './clipType'
import { CLIP, CLIP_CAPTIONS, CLIP_PART, CLIP_USE, type ClipOwner, type ClipRow } from './model'

/** A clip as it is stored. */
export type Clip = Attributes<ClipRow>
/** Whether all of a clip has come. */
const isWhole = ({ bytes, receivedBytes }: Pick<Clip, 'bytes' | 'receivedBytes'>): boolean => bytes === receivedBytes

const GB = 1024 ** 3
/** So many bytes are taken for one owner: what is not used goes after some time, and makes room. */
const MOST_BYTES: Record<ClipOwner['kind'], number> = { quiz: 50 * GB, bank: 50 * GB, 'quiz-attempt': 3 * GB }

/** Begins a clip, of which nothing has come yet. */
export async function beginClip(
  db: Database,
  { id, owner, clip, by, now }: { id: ClipId; owner: ClipOwner; clip: NewClip; by: PersonId; now: number },
): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 31))', [`${owner.kind} ${owner.id}`])
    const { taken } = (await tx.one<{ taken: number }>(
      'select coalesce(sum(bytes), 0)::float8 as taken from clip where owner_kind = $1 and owner_id = $2',
      [owner.kind, owner.id],
    ))!
    if (taken + clip.bytes > MOST_BYTES[owner.kind])
      fail(
        'invalid',
        'So much sound and video has been sent here that no more is taken. What is there is kept; what nothing shows makes room after some days.',
      )
    await tx.in(CLIP).insert({ id, ownerKind: owner.kind, ownerId: owner.id, ...clip, receivedBytes: 0, createdBy: by, createdAt: now })
  })
}

/** Adds the next bytes of a clip. Each piece is stored under what it holds, so that any server can go on where another has stopped.
 * @param from where they belong, in bytes; they are taken only where that is as far as it has come
 * @returns how far it has come
 * @throws `upload-moved-on` where it has come farther or less far; `not-a-clip`; `too-large`; `invalid` for a crumb */
export async function addToClip(db: Database, content: ContentStore, id: ClipId, from: number, bytes: Buffer): Promise<number> {
  const clip = (await db.in(CLIP).one({ id })) ?? fail('not-found')
  const moved = () => fail('upload-moved-on', 'Some of the file has come already. Ask how much, and go on from there.')
  if (from !== clip.receivedBytes) return moved()
  const until = from + bytes.length
  if (until > clip.bytes) return fail('too-large', 'More has come than was announced. What came before is kept.')
  if (bytes.length === 0) return from
  if (until < clip.bytes && bytes.length < CLIP_LIMITS.leastPartBytes)
    return fail('invalid', 'The file comes in pieces that are too small. Send at least 64 KB at a time.')
  const type = from === 0 ? await clipType(bytes, clip.kind) : null
  if (type?.ok === false) return fail('not-a-clip', type.words)
  const hash = await content.put(bytes)
  await db.transaction(async (tx) => {
    const mediaType = type ? { mediaType: type.mediaType } : {}
    if ((await tx.in(CLIP).update({ receivedBytes: until, ...mediaType }, { id, receivedBytes: from })) === 0) return moved()
    await tx.in(CLIP_PART).insert({ clipId: id, startsAt: from, bytes: bytes.length, hash })
  })
  return until
}

/** Some of these clips, as far as they belong to an owner and are whole, by their ids. */
export async function clipsOwned(db: Db, owner: ClipOwner, ids: readonly ClipId[]): Promise<Map<ClipId, Clip>> {
  if (ids.length === 0) return new Map()
  const rows = await db.in(CLIP).find({ id: [...ids], ownerKind: owner.kind, ownerId: owner.id })
  return new Map(rows.filter(isWhole).map((clip) => [clip.id, clip]))
}
/** A clip of an owner; `undefined` as long as it is not whole. */
export const findClip = async (db: Db, owner: ClipOwner, id: ClipId): Promise<Clip | undefined> =>
  (await clipsOwned(db, owner, [id])).get(id)

/** A clip that an edition shows, to whatever it belongs. */
export async function findUsedClip(db: Db, { kind, id }: ItemRef, edition: number, clipId: ClipId): Promise<Clip | undefined> {
  const used = await db.in(CLIP_USE).one({ itemKind: kind, itemId: id, edition, clipId })
  return used && db.in(CLIP).one({ id: clipId })
}
/** Writes down which clips an edition shows. */
export async function noteClipUse(tx: Db, { kind, id }: ItemRef, edition: number, clips: readonly ClipId[]): Promise<void> {
  await tx.in(CLIP_USE).insertAll([...new Set(clips)].map((clipId) => ({ itemKind: kind, itemId: id, edition, clipId })))
}

/** Takes clips away, with their files and their captions. */
export async function dropClips(tx: Db, ids: readonly ClipId[]): Promise<void> {
  const parts = await tx.in(CLIP_PART).find({ clipId: [...ids] }, { only: ['hash'] })
  await tx.in(CLIP).remove({ id: [...ids] })
  await noteRemoval(
    tx,
    parts.map(({ hash }) => hash),
  )
}

/** Stores captions of a clip.
 * @throws `invalid` with the line that cannot be read */
export async function addCaptions(
  db: Db,
  { id, clipId, language, text, now }: { id: CaptionsId; clipId: ClipId; language: string; text: string; now: number },
): Promise<void> {
  const read = readCaptions(text)
  if (!read.ok)
    return fail('invalid', { words: `Line {{line}}: ${read.words}`, into: { line: read.line, ...read.into } }, [
      { pointer: '/body/text', detail: read.words },
    ])
  await db.in(CLIP_CAPTIONS).insert({ id, clipId, language, cues: read.cues, createdAt: now })
}
/** To which clip each of these captions belongs. */
export async function clipOfCaptions(db: Db, ids: readonly CaptionsId[]): Promise<Map<CaptionsId, ClipId>> {
  if (ids.length === 0) return new Map()
  const rows = await db.in(CLIP_CAPTIONS).find({ id: [...ids] }, { only: ['id', 'clipId'] })
  return new Map(rows.map(({ id, clipId }) => [id, clipId]))
}
