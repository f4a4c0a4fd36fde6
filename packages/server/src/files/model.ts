import type { Rect } from '@jackdaw/core/guides'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { TextBox } from '@jackdaw/core/recording'
import type { PersonId, PictureId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, json, key, optional, table, text, whole } from '../db'

/** A picture of an item, or of something that is none. */
export class PictureRow extends Model<InferAttributes<PictureRow>, InferCreationAttributes<PictureRow>> {
  declare id: PictureId
  declare itemKind: CreationOptional<ItemKind | null>
  declare itemId: CreationOptional<ItemId | null>
  declare createdBy: PersonId
  declare createdAt: number
  declare copiedFrom: CreationOptional<PictureId | null>
}
export const PICTURE = table('picture', PictureRow, () => ({
  id: key(text()),
  itemKind: optional(text()),
  itemId: optional(text()),
  createdBy: text(),
  createdAt: instant(),
  copiedFrom: optional(text()),
}))

/** The files of a picture as it is now, or was. */
export class PictureVersionRow extends Model<InferAttributes<PictureVersionRow>, InferCreationAttributes<PictureVersionRow>> {
  declare pictureId: PictureId
  declare version: number
  declare mediaType: string
  declare widthPx: number
  declare heightPx: number
  declare fullHash: string
  declare screenHash: string
  declare thumbHash: string
  declare createdAt: number
}
export const PICTURE_VERSION = table('picture_version', PictureVersionRow, () => ({
  pictureId: key(text()),
  version: key(whole()),
  mediaType: text(),
  widthPx: whole(),
  heightPx: whole(),
  fullHash: text(),
  screenHash: text(),
  thumbHash: text(),
  createdAt: instant(),
}))

/** Which pictures an edition shows. */
export class PictureUseRow extends Model<InferAttributes<PictureUseRow>, InferCreationAttributes<PictureUseRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare edition: number
  declare pictureId: PictureId
}
export const PICTURE_USE = table('picture_use', PictureUseRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  edition: key(whole()),
  pictureId: key(text()),
}))

/** The words that stand in a picture. */
export class PictureTextRow extends Model<InferAttributes<PictureTextRow>, InferCreationAttributes<PictureTextRow>> {
  declare pictureId: PictureId
  declare boxes: TextBox[]
}
export const PICTURE_TEXT = table('picture_text', PictureTextRow, () => ({ pictureId: key(text()), boxes: json() }))

/** That a blackout was applied to a picture. */
export class PictureAmendmentRow extends Model<InferAttributes<PictureAmendmentRow>, InferCreationAttributes<PictureAmendmentRow>> {
  declare id: string
  declare itemKind: ItemKind | null
  declare itemId: ItemId | null
  declare pictureId: PictureId
  declare version: number
  declare areas: Rect[]
  declare oldHash: string
  declare newHash: string
  declare amendedBy: PersonId
  declare amendedAt: number
}
export const PICTURE_AMENDMENT = table('picture_amendment', PictureAmendmentRow, () => ({
  id: key(text()),
  itemKind: optional(text()),
  itemId: optional(text()),
  pictureId: text(),
  version: whole(),
  areas: json(),
  oldHash: text(),
  newHash: text(),
  amendedBy: text(),
  amendedAt: instant(),
}))

/** Which editions showed a picture when it was amended. */
export class EditionAmendmentRow extends Model<InferAttributes<EditionAmendmentRow>, InferCreationAttributes<EditionAmendmentRow>> {
  declare amendmentId: string
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare edition: number
}
export const EDITION_AMENDMENT = table('edition_amendment', EditionAmendmentRow, () => ({
  amendmentId: key(text()),
  itemKind: key(text()),
  itemId: key(text()),
  edition: key(whole()),
}))

/** A stored file that is to go. */
export class FileRemovalRow extends Model<InferAttributes<FileRemovalRow>, InferCreationAttributes<FileRemovalRow>> {
  declare hash: string
}
export const FILE_REMOVAL = table('file_removal', FileRemovalRow, () => ({ hash: key(text()) }))
