import type { RecordingTarget } from '@jackdaw/contracts/recording'
import type { ActionId, RawAction, RecordingId, SentenceLanguage, ShotId } from '@jackdaw/core/recording'
import type { PersonId, PictureId } from '@jackdaw/core/shared'
import { Op, type Attributes } from 'sequelize'
import type { Db } from '../db'
import type { PictureContent } from '../files'
import { PERSON } from '../people'
import { RECORDING, RECORDING_ACTION, RECORDING_SHOT, type Outcome, type RecordingRow } from './model'

/** A recording as it is stored. */
export type Recording = Attributes<RecordingRow>

/** @param lock hold the recording until the end of the transaction */
export const findRecording = (db: Db, id: RecordingId, personId: PersonId, lock = false): Promise<Recording | undefined> =>
  db.in(RECORDING).one({ id, personId }, { lock })

type NewRecording = {
  id: RecordingId
  personId: PersonId
  language: SentenceLanguage
  target: RecordingTarget
  nameSalt: string
  now: number
}
/** Begins a recording; one that is there already is left as it is. */
export const insertRecording = (db: Db, { id, personId, language, target, nameSalt, now }: NewRecording): Promise<void> =>
  db.in(RECORDING).insertAll([{ id, personId, language, target, nameSalt, startedAt: now }], { skip: true })

export const countActions = (db: Db, recordingId: RecordingId): Promise<number> => db.in(RECORDING_ACTION).count({ recordingId })
export const countShots = (db: Db, recordingId: RecordingId): Promise<number> => db.in(RECORDING_SHOT).count({ recordingId })

export const insertActions = (db: Db, recordingId: RecordingId, actions: readonly RawAction[]): Promise<void> =>
  db.in(RECORDING_ACTION).insertAll(
    actions.map((action) => ({ recordingId, actionId: action.id, action })),
    { skip: true },
  )
export const actionsOf = async (db: Db, recordingId: RecordingId): Promise<RawAction[]> =>
  (await db.in(RECORDING_ACTION).find({ recordingId }, { only: ['action'] })).map((row) => row.action)
export const deleteActions = (db: Db, recordingId: RecordingId, ids: readonly ActionId[]): Promise<number> =>
  db.in(RECORDING_ACTION).remove({ recordingId, actionId: [...ids] })

export type ShotRow = PictureContent & { shotId: ShotId }
export const shotsOf = (db: Db, recordingId: RecordingId): Promise<ShotRow[]> =>
  db
    .in(RECORDING_SHOT)
    .find({ recordingId }, { only: ['shotId', 'mediaType', 'widthPx', 'heightPx', 'fullHash', 'screenHash', 'thumbHash'] })
export const insertShot = (db: Db, recordingId: RecordingId, shot: ShotRow): Promise<void> =>
  db.in(RECORDING_SHOT).insertAll([{ recordingId, ...shot }], { skip: true })
export const noteShotPicture = (db: Db, recordingId: RecordingId, shotId: ShotId, pictureId: PictureId): Promise<number> =>
  db.in(RECORDING_SHOT).update({ pictureId }, { recordingId, shotId })
export const deleteShots = (db: Db, recordingId: RecordingId, ids: readonly ShotId[]): Promise<number> =>
  db.in(RECORDING_SHOT).remove({ recordingId, shotId: [...ids] })

export const finishRow = (db: Db, id: RecordingId, outcome: Outcome, now: number): Promise<number> =>
  db.in(RECORDING).update({ finishedAt: now, guideId: outcome.guideId, outcome }, { id })
export const deleteRecording = (db: Db, id: RecordingId): Promise<number> => db.in(RECORDING).remove({ id })

/** Recordings that were begun and never ended. */
export const abandonedBefore = async (db: Db, before: number): Promise<RecordingId[]> =>
  (await db.in(RECORDING).find({ finishedAt: null, startedAt: { [Op.lt]: before } }, { only: ['id'] })).map((row) => row.id)

/** The words of a page are kept with its picture; the actions need them no longer. */
export const forgetTextBoxes = (db: Db, id: RecordingId): Promise<unknown> =>
  db.rows("update recording_action set action = action - 'textBoxes' where recording_id = $1", [id])

/** Names of everybody who works here. */
export const directoryNames = async (db: Db): Promise<string[]> =>
  (await db.in(PERSON).find({ active: true }, { only: ['name'] })).map((row) => row.name)
