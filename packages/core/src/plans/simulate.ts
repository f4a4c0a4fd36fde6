import { dayAfter } from '../calendar'
import { itemKey } from '../items'
import { daysBetween, type LocalDate, type StageId } from '../shared'
import type { PlanDocument } from './plan'
import { finishedOf, standingOfStage, type DatedItem, type PlanFacts, type StageStanding } from './standing'

/** How somebody goes through a plan: does each thing on its day, each some working days late, or nothing at all. */
export const PACES = ['as-planned', 'slow', 'nothing'] as const
/** One of {@link PACES}. */
export type Pace = (typeof PACES)[number]
/** So many working days late is somebody who goes slowly. */
export const SLOW_DAYS = 3

/** A day on which something has to be done. `minutes`: of all that is to be done on it and need not be left; `over`: by how much that is more than the plan's limit. */
export type SimulatedDay = { on: LocalDate; minutes: number; over: number; items: readonly DatedItem[] }
/** What comes of a plan for somebody who goes through it at a pace. `endsOn`: the day on which the last thing is done; `null` when that never happens, and
 * `stuckAt` is the first stage that then never begins, or the last one. `moved`: how many items gave way to a holiday or to an absence. */
export type Simulated = {
  pace: Pace
  stages: readonly StageStanding[]
  days: readonly SimulatedDay[]
  startsOn: LocalDate
  endsOn: LocalDate | null
  stuckAt: StageId | null
  moved: { holiday: number; away: number }
  done: ReadonlyMap<string, LocalDate>
}

/** When somebody does an item; `null` for never. */
function doneOn(pace: Pace, dueOn: LocalDate, { calendar, away }: PlanFacts): LocalDate | null {
  if (pace === 'nothing') return null
  return pace === 'as-planned' ? dueOn : dayAfter(dueOn, SLOW_DAYS, { working: true, calendar, away })
}

/** Goes through a plan for somebody before it is given to them, by the rules by which it is carried out; see `standingOf`.
 * @param minutesOf how long an item takes */
export function simulate(plan: PlanDocument, facts: PlanFacts, pace: Pace, minutesOf: (key: string) => number): Simulated {
  const done = new Map<string, LocalDate>()
  const nothing = { released: new Map<StageId, LocalDate>(), done }
  const stages: StageStanding[] = []
  for (const stage of plan.stages) {
    const standing = standingOfStage(stage, stages.at(-1), plan.working, facts, nothing)
    const { startsOn, items } = standing
    for (const { item, dueOn } of items) {
      const on = doneOn(pace, dueOn, facts)
      if (on !== null) done.set(itemKey(item), on)
    }
    stages.push({
      ...standing,
      released: startsOn !== null,
      finishedOn: startsOn === null ? null : finishedOf(stage.items, startsOn, done),
    })
  }
  const dated = stages.flatMap(({ items }) => items)
  const finished = stages.map(({ finishedOn }) => finishedOn)
  const isEnded = finished.every((on) => on !== null)
  const last = stages.find(({ startsOn }) => startsOn === null) ?? stages.at(-1)!
  return {
    ...{ pace, stages, done, days: daysOf(dated, plan.dayLimitMin, minutesOf), startsOn: stages[0]!.startsOn! },
    endsOn: isEnded ? finished.reduce((a, b) => (a! > b! ? a : b)) : null,
    stuckAt: isEnded ? null : last.id,
    moved: {
      holiday: dated.filter(({ moved }) => moved === 'holiday').length,
      away: dated.filter(({ moved }) => moved === 'away').length,
    },
  }
}

/** The days on which something is to be done, in their order. */
function daysOf(items: readonly DatedItem[], limit: number | null, minutesOf: (key: string) => number): SimulatedDay[] {
  const byDay = new Map<LocalDate, DatedItem[]>()
  for (const each of items) byDay.set(each.dueOn, [...(byDay.get(each.dueOn) ?? []), each])
  return [...byDay]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([on, list]) => {
      const minutes = list.filter(({ optional }) => !optional).reduce((sum, { item }) => sum + minutesOf(itemKey(item)), 0)
      return { on, minutes, over: limit === null ? 0 : Math.max(0, minutes - limit), items: list }
    })
}

/** How many days a plan takes from its start to its end, both among them. */
export const lengthDays = ({ startsOn, endsOn }: Pick<Simulated, 'startsOn' | 'endsOn'>): number | null =>
  endsOn === null ? null : daysBetween(startsOn, endsOn) + 1
