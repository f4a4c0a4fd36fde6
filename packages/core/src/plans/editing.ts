import { itemKey, type ItemRef } from '../items'
import type { PlannedCheckInId, StageId } from '../shared'
import type { PlannedCheckIn } from './checkIn'
import type { PlanPart } from './compare'
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
  const fresh = [...new Map(items.map((item) => [itemKey(item), item])).values()].filter((item) => !has.has(itemKey(item)))
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
/** In which stage a part of a plan stands, and on which of its days; `undefined` where it stands in none. */
export function findPart(plan: PlanDocument, part: PlanPart): { stage: Stage; day: number } | undefined {
  for (const stage of plan.stages) {
    const found =
      'item' in part ? stage.items.find((each) => isSame(each.item, part.item)) : stage.checkIns?.find(({ id }) => id === part.checkIn)
    if (found) return { stage, day: found.day }
  }
  return undefined
}
const setDay = (plan: PlanDocument, part: PlanPart, day: number): PlanDocument =>
  'item' in part ? setItem(plan, part.item, { day }) : setCheckIn(plan, part.checkIn, { day })
/** Puts a part of a plan on a day of a stage, its own or another; never before the first day. */
export function placePart(plan: PlanDocument, part: PlanPart, to: StageId, day: number): PlanDocument {
  const found = findPart(plan, part)
  if (!found || !plan.stages.some(({ id }) => id === to)) return plan
  const on = within(day, 1, PLAN_LIMITS.days)
  if (found.stage.id === to) return on === found.day ? plan : setDay(plan, part, on)
  const { stage: from } = found
  const { items, checkIns = [] } = from
  const [item, checkIn] =
    'item' in part ? [items.find((each) => isSame(each.item, part.item))] : [undefined, checkIns.find(({ id }) => id === part.checkIn)]
  return inStage(removePart(plan, part), to, (stage) => ({
    ...stage,
    items: item ? [...stage.items, { ...item, day: on }] : stage.items,
    ...(checkIn ? { checkIns: [...(stage.checkIns ?? []), { ...checkIn, day: on }] } : {}),
  }))
}
/** Takes a part out of a plan. */
export const removePart = (plan: PlanDocument, part: PlanPart): PlanDocument => ({
  ...plan,
  stages: plan.stages.map((stage) =>
    'item' in part
      ? { ...stage, items: stage.items.filter((each) => !isSame(each.item, part.item)) }
      : { ...stage, checkIns: (stage.checkIns ?? []).filter(({ id }) => id !== part.checkIn) },
  ),
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
