import type { DueRule, GivenFor, LineFor } from '@jackdaw/core/assignments'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { AudienceId, GivingId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { day, instant, json, key, optional, table, text, truth, whole } from '../db'

/** That a person has an item, for what, and by when it is to be done: one line, however many reasons there are. */
export class AssignmentRow extends Model<InferAttributes<AssignmentRow>, InferCreationAttributes<AssignmentRow>> {
  declare id: string
  declare personId: PersonId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare assignedAt: number
  declare use: LineFor
  declare dueOn: LocalDate | null
  declare dueZone: string | null
  declare dueAt: number | null
  /** A due day that was set by hand. */
  declare movedOn: CreationOptional<LocalDate | null>
  /** Since when they need not do it; why stands in {@link WaiverRow}. */
  declare waivedAt: CreationOptional<number | null>
  /** After how many months it is to be done again, and when the present round began. */
  declare repeatMonths: CreationOptional<number | null>
  declare roundFrom: CreationOptional<number | null>
}
export const ASSIGNMENT = table('assignment', AssignmentRow, () => ({
  id: key(text()),
  personId: text(),
  itemKind: text(),
  itemId: text(),
  assignedAt: instant(),
  use: text(),
  dueOn: optional(day()),
  dueZone: optional(text()),
  dueAt: optional(instant()),
  movedOn: optional(day()),
  waivedAt: optional(instant()),
  repeatMonths: optional(whole()),
  roundFrom: optional(instant()),
}))

/** Why somebody has it. `ref`: by which giving. */
export class AssignmentReasonRow extends Model<InferAttributes<AssignmentReasonRow>, InferCreationAttributes<AssignmentReasonRow>> {
  declare assignmentId: string
  declare kind: string
  declare ref: string
  declare givenBy: PersonId
  declare givenAt: number
  /** For what, by when it is to be done for this reason, since when that counts, and after how many months again. */
  declare use: GivenFor
  declare due: DueRule
  declare countsFrom: number
  declare repeatMonths: CreationOptional<number | null>
}
export const ASSIGNMENT_REASON = table('assignment_reason', AssignmentReasonRow, () => ({
  assignmentId: key(text()),
  kind: key(text()),
  ref: key(text()),
  givenBy: text(),
  givenAt: instant(),
  use: text(),
  due: json(),
  countsFrom: instant(),
  repeatMonths: optional(whole()),
}))

/** That an audience is given an item: to be done or to be looked up, by when, and after how many months again. `publishing`: it is the one that is said where
 * the item is published; there is at most one. */
export class GivingRow extends Model<InferAttributes<GivingRow>, InferCreationAttributes<GivingRow>> {
  declare id: GivingId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare audienceId: AudienceId
  declare publishing: boolean
  declare use: GivenFor
  declare due: DueRule
  declare repeatMonths: CreationOptional<number | null>
  declare givenBy: PersonId
  declare givenAt: number
}
export const GIVING = table('giving', GivingRow, () => ({
  id: key(text()),
  itemKind: text(),
  itemId: text(),
  audienceId: text(),
  publishing: truth(),
  use: text(),
  due: json(),
  repeatMonths: optional(whole()),
  givenBy: text(),
  givenAt: instant(),
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

/** That somebody was reminded of a line, under a due day; `stage`: days from that day, negative before it. */
export class ReminderRow extends Model<InferAttributes<ReminderRow>, InferCreationAttributes<ReminderRow>> {
  declare assignmentId: string
  declare dueOn: LocalDate
  declare stage: number
  declare toId: PersonId
  declare sentAt: number
}
export const REMINDER = table('reminder', ReminderRow, () => ({
  assignmentId: key(text()),
  dueOn: key(day()),
  stage: key(whole()),
  toId: key(text()),
  sentAt: instant(),
}))

/** So many days before a due day somebody wishes to be reminded, besides what the company says. */
export class ReminderChoiceRow extends Model<InferAttributes<ReminderChoiceRow>, InferCreationAttributes<ReminderChoiceRow>> {
  declare personId: PersonId
  declare beforeDays: number
}
export const REMINDER_CHOICE = table('reminder_choice', ReminderChoiceRow, () => ({ personId: key(text()), beforeDays: whole() }))
