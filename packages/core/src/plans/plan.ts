import * as z from 'zod/mini'
import { itemKey, ItemRef } from '../items'
import { StageId } from '../shared'
import { CHECK_IN_LIMITS, plannedCheckIn, type PlannedCheckIn } from './checkIn'

/** How much a plan may hold: characters, stages, items in all of them, days of a stage, free days before one, and minutes of a day. */
export const PLAN_LIMITS = {
  title: 120,
  about: 2_000,
  name: 80,
  note: 300,
  stages: 60,
  items: 300,
  days: 400,
  free: 180,
  minutes: 960,
} as const

/** What has to be so that a stage begins: that the stage before is over by the calendar, that all that had to be done in it is done, or both. */
export const Release = z.enum(['date', 'completion', 'both'])
/** Read by {@link Release}. */
export type Release = z.infer<typeof Release>

/** An item of a stage. `day`: on which day of the stage it is to be done, from 1. `optional`: it is at hand and need not be done. */
export const PlanItem = z.object({
  item: ItemRef,
  day: z.int().check(z.minimum(1), z.maximum(PLAN_LIMITS.days)),
  optional: z.boolean(),
})
/** Read by {@link PlanItem}. */
export type PlanItem = z.infer<typeof PlanItem>

/** A block of items that come together. `free`: so many days without anything lie before it, working days or all of them; of the first stage they are
 * not asked. `note`: what belongs into it, for those who write the plan. `checkIns`: on which of its days
 * somebody and whoever they report to look back; nothing waits for them. */
export const Stage = z.object({
  id: StageId,
  name: z.string().check(z.trim(), z.minLength(1, 'Give the stage a name'), z.maxLength(PLAN_LIMITS.name)),
  note: z.optional(z.string().check(z.maxLength(PLAN_LIMITS.note))),
  release: Release,
  free: z.object({ days: z.int().check(z.minimum(0), z.maximum(PLAN_LIMITS.free)), working: z.boolean() }),
  items: z.array(PlanItem),
  checkIns: z.optional(z.array(plannedCheckIn(PLAN_LIMITS.days))),
})
/** Read by {@link Stage}. */
export type Stage = z.infer<typeof Stage>

const hasNoneTwice = (all: readonly string[]): boolean => new Set(all).size === all.length
/** What a plan says. `working`: whether days within stages are working days, or all days. `dayLimitMin`: so many minutes a day are enough; `null` where that is
 * not watched. */
export const PlanDocument = z
  .object({
    title: z.string().check(z.trim(), z.minLength(1, 'Give it a title'), z.maxLength(PLAN_LIMITS.title)),
    about: z.string().check(z.maxLength(PLAN_LIMITS.about)),
    working: z.boolean(),
    dayLimitMin: z.nullable(z.int().check(z.minimum(5), z.maximum(PLAN_LIMITS.minutes))),
    stages: z.array(Stage).check(z.minLength(1, 'A plan has at least one stage'), z.maxLength(PLAN_LIMITS.stages)),
  })
  .check(
    z.refine(({ stages }) => hasNoneTwice(stages.map(({ id }) => id)), { path: ['stages'], error: 'Two stages have the same id' }),
    z.refine(({ stages }) => hasNoneTwice(itemsOf(stages).map(({ item }) => itemKey(item))), {
      path: ['stages'],
      error: 'The same item stands in the plan twice',
    }),
    z.refine(({ stages }) => itemsOf(stages).length <= PLAN_LIMITS.items, {
      path: ['stages'],
      error: `A plan holds at most ${PLAN_LIMITS.items} items`,
    }),
    z.refine(({ stages }) => hasNoneTwice(checkInsOf(stages).map(({ id }) => id)), {
      path: ['stages'],
      error: 'Two check-ins have the same id',
    }),
    z.refine(({ stages }) => checkInsOf(stages).length <= CHECK_IN_LIMITS.inPlan, {
      path: ['stages'],
      error: `A plan holds at most ${CHECK_IN_LIMITS.inPlan} check-ins`,
    }),
  )
/** Read by {@link PlanDocument}. */
export type PlanDocument = z.infer<typeof PlanDocument>

const itemsOf = (stages: readonly Stage[]): PlanItem[] => stages.flatMap(({ items }) => items)
/** All items of a plan in its order. */
export const itemsOfPlan = ({ stages }: Pick<PlanDocument, 'stages'>): PlanItem[] => itemsOf(stages)
const checkInsOf = (stages: readonly Stage[]): PlannedCheckIn[] => stages.flatMap(({ checkIns = [] }) => checkIns)
/** All check-ins of a plan in its order. */
export const checkInsOfPlan = ({ stages }: Pick<PlanDocument, 'stages'>): PlannedCheckIn[] => checkInsOf(stages)
/** How many days a stage is long: up to its last item or check-in, and at least one. */
export const daysOfStage = ({ items, checkIns = [] }: Pick<Stage, 'items' | 'checkIns'>): number =>
  Math.max(1, ...[...items, ...checkIns].map(({ day }) => day))
