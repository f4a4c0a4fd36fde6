import type { Course } from './timeToGoal'

const DAY_MS = 86_400_000

/** Somebody on the way to a goal of several steps: when they began, and for each step every time that they did what it asks for, epoch milliseconds in
 * any order. */
export type GoalCourse = { beganAt: number; doneAt: readonly (readonly number[])[] }
/** When each step was reached, in time and after the one before; `null` from the first one on that was not. */
export type Reached = readonly (number | null)[]

/** When somebody came to each step of a goal: the first time that they did what it asks for, at or after the one before, if that was within its days. What was done
 * before they began counts for nothing.
 * @param withinDays of each step, counted from the one before, or from the beginning; 24 hours each */
export function reachedOf({ beganAt, doneAt }: GoalCourse, withinDays: readonly number[]): Reached {
  let since: number | null = beganAt
  return withinDays.map((days, step) => {
    if (since === null) return null
    const after: number = since
    const times = (doneAt[step] ?? []).filter((at) => at >= after)
    const first = times.length === 0 ? Infinity : Math.min(...times)
    return (since = first - after <= days * DAY_MS ? first : null)
  })
}

/** How it stands with a step: reached, missed since its days are over, or still under way; `null` for who has not come so far. */
export type Standing = { is: 'reached' | 'missed' | 'under-way'; ms: number } | null
/** How it stands with a step of a goal for somebody, and how long they took, or have had so far, at most its days.
 * @param now epoch milliseconds */
export function standingAt(step: number, beganAt: number, reached: Reached, withinDays: readonly number[], now: number): Standing {
  const since = step === 0 ? beganAt : (reached[step - 1] ?? null)
  if (since === null) return null
  const at = reached[step] ?? null
  if (at !== null) return { is: 'reached', ms: at - since }
  const most = (withinDays[step] ?? 0) * DAY_MS
  return now - since > most ? { is: 'missed', ms: most } : { is: 'under-way', ms: Math.max(0, now - since) }
}

const DAYS_BY_HOURS = 7
const MOST_POINTS = 60
/** The times at which the curve of a step with so many days is drawn: evenly, by hours where the days are few, else by days; at most 61 of them.
 * @returns times in their unit, 0 first and all of the days last; `unitMs`: how long one is */
export function timesOf(withinDays: number): { unit: 'hour' | 'day'; unitMs: number; times: number[] } {
  const unit = withinDays <= DAYS_BY_HOURS ? 'hour' : 'day'
  const most = unit === 'hour' ? withinDays * 24 : withinDays
  const step = Math.ceil(most / MOST_POINTS)
  const times = Array.from({ length: Math.ceil(most / step) + 1 }, (_, n) => Math.min(n * step, most))
  return { unit, unitMs: unit === 'hour' ? DAY_MS / 24 : DAY_MS, times }
}

/** The courses of a step, of which the curve is drawn: who missed it was under way for all of its days. */
export const coursesOf = (standings: readonly Standing[]): Course[] =>
  standings.flatMap((standing) => (standing === null ? [] : [{ ms: standing.ms, reached: standing.is === 'reached' }]))
