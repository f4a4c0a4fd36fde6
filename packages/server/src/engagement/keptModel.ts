import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { LocalDate, PersonId } from '@jackdaw/core/shared'
import { Model, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { day, key, table, text, whole } from '../db'

/** How much an item was used on a day, by all people together: of days of which it is not kept who used what. */
export class UseCountedRow extends Model<InferAttributes<UseCountedRow>, InferCreationAttributes<UseCountedRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare localDay: LocalDate
  declare views: number
  declare finished: number
}
export const USE_COUNTED = table('use_counted', UseCountedRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  localDay: key(day()),
  views: whole(),
  finished: whole(),
}))

/** Before which day somebody's events are thinned. */
export class ThinnedUseRow extends Model<InferAttributes<ThinnedUseRow>, InferCreationAttributes<ThinnedUseRow>> {
  declare personId: PersonId
  declare before: LocalDate
}
export const THINNED_USE = table('thinned_use', ThinnedUseRow, () => ({ personId: key(text()), before: day() }))
