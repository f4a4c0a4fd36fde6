import type { RecordingTarget } from '@jackdaw/contracts/recording'
import type { ActionId, RawAction, RecordingId, SentenceLanguage, ShotId } from '@jackdaw/core/recording'
import type { GuideId, PersonId, PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { PictureContent } from '../files'

export type RecordingRow = {
  id: RecordingId
  personId: PersonId
  language: SentenceLanguage
  target: RecordingTarget
  nameSalt: string
  outcome: Outcome | null
}
/** What a finished recording became. */
export type Outcome = { guideId: GuideId; steps: number; unsure: number; firstStep: string | null }

type Row = {
  id: RecordingId
  person_id: PersonId
  language: SentenceLanguage
  target: RecordingTarget
  name_salt: string
  outcome: Outcome | null
}

/** @param lock hold the recording until the end of the transaction */
export async function findRecording(db: Db, id: RecordingId, personId: PersonId, lock = false): Promise<RecordingRow | undefined> {
  const row = await db.one<Row>(
    `select id, person_id, language, target, name_salt, outcome from recording where id = $1 and person_id = $2 ${lock ? 'for update' : ''}`,
    [id, personId],
  )
  if (!row) return undefined
  return { id: row.id, personId: row.person_id, language: row.language, target: row.target, nameSalt: row.name_salt, outcome: row.outcome }
}

/** @returns whether it is new; an id that somebody else uses is neither new nor found */
export async function insertRecording(
  db: Db,
  recording: { id: RecordingId; personId: PersonId; language: SentenceLanguage; target: RecordingTarget; nameSalt: string; now: number },
): Promise<void> {
  await db.rows(
    'insert into recording (id, person_id, language, target, name_salt, started_at) values ($1, $2, $3, $4, $5, $6) on conflict (id) do nothing',
    [recording.id, recording.personId, recording.language, JSON.stringify(recording.target), recording.nameSalt, new Date(recording.now)],
  )
}

export const countActions = async (db: Db, id: RecordingId): Promise<number> =>
  (await db.one<{ n: number }>('select count(*)::int as n from recording_action where recording_id = $1', [id]))!.n
export const countShots = async (db: Db, id: RecordingId): Promise<number> =>
  (await db.one<{ n: number }>('select count(*)::int as n from recording_shot where recording_id = $1', [id]))!.n

export async function insertActions(db: Db, id: RecordingId, actions: readonly RawAction[]): Promise<void> {
  await db.rows(
    `insert into recording_action (recording_id, action_id, action)
     select $1, a.value ->> 'id', a.value from jsonb_array_elements($2::jsonb) a on conflict do nothing`,
    [id, JSON.stringify(actions)],
  )
}
export const actionsOf = async (db: Db, id: RecordingId): Promise<RawAction[]> =>
  (await db.rows<{ action: RawAction }>('select action from recording_action where recording_id = $1', [id])).map((row) => row.action)
export const deleteActions = (db: Db, id: RecordingId, ids: readonly ActionId[]): Promise<unknown> =>
  db.rows('delete from recording_action where recording_id = $1 and action_id = any ($2)', [id, [...ids]])

export type ShotRow = PictureContent & { shotId: ShotId }
export async function shotsOf(db: Db, id: RecordingId): Promise<ShotRow[]> {
  const rows = await db.rows<{
    shot_id: ShotId
    media_type: string
    width_px: number
    height_px: number
    full_hash: string
    screen_hash: string
    thumb_hash: string
  }>('select * from recording_shot where recording_id = $1', [id])
  return rows.map((row) => ({
    shotId: row.shot_id,
    mediaType: row.media_type,
    widthPx: row.width_px,
    heightPx: row.height_px,
    fullHash: row.full_hash,
    screenHash: row.screen_hash,
    thumbHash: row.thumb_hash,
  }))
}
export async function insertShot(db: Db, id: RecordingId, shot: ShotRow): Promise<void> {
  await db.rows(
    `insert into recording_shot (recording_id, shot_id, media_type, width_px, height_px, full_hash, screen_hash, thumb_hash)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict do nothing`,
    [id, shot.shotId, shot.mediaType, shot.widthPx, shot.heightPx, shot.fullHash, shot.screenHash, shot.thumbHash],
  )
}
export const noteShotPicture = (db: Db, id: RecordingId, shotId: ShotId, pictureId: PictureId): Promise<unknown> =>
  db.rows('update recording_shot set picture_id = $3 where recording_id = $1 and shot_id = $2', [id, shotId, pictureId])
export const deleteShots = (db: Db, id: RecordingId, ids: readonly ShotId[]): Promise<unknown> =>
  db.rows('delete from recording_shot where recording_id = $1 and shot_id = any ($2)', [id, [...ids]])

export const finishRow = (db: Db, id: RecordingId, outcome: Outcome, now: number): Promise<unknown> =>
  db.rows('update recording set finished_at = $2, guide_id = $3, outcome = $4 where id = $1', [
    id,
    new Date(now),
    outcome.guideId,
    JSON.stringify(outcome),
  ])
export const deleteRecording = (db: Db, id: RecordingId): Promise<unknown> => db.rows('delete from recording where id = $1', [id])

/** Recordings that were begun and never ended. */
export const abandonedBefore = async (db: Db, before: number): Promise<RecordingId[]> =>
  (await db.rows<{ id: RecordingId }>('select id from recording where finished_at is null and started_at < $1', [new Date(before)])).map(
    (row) => row.id,
  )

/** The words of a page are kept with its picture; the actions need them no longer. */
export const forgetTextBoxes = (db: Db, id: RecordingId): Promise<unknown> =>
  db.rows("update recording_action set action = action - 'textBoxes' where recording_id = $1", [id])

/** Names of everybody who works here. */
export const directoryNames = async (db: Db): Promise<string[]> =>
  (await db.rows<{ name: string }>('select name from person where active')).map((row) => row.name)
