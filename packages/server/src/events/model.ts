import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { counted, day, instant, json, key, optional, small, table, text, truth, usually, uuid, whole, xid } from '../db'

/** Something that happened. Rows are only ever added. */
export class EventRow extends Model<InferAttributes<EventRow>, InferCreationAttributes<EventRow>> {
  declare id: string
  declare schemaVersion: number
  declare verb: string
  /** `null`: it happened outside of all ways of use. */
  declare way: Way | null
  declare actorKind: string
  declare actorId: string
  declare subjectKind: 'person' | 'guest' | 'device' | 'system'
  declare subjectId: string
  declare itemKind: ItemKind | null
  declare itemId: ItemId | null
  declare edition: number | null
  declare partId: string | null
  declare visit: string | null
  declare activeMs: number
  declare tries: number | null
  declare help: number | null
  declare done: boolean | null
  declare percent: number | null
  declare passed: boolean | null
  /** What it carries that is not counted. */
  declare data: Record<string, unknown> | null
  /** Whether the server vouches for it; otherwise it is claimed. */
  declare attested: boolean
  declare occurredAt: number
  declare timePutRight: CreationOptional<boolean>
  declare receivedAt: number
  declare device: string | null
  declare browser: string | null
  declare language: string | null
  /** The day where the person works. */
  declare localDay: LocalDate | null
  declare transactionId: CreationOptional<string>
  /** The event that this one supersedes. */
  declare amends: string | null
}
export const EVENT = table('event', EventRow, () => ({
  id: key(uuid()),
  schemaVersion: small(),
  verb: text(),
  way: optional(text()),
  actorKind: text(),
  actorId: text(),
  subjectKind: text(),
  subjectId: text(),
  itemKind: optional(text()),
  itemId: optional(text()),
  edition: optional(whole()),
  partId: optional(text()),
  visit: optional(text()),
  activeMs: usually(whole(), 0),
  tries: optional(whole()),
  help: optional(small()),
  done: optional(truth()),
  percent: optional(whole()),
  passed: optional(truth()),
  data: optional(json()),
  attested: truth(),
  occurredAt: instant(),
  timePutRight: usually(truth(), false),
  receivedAt: instant(),
  device: optional(text()),
  browser: optional(text()),
  language: optional(text()),
  localDay: optional(day()),
  transactionId: counted(xid()),
  amends: optional(uuid()),
}))

/** The events that were amended: they count no more. Kept by the database itself as events come in. */
export class EventAmendedRow extends Model<InferAttributes<EventAmendedRow>, InferCreationAttributes<EventAmendedRow>> {
  declare id: string
}
export const EVENT_AMENDED = table('event_amended', EventAmendedRow, () => ({ id: key(uuid()) }))

/** When an edition was first given to somebody: from then on they can have gone through it. */
export class EditionGivenRow extends Model<InferAttributes<EditionGivenRow>, InferCreationAttributes<EditionGivenRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare personId: PersonId
  declare edition: number
  declare givenAt: number
}
export const EDITION_GIVEN = table('edition_given', EditionGivenRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  personId: key(text()),
  edition: key(whole()),
  givenAt: instant(),
}))
