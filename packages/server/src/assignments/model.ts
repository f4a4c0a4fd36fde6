import type { DueRule } from '@jackdaw/core/assignments'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { AudienceId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { day, instant, json, key, optional, table, text } from '../db'

/** That a person has been given an item, and by when it is to be done. */
export class AssignmentRow extends Model<InferAttributes<AssignmentRow>, InferCreationAttributes<AssignmentRow>> {
  declare id: string
  declare personId: PersonId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare assignedAt: number
  declare dueOn: LocalDate | null
  declare dueZone: string | null
  declare dueAt: number | null
  /** A due day that was set by hand. */
  declare movedOn: CreationOptional<LocalDate | null>
  /** Since when they need not do it; why stands in {@link WaiverRow}. */
  declare waivedAt: CreationOptional<number | null>
}
export const ASSIGNMENT = table('assignment', AssignmentRow, () => ({
  id: key(text()),
  personId: text(),
  itemKind: text(),
  itemId: text(),
  assignedAt: instant(),
  dueOn: optional(day()),
  dueZone: optional(text()),
  dueAt: optional(instant()),
  movedOn: optional(day()),
  waivedAt: optional(instant()),
}))

/** Why somebody has been given it. */
export class AssignmentReasonRow extends Model<InferAttributes<AssignmentReasonRow>, InferCreationAttributes<AssignmentReasonRow>> {
  declare assignmentId: string
  declare kind: string
  declare ref: string
  declare givenBy: PersonId
  declare givenAt: number
  /** By when it is to be done for this reason, and since when that counts. */
  declare due: DueRule
  declare countsFrom: number
}
export const ASSIGNMENT_REASON = table('assignment_reason', AssignmentReasonRow, () => ({
  assignmentId: key(text()),
  kind: key(text()),
  ref: key(text()),
  givenBy: text(),
  givenAt: instant(),
  due: json(),
  countsFrom: instant(),
}))

/** To whom an item is given, and by when each of them is to have done it. */
export class ItemAudienceRow extends Model<InferAttributes<ItemAudienceRow>, InferCreationAttributes<ItemAudienceRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare audienceId: AudienceId
  declare due: DueRule
}
export const ITEM_AUDIENCE = table('item_audience', ItemAudienceRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  audienceId: text(),
  due: json(),
}))

/** That somebody need not do an item, and why; `endedAt`: since when they have to again. */
export class WaiverRow extends Model<InferAttributes<WaiverRow>, InferCreationAttributes<WaiverRow>> {
  declare id: string
  declare personId: PersonId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare why: string
  declare byId: PersonId
  declare at: number
  declare endedAt: number | null
  declare endedBy: PersonId | null
}
export const WAIVER = table('waiver', WaiverRow, () => ({
  id: key(text()),
  personId: text(),
  itemKind: text(),
  itemId: text(),
  why: text(),
  byId: text(),
  at: instant(),
  endedAt: optional(instant()),
  endedBy: optional(text()),
}))
