import type { RemarkId } from '@jackdaw/contracts/remarks'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, key, optional, table, text, whole } from '../db'

/** What somebody says is wrong at a part of an edition. */
export class RemarkRow extends Model<InferAttributes<RemarkRow>, InferCreationAttributes<RemarkRow>> {
  declare id: RemarkId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare edition: number
  declare partId: string
  declare personId: PersonId
  declare way: Way
  declare words: string
  declare device: string
  declare saidAt: number
  declare doneAt: CreationOptional<number | null>
  declare doneBy: CreationOptional<PersonId | null>
}
export const REMARK = table('remark', RemarkRow, () => ({
  id: key(text()),
  itemKind: text(),
  itemId: text(),
  edition: whole(),
  partId: text(),
  personId: text(),
  way: text(),
  words: text(),
  device: text(),
  saidAt: instant(),
  doneAt: optional(instant()),
  doneBy: optional(text()),
}))
