import type { RecorderId, RecordingTarget } from '@jackdaw/contracts/recording'
import type { ActionId, RawAction, RecordingId, SentenceLanguage, ShotId } from '@jackdaw/core/recording'
import type { GuideId, PersonId, PictureId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, json, key, optional, table, text, whole } from '../db'

/** What a finished recording became. */
export type Outcome = { guideId: GuideId; steps: number; unsure: number; firstStep: string | null }

/** What somebody has recorded, from its begin to the draft that it became. */
export class RecordingRow extends Model<InferAttributes<RecordingRow>, InferCreationAttributes<RecordingRow>> {
  declare id: RecordingId
  declare personId: PersonId
  declare language: SentenceLanguage
  declare target: RecordingTarget
  declare nameSalt: string
  declare startedAt: number
  declare finishedAt: CreationOptional<number | null>
  declare guideId: CreationOptional<GuideId | null>
  declare outcome: CreationOptional<Outcome | null>
}
export const RECORDING = table('recording', RecordingRow, () => ({
  id: key(text()),
  personId: text(),
  language: text(),
  target: optional(json()),
  nameSalt: text(),
  startedAt: instant(),
  finishedAt: optional(instant()),
  guideId: optional(text()),
  outcome: optional(json()),
}))

/** An action of a recording as it came in. */
export class RecordingActionRow extends Model<InferAttributes<RecordingActionRow>, InferCreationAttributes<RecordingActionRow>> {
  declare recordingId: RecordingId
  declare actionId: ActionId
  declare action: RawAction
}
export const RECORDING_ACTION = table('recording_action', RecordingActionRow, () => ({
  recordingId: key(text()),
  actionId: key(text()),
  action: json(),
}))

/** A picture of a recording. */
export class RecordingShotRow extends Model<InferAttributes<RecordingShotRow>, InferCreationAttributes<RecordingShotRow>> {
  declare recordingId: RecordingId
  declare shotId: ShotId
  declare mediaType: string
  declare widthPx: number
  declare heightPx: number
  declare fullHash: string
  declare screenHash: string
  declare thumbHash: string
  declare pictureId: CreationOptional<PictureId | null>
}
export const RECORDING_SHOT = table('recording_shot', RecordingShotRow, () => ({
  recordingId: key(text()),
  shotId: key(text()),
  mediaType: text(),
  widthPx: whole(),
  heightPx: whole(),
  fullHash: text(),
  screenHash: text(),
  thumbHash: text(),
  pictureId: optional(text()),
}))

/** A code by which one browser is paired with somebody's account. */
export class PairingCodeRow extends Model<InferAttributes<PairingCodeRow>, InferCreationAttributes<PairingCodeRow>> {
  declare codeHash: string
  declare personId: PersonId
  declare validUntil: number
}
export const PAIRING_CODE = table('pairing_code', PairingCodeRow, () => ({
  codeHash: key(text()),
  personId: text(),
  validUntil: instant(),
}))

/** A browser that records in somebody's name. */
export class RecorderRow extends Model<InferAttributes<RecorderRow>, InferCreationAttributes<RecorderRow>> {
  declare id: RecorderId
  declare personId: PersonId
  declare name: string
  declare tokenHash: string
  declare pairedAt: number
  declare seenAt: number
}
export const RECORDER = table('recorder', RecorderRow, () => ({
  id: key(text()),
  personId: text(),
  name: text(),
  tokenHash: text(),
  pairedAt: instant(),
  seenAt: instant(),
}))
