import { itemKey } from '../items'
import type { PlannedCheckIn } from './checkIn'
import { daysOfStage, type PlanDocument, type PlanItem, type Stage } from './plan'

/** A stage on the plan's own time line, of which day 1 is the first: the days before it on which nothing is, its first and its last one. */
export type PlacedStage = {
  stage: Stage
  freeFrom: number
  from: number
  until: number
  items: readonly (PlanItem & { on: number })[]
  checkIns: readonly (PlannedCheckIn & { on: number })[]
}
/** A day of it with the minutes of what has to be done then, and by how much that is more than the limit. */
export type PlacedDay = { day: number; minutes: number; over: number }

/** The time line of a plan as it is written, for somebody who does everything on its day, where nobody has holidays. Free days count as one day each, of
 * whatever kind they are. */
export function timeLineOf(
  plan: PlanDocument,
  minutesOf: (key: string) => number,
): { stages: PlacedStage[]; days: PlacedDay[]; length: number } {
  const stages: PlacedStage[] = []
  let next = 1
  for (const [n, stage] of plan.stages.entries()) {
    const from = next + (n === 0 ? 0 : stage.free.days)
    const until = from + daysOfStage(stage) - 1
    const placed = <P extends { day: number }>(each: P) => ({ ...each, on: from + each.day - 1 })
    stages.push({
      ...{ stage, freeFrom: next, from, until },
      items: stage.items.map((each) => placed(each)),
      checkIns: (stage.checkIns ?? []).map((each) => placed(each)),
    })
    next = until + 1
  }
  const minutes = new Map<number, number>()
  for (const { on, optional, item } of stages.flatMap(({ items }) => items))
    if (!optional) minutes.set(on, (minutes.get(on) ?? 0) + minutesOf(itemKey(item)))
  const { dayLimitMin: limit } = plan
  const days = [...minutes].map(([day, sum]) => ({ day, minutes: sum, over: limit === null ? 0 : Math.max(0, sum - limit) }))
  return { stages, days: days.sort((a, b) => a.day - b.day), length: next - 1 }
}
