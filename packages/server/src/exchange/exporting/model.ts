import type { ExportAs, ExportRow as Shown, ExportWhat, MissingScript } from '@jackdaw/contracts/exports'
import type { Language } from '@jackdaw/core/people'
import type { ExportId, PersonId, PictureId } from '@jackdaw/core/shared'
import { Model, type Attributes, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, instant, json, key, optional, table, text, truth, whole } from '../../db'

/** A file that somebody has had made of guides. `done`, `ofAll`: how far it is while it is written. */
export class ExportFileRow extends Model<InferAttributes<ExportFileRow>, InferCreationAttributes<ExportFileRow>> {
  declare id: ExportId
  declare personId: PersonId
  declare title: string
  declare what: ExportWhat
  declare toldAs: ExportAs
  declare draft: boolean
  declare language: Language
  declare guides: number
  declare state: Shown['state']
  declare askedAt: number
  declare keptUntil: CreationOptional<number | null>
  declare hash: CreationOptional<string | null>
  declare bytes: CreationOptional<number | null>
  declare pages: CreationOptional<number | null>
  declare missing: MissingScript[]
  declare reason: CreationOptional<string | null>
  declare gone: CreationOptional<Shown['gone']>
  declare done: CreationOptional<number | null>
  declare ofAll: CreationOptional<number | null>
}
export const EXPORT_FILE = table('export_file', ExportFileRow, () => ({
  id: key(text()),
  personId: text(),
  title: text(),
  what: json(),
  toldAs: json(),
  draft: truth(),
  language: text(),
  guides: whole(),
  state: text(),
  askedAt: instant(),
  keptUntil: optional(instant()),
  hash: optional(text()),
  bytes: optional(big()),
  pages: optional(whole()),
  missing: json(),
  reason: optional(text()),
  gone: optional(text()),
  done: optional(whole()),
  ofAll: optional(whole()),
}))

/** Such a file as it is stored. */
export type ExportFile = Attributes<ExportFileRow>

/** A version of a picture that is in such a file. */
export class ExportPictureRow extends Model<InferAttributes<ExportPictureRow>, InferCreationAttributes<ExportPictureRow>> {
  declare exportId: ExportId
  declare pictureId: PictureId
  declare version: number
}
export const EXPORT_PICTURE = table('export_picture', ExportPictureRow, () => ({
  exportId: key(text()),
  pictureId: key(text()),
  version: whole(),
}))
