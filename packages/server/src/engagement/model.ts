import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { LocalDate, PersonId } from '@jackdaw/core/shared'
import { Model, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, day, instant, key, table, text, whole } from '../db'

/** How much somebody used an item on a day of theirs. */
export class UseDayRow extends Model<InferAttributes<UseDayRow>, InferCreationAttributes<UseDayRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare personId: PersonId
  declare localDay: LocalDate
  /** How often they began to use it, in any way. */
  declare views: number
  declare finished: number
  declare activeMs: number
  /** The first that is counted here: whoever changes groups within the day is counted where they were then. */
  declare at: number
}
export const USE_DAY = table('use_day', UseDayRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  personId: key(text()),
  localDay: key(day()),
  views: whole(),
  finished: whole(),
  activeMs: big(),
  at: instant(),
}))
