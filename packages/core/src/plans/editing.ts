import { itemKey, type ItemRef } from '../items'
import type { PlannedCheckInId, StageId } from '../shared'
import type { PlannedCheckIn } from './checkIn'
import { daysOfStage, PLAN_LIMITS, type PlanDocument, type PlanItem, type Stage } from './plan'

const within = (n: number, least: number, most: number): number => Math.min(most, Math.max(least, n))
const isSame = (a: ItemRef, b: ItemRef): boolean => itemKey(a) === itemKey(b)
const inStage = (plan: PlanDocument, id: StageId, change: (stage: Stage) => Stage): PlanDocument => ({
  ...plan,
  stages: plan.stages.map((stage) => (stage.id === id ? change(stage) : stage)),
})

/** Changes some of what is said of a stage. */
export const setStage = (plan: PlanDocument, id: StageId, more: Partial<Omit<Stage, 'id' | 'items'>>): PlanDocument =>
  inStage(plan, id, (stage) => ({ ...stage, ...more }))
/** Puts items at the end of a stage, each on its last day; those that stand in the plan already are left where they are. */
export function addItems(plan: PlanDocument, id: StageId, items: readonly ItemRef[]): PlanDocument {
  const has = new Set(plan.stages.flatMap((stage) => stage.items.map(({ item }) => itemKey(item))))
  const fresh = items.filter((item) => !has.has(itemKey(item)))
  return inStage(plan, id, (stage) => {
    const day = Math.max(1, ...stage.items.map((each) => each.day))
    return { ...stage, items: [...stage.items, ...fresh.map((item): PlanItem => ({ item, day, optional: false }))] }
  })
}
/** Changes an item of a plan. */
export const setItem = (plan: PlanDocument, item: ItemRef, more: Partial<Omit<PlanItem, 'item'>>): PlanDocument => ({
  ...plan,
  stages: plan.stages.map((stage) => ({
    ...stage,
    items: stage.items.map((each) => (isSame(each.item, item) ? { ...each, ...more } : each)),
  })),
})
/** Moves an item by days within its stage, never before its first one. */
export function moveItemBy(plan: PlanDocument, item: ItemRef, days: number): PlanDocument {
  const found = plan.stages.flatMap(({ items }) => items).find((each) => isSame(each.item, item))
  return found ? setItem(plan, item, { day: within(found.day + days, 1, PLAN_LIMITS.days) }) : plan
}
/** Moves an item to another stage, to one of its days. */
export function moveItemTo(plan: PlanDocument, item: ItemRef, to: StageId, day: number): PlanDocument {
  const found = plan.stages.flatMap(({ items }) => items).find((each) => isSame(each.item, item))
  if (!found || !plan.stages.some(({ id }) => id === to)) return plan
  return inStage(removeItem(plan, item), to, (stage) => ({
    ...stage,
    items: [...stage.items, { ...found, day: within(day, 1, PLAN_LIMITS.days) }],
  }))
}
/** Takes an item out of a plan. */
export const removeItem = (plan: PlanDocument, item: ItemRef): PlanDocument => ({
  ...plan,
  stages: plan.stages.map((stage) => ({ ...stage, items: stage.items.filter((each) => !isSame(each.item, item)) })),
})
/** Puts a check-in at the end of a stage, on its last day. */
export const addCheckIn = (plan: PlanDocument, id: StageId, checkIn: Omit<PlannedCheckIn, 'day'>): PlanDocument =>
  inStage(plan, id, (stage) => ({ ...stage, checkIns: [...(stage.checkIns ?? []), { ...checkIn, day: daysOfStage(stage) }] }))
/** Changes a check-in. */
export const setCheckIn = (plan: PlanDocument, id: PlannedCheckInId, more: Partial<Omit<PlannedCheckIn, 'id'>>): PlanDocument => ({
  ...plan,
  stages: plan.stages.map((stage) =>
    stage.checkIns?.some((each) => each.id === id)
      ? { ...stage, checkIns: stage.checkIns.map((each) => (each.id === id ? { ...each, ...more } : each)) }
      : stage,
  ),
})
/** Puts a check-in on a day of a stage, the one in which it stands or another. */
export function placeCheckIn(plan: PlanDocument, id: PlannedCheckInId, to: StageId, day: number): PlanDocument {
  const from = plan.stages.find(({ checkIns }) => checkIns?.some((each) => each.id === id))
  const found = from?.checkIns?.find((each) => each.id === id)
  if (!from || !found || !plan.stages.some((stage) => stage.id === to)) return plan
  const on = within(day, 1, PLAN_LIMITS.days)
  if (from.id === to) return on === found.day ? plan : setCheckIn(plan, id, { day: on })
  return inStage(removeCheckIn(plan, id), to, (stage) => ({ ...stage, checkIns: [...(stage.checkIns ?? []), { ...found, day: on }] }))
}
/** Takes a check-in out of a plan. */
export const removeCheckIn = (plan: PlanDocument, id: PlannedCheckInId): PlanDocument => ({
  ...plan,
  stages: plan.stages.map((stage) => (stage.checkIns ? { ...stage, checkIns: stage.checkIns.filter((each) => each.id !== id) } : stage)),
})
/** Adds a stage at the end. */
export const addStage = (plan: PlanDocument, id: StageId, name: string): PlanDocument =>
  plan.stages.length >= PLAN_LIMITS.stages
    ? plan
    : { ...plan, stages: [...plan.stages, { id, name, release: 'both', free: { days: 1, working: true }, items: [] }] }
/** Takes a stage out with all that is in it; the last one stays. */
export const removeStage = (plan: PlanDocument, id: StageId): PlanDocument =>
  plan.stages.length < 2 ? plan : { ...plan, stages: plan.stages.filter((stage) => stage.id !== id) }
/** Moves a stage by places. */
export function moveStageBy(plan: PlanDocument, id: StageId, places: number): PlanDocument {
  const at = plan.stages.findIndex((stage) => stage.id === id)
  if (at < 0) return plan
  const stages = plan.stages.filter((stage) => stage.id !== id)
  stages.splice(within(at + places, 0, stages.length), 0, plan.stages[at]!)
  return { ...plan, stages }
}
