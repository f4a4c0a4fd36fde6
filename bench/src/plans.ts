import { USUAL_CALENDAR } from '@jackdaw/core/calendar'
import { taskItem } from '@jackdaw/core/items'
import { PACES, simulate, type PlanDocument, type PlanFacts } from '@jackdaw/core/plans'
import { addDays, type LocalDate, type StageId, type TaskId } from '@jackdaw/core/shared'

const ITEMS = 60
const STAGES = 12
const id = <I extends string>(letter: string, n: number): I => `${letter}${String(n).padStart(20, '0')}` as I
const start = '2027-01-04' as LocalDate

/** A plan of 60 items over half a year. */
const plan: PlanDocument = {
  ...{ title: 'Bench', about: '', working: true, dayLimitMin: 60 },
  stages: Array.from({ length: STAGES }, (_, s) => ({
    ...{ id: id<StageId>('s', s), name: `Stage ${s}`, release: 'both' as const, free: { days: 2, working: true } },
    items: Array.from({ length: ITEMS / STAGES }, (__, n) => ({
      item: taskItem(id<TaskId>('t', s * 5 + n)),
      day: 1 + n * 2,
      optional: false,
    })),
  })),
}
/** Somebody with a month of holidays in all, who is away twice. */
const facts: PlanFacts = {
  start,
  calendar: { ...USUAL_CALENDAR, holidays: new Set(Array.from({ length: 30 }, (_, n) => addDays(start, n * 9))) },
  away: [20, 70].map((n) => ({ from: addDays(start, n), until: addDays(start, n + 9) })),
}

/** How long it takes to go through a plan of 60 items at all three paces, in words. */
export function simulationTime(n = 200): string {
  const times = Array.from({ length: n }, () => {
    const from = performance.now()
    for (const pace of PACES) simulate(plan, facts, pace, () => 10)
    return performance.now() - from
  }).sort((a, b) => a - b)
  return `p50 ${times[Math.floor(n / 2)]!.toFixed(1)} ms, p95 ${times[Math.floor(n * 0.95)]!.toFixed(1)} ms`
}
