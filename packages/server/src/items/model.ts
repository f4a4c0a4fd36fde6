import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, instant, key, optional, table, text, truth, usually, whole } from '../db'

/** Something that can be given to people, written by the domain of its kind. */
export class ItemRow extends Model<InferAttributes<ItemRow>, InferCreationAttributes<ItemRow>> {
  declare kind: ItemKind
  declare id: ItemId
  declare number: number
  /** Of the edition that holds, the newest that is not withdrawn, as are edition, parts and minutes; `null` before the first. */
  declare title: CreationOptional<string | null>
  declare edition: CreationOptional<number | null>
  declare requiredEdition: CreationOptional<number>
  declare parts: CreationOptional<number>
  declare minutes: CreationOptional<number>
  declare claimSuffices: boolean
  declare openToAll: CreationOptional<boolean>
  declare archivedAt: CreationOptional<number | null>
}
export const ITEM = table('item', ItemRow, () => ({
  kind: key(text()),
  id: key(text()),
  number: whole(),
  title: optional(text()),
  edition: optional(whole()),
  requiredEdition: usually(whole(), 1),
  parts: usually(whole(), 0),
  minutes: usually(whole(), 0),
  claimSuffices: truth(),
  openToAll: usually(truth(), false),
  archivedAt: optional(instant()),
}))

/** A state of an item that was published. Its bytes are never written anew. */
export class EditionRow extends Model<InferAttributes<EditionRow>, InferCreationAttributes<EditionRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare number: number
  declare revision: number
  declare bytes: string
  declare hash: string
  declare changeNote: string
  declare mustReread: boolean
  declare parts: number
  declare minutes: number
  declare publishedBy: PersonId
  declare publishedAt: number
  /** When it was withdrawn, by whom, and why: from then on it holds for nobody. */
  declare withdrawnAt: CreationOptional<number | null>
  declare withdrawnBy: CreationOptional<PersonId | null>
  declare withdrawnWhy: CreationOptional<string | null>
}
export const EDITION = table('edition', EditionRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  number: key(whole()),
  revision: whole(),
  bytes: text(),
  hash: text(),
  changeNote: text(),
  mustReread: truth(),
  parts: whole(),
  minutes: whole(),
  publishedBy: text(),
  publishedAt: instant(),
  withdrawnAt: optional(instant()),
  withdrawnBy: optional(text()),
  withdrawnWhy: optional(text()),
}))

/** A part of an edition that people go through, such as a step: what lists and figures need to know of it. */
export class EditionPartRow extends Model<InferAttributes<EditionPartRow>, InferCreationAttributes<EditionPartRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare edition: number
  declare partId: string
  declare position: number
  declare section: string
  declare name: string
  /** The gravest level of what has to be acknowledged at it; `null` where there is nothing. */
  declare caution: string | null
  declare leastMs: number
}
export const EDITION_PART = table('edition_part', EditionPartRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  edition: key(whole()),
  partId: key(text()),
  position: whole(),
  section: text(),
  name: text(),
  caution: optional(text()),
  leastMs: usually(whole(), 1000),
}))

/** How far a person is with an item that they have used in any way: counted from events. */
export class ItemProgressRow extends Model<InferAttributes<ItemProgressRow>, InferCreationAttributes<ItemProgressRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare personId: PersonId
  declare startedAt: number | null
  declare lastAt: number | null
  declare activeMs: number
  declare lastPartId: string | null
  declare lastPartAt: number | null
  declare finishedEdition: number | null
  declare finishedAt: number | null
  declare attestedEdition: number | null
  /** When they finished each of the two last. */
  declare lastFinishedAt: CreationOptional<number | null>
  declare lastAttestedAt: CreationOptional<number | null>
  /** When they last handed in what somebody else judges, and when that was last answered. */
  declare handedInAt: CreationOptional<number | null>
  declare answeredAt: CreationOptional<number | null>
  /** How many parts of the newest edition they have gone through in one that counts. */
  declare partsSeen: number
}
export const ITEM_PROGRESS = table('item_progress', ItemProgressRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  personId: key(text()),
  startedAt: optional(instant()),
  lastAt: optional(instant()),
  activeMs: big(),
  lastPartId: optional(text()),
  lastPartAt: optional(instant()),
  finishedEdition: optional(whole()),
  finishedAt: optional(instant()),
  attestedEdition: optional(whole()),
  lastFinishedAt: optional(instant()),
  lastAttestedAt: optional(instant()),
  handedInAt: optional(instant()),
  answeredAt: optional(instant()),
  partsSeen: usually(whole(), 0),
}))

/** How far a person is with a part of an item: the newest edition in which they have gone through it, acknowledged its cautions, confirmed it. */
export class PartProgressRow extends Model<InferAttributes<PartProgressRow>, InferCreationAttributes<PartProgressRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare personId: PersonId
  declare partId: string
  declare seenEdition: number | null
  declare acknowledgedEdition: number | null
  declare confirmedEdition: number | null
  /** When each of these was last so. */
  declare seenAt: CreationOptional<number | null>
  declare acknowledgedAt: CreationOptional<number | null>
  declare confirmedAt: CreationOptional<number | null>
  declare activeMs: number
}
export const PART_PROGRESS = table('part_progress', PartProgressRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  personId: key(text()),
  partId: key(text()),
  seenEdition: optional(whole()),
  acknowledgedEdition: optional(whole()),
  confirmedEdition: optional(whole()),
  seenAt: optional(instant()),
  acknowledgedAt: optional(instant()),
  confirmedAt: optional(instant()),
  activeMs: big(),
}))

/** That somebody has marked an item to find it again. */
export class FavouriteRow extends Model<InferAttributes<FavouriteRow>, InferCreationAttributes<FavouriteRow>> {
  declare personId: PersonId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare at: number
}
export const FAVOURITE = table('favourite', FavouriteRow, () => ({
  personId: key(text()),
  itemKind: key(text()),
  itemId: key(text()),
  at: instant(),
}))
