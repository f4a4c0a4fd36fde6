import type { ClipKind, Cue } from '@jackdaw/core/clips'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { CaptionsId, ClipId, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, instant, json, key, optional, table, text, whole } from '../../db'

/** To what a clip belongs. */
export type ClipOwner = { kind: 'quiz' | 'bank' | 'quiz-attempt'; id: string }

/** Sound or video, as far as it has come. `mediaType`: by its first bytes; `null` before they are there. */
export class ClipRow extends Model<InferAttributes<ClipRow>, InferCreationAttributes<ClipRow>> {
  declare id: ClipId
  declare ownerKind: ClipOwner['kind']
  declare ownerId: string
  declare kind: ClipKind
  declare mediaType: CreationOptional<string | null>
  declare bytes: number
  declare receivedBytes: number
  declare durationMs: number | null
  declare createdBy: PersonId
  declare createdAt: number
}
export const CLIP = table('clip', ClipRow, () => ({
  id: key(text()),
  ownerKind: text(),
  ownerId: text(),
  kind: text(),
  mediaType: optional(text()),
  bytes: big(),
  receivedBytes: big(),
  durationMs: optional(whole()),
  createdBy: text(),
  createdAt: instant(),
}))

/** A piece of a clip, stored by what it holds. */
export class ClipPartRow extends Model<InferAttributes<ClipPartRow>, InferCreationAttributes<ClipPartRow>> {
  declare clipId: ClipId
  declare startsAt: number
  declare bytes: number
  declare hash: string
}
export const CLIP_PART = table('clip_part', ClipPartRow, () => ({
  clipId: key(text()),
  startsAt: key(big()),
  bytes: whole(),
  hash: text(),
}))

/** Captions of a clip in one language. */
export class ClipCaptionsRow extends Model<InferAttributes<ClipCaptionsRow>, InferCreationAttributes<ClipCaptionsRow>> {
  declare id: CaptionsId
  declare clipId: ClipId
  declare language: string
  declare cues: Cue[]
  declare createdAt: number
}
export const CLIP_CAPTIONS = table('clip_captions', ClipCaptionsRow, () => ({
  id: key(text()),
  clipId: text(),
  language: text(),
  cues: json(),
  createdAt: instant(),
}))

/** Which clips an edition shows. */
export class ClipUseRow extends Model<InferAttributes<ClipUseRow>, InferCreationAttributes<ClipUseRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare edition: number
  declare clipId: ClipId
}
export const CLIP_USE = table('clip_use', ClipUseRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  edition: key(whole()),
  clipId: key(text()),
}))
