import { KEPT_MONTHS } from '@jackdaw/core/engagement'
import { AnyItemId, ItemRef } from '@jackdaw/core/items'
import { LocalDate, StepId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

const whole = z.int().check(z.minimum(0))
const page = z.optional(z.coerce.number().check(z.int(), z.minimum(1), z.maximum(100_000)))
/** How others used something in a month, for its owner, who may not see who they are: rounded, see `shownUse`. */
export const OwnUse = z.object({ people: whole, finished: whole, timesEach: whole })
/** Read by {@link OwnUse}. */
export type OwnUse = z.infer<typeof OwnUse>
/** What the caller owns, with how others used it in a month. `use` is `null` where fewer than `leastGroup` others may see it. */
export const OwnItem = z.object({ item: ItemRef, number: z.int(), title: z.string(), use: z.nullable(OwnUse) })
/** Read by {@link OwnItem}. */
export type OwnItem = z.infer<typeof OwnItem>
/** `months`: those that are over, the latest first; they are told by their first days. Only these can be looked at: with days that could be chosen, two answers
 * could be subtracted. `month`: the latest where none is asked for. */
const ofMonth = { leastGroup: whole, month: LocalDate, months: z.array(LocalDate) }
const query = { month: z.optional(LocalDate) }
/** How others used what the caller owns and has published. */
export const listOwnUse = endpoint({
  method: 'get',
  path: '/api/engagement/own',
  access: { may: 'use.own' },
  query: z.object({ ...query, page }),
  response: z.object({ ...ofMonth, rows: z.array(OwnItem), total: z.int(), pageSize: z.int() }),
  problems: ['invalid'],
})

/** Departments whose people are counted together, and how many of them may see it. `others`: people without a department are among them. */
const OwnGroup = z.object({ names: z.array(z.string()), others: z.boolean(), size: whole, people: whole, finished: whole })
/** Read by {@link OwnGroup}. */
export type OwnGroup = z.infer<typeof OwnGroup>
/** A step with the share of visits that came to it and, of these, that ended at it without finishing; of twelve months, in tenths. */
const OwnStep = z.object({ stepId: StepId, position: z.int(), name: z.string(), section: z.string(), came: z.number(), left: z.number() })
/** Read by {@link OwnStep}. */
export type OwnStep = z.infer<typeof OwnStep>
/** How others used one item of the caller: each of the months, by department in the month that is asked for, and by step where it has them and anybody came. */
export const OwnItemUse = z.object({
  ...ofMonth,
  item: ItemRef,
  number: z.int(),
  title: z.string(),
  /** As `months`; `null` where fewer may see it. */
  each: z.array(z.nullable(OwnUse)),
  groups: z.array(OwnGroup),
  steps: z.array(OwnStep),
})
/** Read by {@link OwnItemUse}. */
export type OwnItemUse = z.infer<typeof OwnItemUse>
/** How others used one item of the caller. */
export const getOwnItemUse = endpoint({
  method: 'get',
  path: '/api/items/:id/own-use',
  access: { may: 'use.own-item', over: 'item' },
  params: z.object({ id: AnyItemId }),
  query: z.object(query),
  response: OwnItemUse,
  problems: ['invalid', 'not-found'],
})

/** How figures are shown to those who may not see whom they count: from how many people on a group is shown by itself; and for how many months it is kept who
 * used what when, `null`: for ever. Before that only how much is known. */
export const FigureRules = z.object({
  leastGroup: z.int().check(z.minimum(5), z.maximum(100)),
  keepMonths: z.nullable(z.int().check(z.minimum(KEPT_MONTHS.least), z.maximum(KEPT_MONTHS.most))),
})
/** Read by {@link FigureRules}. */
export type FigureRules = z.infer<typeof FigureRules>
/** The rules for figures. `since`: from which day on it is kept who used what when, as they have been followed; `null`: since ever. */
export const getFigureRules = endpoint({
  method: 'get',
  path: '/api/figure-rules',
  access: { may: 'company.change' },
  response: z.extend(FigureRules, { since: z.nullable(LocalDate) }),
  problems: [],
})
/** Changes them. */
export const setFigureRules = endpoint({
  method: 'put',
  path: '/api/figure-rules',
  access: { may: 'company.change' },
  body: FigureRules,
  problems: ['invalid'],
})
