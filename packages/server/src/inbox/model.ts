import type { AboutRef, EntryKind } from '@jackdaw/core/inbox'
import type { EntryId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { day, instant, json, key, optional, table, text, truth, whole } from '../db'

/** Something that somebody is told. `settledAt`: when it stopped waiting; of what never waits, when it came in. */
export class InboxEntryRow extends Model<InferAttributes<InboxEntryRow>, InferCreationAttributes<InboxEntryRow>> {
  declare id: EntryId
  declare personId: PersonId
  declare kind: EntryKind
  declare aboutKind: AboutRef['kind']
  declare aboutId: AboutRef['id']
  declare data: Record<string, unknown>
  declare at: number
  declare readAt: CreationOptional<number | null>
  declare settledAt: CreationOptional<number | null>
  declare mailedAt: CreationOptional<number | null>
}
export const INBOX_ENTRY = table('inbox_entry', InboxEntryRow, () => ({
  id: key(text()),
  personId: text(),
  kind: text(),
  aboutKind: text(),
  aboutId: text(),
  data: json(),
  at: instant(),
  readAt: optional(instant()),
  settledAt: optional(instant()),
  mailedAt: optional(instant()),
}))

/** That somebody wants a kind of entry as mail, or does not. */
export class MailChoiceRow extends Model<InferAttributes<MailChoiceRow>, InferCreationAttributes<MailChoiceRow>> {
  declare personId: PersonId
  declare kind: EntryKind
  declare mail: boolean
}
export const MAIL_CHOICE = table('mail_choice', MailChoiceRow, () => ({ personId: key(text()), kind: key(text()), mail: truth() }))

/** That somebody was mailed on a day, and how many entries stood in it. */
export class DayMailRow extends Model<InferAttributes<DayMailRow>, InferCreationAttributes<DayMailRow>> {
  declare personId: PersonId
  declare day: LocalDate
  declare sentAt: number
  declare entries: number
}
export const DAY_MAIL = table('day_mail', DayMailRow, () => ({
  personId: key(text()),
  day: key(day()),
  sentAt: instant(),
  entries: whole(),
}))
