import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { GoalStep } from '@jackdaw/contracts/goals'
import type { FigurePart } from '@jackdaw/contracts/figurePages'
import type { MailedEvery } from '@jackdaw/core/engagement'
import type { FigurePageId, GoalId, LocalDate, PersonId, ReleaseId, SearchId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import { Model, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, day, instant, json, key, optional, table, text, texts, truth, uuid, whole, wholes } from '../db'

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
  /** The last day before on which they viewed it, and finished it. */
  declare viewedBefore: LocalDate | null
  declare finishedBefore: LocalDate | null
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
  viewedBefore: optional(day()),
  finishedBefore: optional(day()),
}))

/** On which days of a month somebody used anything. */
export class UseMonthRow extends Model<InferAttributes<UseMonthRow>, InferCreationAttributes<UseMonthRow>> {
  /** Its first day. */
  declare month: LocalDate
  declare personId: PersonId
  /** A bit for each day, the first of the month being the lowest. */
  declare days: number
}
export const USE_MONTH = table('use_month', UseMonthRow, () => ({ month: key(day()), personId: key(text()), days: whole() }))

/** One time that somebody used a guide. Of pages that do not tell which time it was, all that they tell of a day and a way is one. */
export class UseVisitRow extends Model<InferAttributes<UseVisitRow>, InferCreationAttributes<UseVisitRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare personId: PersonId
  declare visit: string
  declare way: Way
  declare edition: number
  declare localDay: LocalDate
  /** When it began. */
  declare at: number
  declare finished: number
  declare activeMs: number
  declare device: string | null
  declare browser: string | null
  declare language: string | null
  /** What it did, see {@link UsePathRow}; `null` where it came to no step. */
  declare path: string | null
  /** How long it spent at each step of it. */
  declare stepMs: number[] | null
}
export const USE_VISIT = table('use_visit', UseVisitRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  personId: key(text()),
  visit: key(text()),
  way: text(),
  edition: whole(),
  localDay: day(),
  at: instant(),
  finished: whole(),
  activeMs: big(),
  device: optional(text()),
  browser: optional(text()),
  language: optional(text()),
  path: optional(uuid()),
  stepMs: optional(wholes()),
}))

/** What visits of a guide did: the steps that they came to, in the order in which they did, and the places of the first and the last time that they were at each among
 * all such times. `path`: told by what it is, so that the same is always called the same. */
export class UsePathRow extends Model<InferAttributes<UsePathRow>, InferCreationAttributes<UsePathRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare path: string
  declare parts: string[]
  declare firsts: number[]
  declare lasts: number[]
}
export const USE_PATH = table('use_path', UsePathRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  path: key(uuid()),
  parts: texts(),
  firsts: wholes(),
  lasts: wholes(),
}))

/** When a visit came to a step first and last, `null` where only the time was told, and how long it spent there. */
export class UseStepRow extends Model<InferAttributes<UseStepRow>, InferCreationAttributes<UseStepRow>> {
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare personId: PersonId
  declare visit: string
  declare partId: string
  declare firstAt: number | null
  declare lastAt: number | null
  declare activeMs: number
}
export const USE_STEP = table('use_step', UseStepRow, () => ({
  itemKind: key(text()),
  itemId: key(text()),
  personId: key(text()),
  visit: key(text()),
  partId: key(text()),
  firstAt: optional(instant()),
  lastAt: optional(instant()),
  activeMs: big(),
}))

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

/** A day from which something is different. */
export class ReleaseRow extends Model<InferAttributes<ReleaseRow>, InferCreationAttributes<ReleaseRow>> {
  declare id: ReleaseId
  declare name: string
  declare day: LocalDate
  declare madeBy: PersonId
  declare madeAt: number
}
export const RELEASE = table('release', ReleaseRow, () => ({
  id: key(text()),
  name: text(),
  day: day(),
  madeBy: text(),
  madeAt: instant(),
}))

/** What people are to come to after having begun something. */
export class GoalRow extends Model<InferAttributes<GoalRow>, InferCreationAttributes<GoalRow>> {
  declare id: GoalId
  declare name: string
  declare fromKind: ItemKind
  declare fromId: ItemId
  declare steps: GoalStep[]
  declare madeBy: PersonId
  declare madeAt: number
}
export const GOAL = table('goal', GoalRow, () => ({
  id: key(text()),
  name: text(),
  fromKind: text(),
  fromId: text(),
  steps: json(),
  madeBy: text(),
  madeAt: instant(),
}))

/** What somebody sought, and what they opened of it. */
export class SearchRow extends Model<InferAttributes<SearchRow>, InferCreationAttributes<SearchRow>> {
  declare id: SearchId
  declare personId: PersonId
  declare at: number
  declare localDay: LocalDate
  declare words: string
  declare key: string
  declare found: number
  declare openedKind: ItemKind | null
  declare openedId: ItemId | null
}
export const SEARCH = table('search', SearchRow, () => ({
  id: key(text()),
  personId: text(),
  at: instant(),
  localDay: day(),
  words: text(),
  key: text(),
  found: whole(),
  openedKind: optional(text()),
  openedId: optional(text()),
}))

/** A page of figures that somebody has arranged. */
export class FigurePageRow extends Model<InferAttributes<FigurePageRow>, InferCreationAttributes<FigurePageRow>> {
  declare id: FigurePageId
  declare ownerId: PersonId
  declare name: string
  declare shared: boolean
  declare parts: FigurePart[]
  declare revision: number
  declare changedAt: number
}
export const FIGURE_PAGE = table('figure_page', FigurePageRow, () => ({
  id: key(text()),
  ownerId: text(),
  name: text(),
  shared: truth(),
  parts: json(),
  revision: whole(),
  changedAt: instant(),
}))

/** How often a page of figures is mailed to somebody, and on which day it last was. */
export class FigurePageMailRow extends Model<InferAttributes<FigurePageMailRow>, InferCreationAttributes<FigurePageMailRow>> {
  declare pageId: FigurePageId
  declare personId: PersonId
  declare every: MailedEvery
  declare mailedOn: LocalDate
}
export const FIGURE_PAGE_MAIL = table('figure_page_mail', FigurePageMailRow, () => ({
  pageId: key(text()),
  personId: key(text()),
  every: text(),
  mailedOn: day(),
}))
