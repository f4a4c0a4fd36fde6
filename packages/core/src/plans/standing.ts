import { dayAfter, daysAfter, workingDayFrom, type Away, type WorkCalendar } from '../calendar'
import { itemKey } from '../items'
import { addDays, type LocalDate, type PlannedCheckInId, type StageId } from '../shared'
import { daysOfStage, type PlanDocument, type PlanItem, type Stage } from './plan'

/** For whom a plan is reckoned: the day on which it starts, on which days people work where they are, and when they are away. While it is held for
 * somebody, that counts as being away. */
export type PlanFacts = { start: LocalDate; calendar: WorkCalendar; away: readonly Away[] }
/** What has happened: on which day each stage was released, and each item was done, by its key. What is missing has not. */
export type Happened = { released: ReadonlyMap<StageId, LocalDate>; done: ReadonlyMap<string, LocalDate> }

/** An item with the day on which it is to be done. `moved`: why that is not the day on which it would fall if nobody had holidays or were away. */
export type DatedItem = PlanItem & { dueOn: LocalDate; moved: 'holiday' | 'away' | null }
/** A check-in with the day on which both are asked. */
export type DatedCheckIn = { id: PlannedCheckInId; on: LocalDate }
/** How a stage stands. `startsOn`: the day on which it was released, or will be; `null` while that waits for what is not done yet. `endsOn`: the last day
 * on which something of it is to be done or asked. `finishedOn`: since when all that has to be done in it is done. */
export type StageStanding = {
  id: StageId
  startsOn: LocalDate | null
  released: boolean
  endsOn: LocalDate | null
  finishedOn: LocalDate | null
  items: readonly DatedItem[]
  checkIns: readonly DatedCheckIn[]
}

/** The first working day from a day on which somebody is here. */
function workdayHere(from: LocalDate, { calendar, away }: Pick<PlanFacts, 'calendar' | 'away'>): LocalDate {
  let day = from
  for (;;) {
    const working = workingDayFrom(calendar, day)
    const absence = away.find(({ from: first, until }) => first <= working && working <= until)
    if (!absence) return working
    day = addDays(absence.until, 1)
  }
}

/** On which day each item of a stage is to be done that begins on a working day, and each check-in is asked. Of all days, one on which nobody works, or they are
 * away, gives way to the next on which they work. */
function datedParts(stage: Stage, startsOn: LocalDate, working: boolean, facts: PlanFacts): Pick<StageStanding, 'items' | 'checkIns'> {
  const { calendar, away } = facts
  const plain = { ...calendar, holidays: new Set<LocalDate>() }
  // Each day is counted once for all.
  const last = daysOfStage(stage) - 1
  const counted = daysAfter(startsOn, last, { working, calendar, away })
  const undisturbed = daysAfter(startsOn, last, { working, calendar: plain, away: [] })
  const items = stage.items.map((each): DatedItem => {
    const dueOn = workdayHere(counted[each.day - 1]!, facts)
    const first = workingDayFrom(plain, undisturbed[each.day - 1]!)
    const isAway = away.some(({ from, until }) => from <= first && first <= until)
    return { ...each, dueOn, moved: calendar.holidays.has(first) ? 'holiday' : isAway ? 'away' : null }
  })
  return { items, checkIns: (stage.checkIns ?? []).map(({ id, day }) => ({ id, on: workdayHere(counted[day - 1]!, facts) })) }
}

const latest = (...days: LocalDate[]): LocalDate => days.reduce((a, b) => (a > b ? a : b))

/** Since when all that has to be done is done; where nothing has to be, since the stage began.
 * @returns `null` while something is missing */
export function finishedOf(items: readonly PlanItem[], startsOn: LocalDate, done: ReadonlyMap<string, LocalDate>): LocalDate | null {
  let last = startsOn
  for (const { item, optional } of items) {
    if (optional) continue
    const on = done.get(itemKey(item))
    if (on === undefined) return null
    last = latest(last, on)
  }
  return last
}

/** How the stages of a plan stand for somebody. A stage that was released keeps its day; the others follow from the one before: after its last day, after
 * what had to be done in it was done, or after both, and the free days. A stage begins on a day on which they work and are here, never on the day on which the
 * one before was finished. */
export function standingOf(plan: PlanDocument, facts: PlanFacts, happened: Happened): StageStanding[] {
  const standings: StageStanding[] = []
  for (const stage of plan.stages) standings.push(standingOfStage(stage, standings.at(-1), plan.working, facts, happened))
  return standings
}

/** How one stage stands, by the one before it. */
export function standingOfStage(
  stage: Stage,
  before: StageStanding | undefined,
  working: boolean,
  facts: PlanFacts,
  { released, done }: Happened,
): StageStanding {
  const startsOn = released.get(stage.id) ?? (before ? startAfter(before, stage, facts) : workdayHere(facts.start, facts))
  const { items, checkIns } = startsOn === null ? { items: [], checkIns: [] } : datedParts(stage, startsOn, working, facts)
  return {
    id: stage.id,
    startsOn,
    released: released.has(stage.id),
    endsOn: startsOn === null ? null : latest(startsOn, ...items.map(({ dueOn }) => dueOn), ...checkIns.map(({ on }) => on)),
    finishedOn: startsOn === null ? null : finishedOf(stage.items, startsOn, done),
    items,
    checkIns,
  }
}

/** When a stage begins, by the one before it. @returns `null` while that is not known */
function startAfter(before: StageStanding, { release, free }: Stage, facts: PlanFacts): LocalDate | null {
  const { endsOn, finishedOn } = before
  if (endsOn === null || (release !== 'date' && finishedOn === null)) return null
  const from = release === 'date' ? endsOn : release === 'completion' ? finishedOn! : latest(endsOn, finishedOn!)
  const { calendar, away } = facts
  return workdayHere(dayAfter(from, free.days + 1, { working: free.working, calendar, away }), facts)
}

/** The stages that are to be released by a day and were not yet, in their order.
 * @param today where the person works */
export const toRelease = (standings: readonly StageStanding[], today: LocalDate): StageStanding[] =>
  standings.filter(({ startsOn, released }) => !released && startsOn !== null && startsOn <= today)

/** Whether all that has to be done in all stages is done. */
export const isOver = (standings: readonly StageStanding[]): boolean =>
  standings.every(({ released, finishedOn }) => released && finishedOn !== null)
