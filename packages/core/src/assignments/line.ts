import * as z from 'zod/mini'
import { addMonths, localDateAt, startOfLocalDay, type LocalDate } from '../shared'
import { dueFor, type Due, type DueFacts, type DueRule } from './dueRule'

/** For what an item is given: to be done, which can be late, or to be looked up when it is needed. */
export const GivenFor = z.enum(['to-do', 'to-look-up'])
/** Read by {@link GivenFor}. */
export type GivenFor = z.infer<typeof GivenFor>
/** What a line is for: the strongest of its reasons; `optional` when none is left and the person had begun. Only `to-do` counts for completion. */
export const LineFor = z.enum(['to-do', 'to-look-up', 'optional'])
/** Read by {@link LineFor}. */
export type LineFor = z.infer<typeof LineFor>

/** Longest time after which an item is to be done again, in months. */
export const MOST_REPEAT_MONTHS = 120
/** After how many months an item is to be done again; `null` when it is done once and for all. */
export const RepeatMonths = z.nullable(z.int().check(z.minimum(1), z.maximum(MOST_REPEAT_MONTHS)))

/** One reason for which somebody has an item. `countsFrom`: when they were given it for that, epoch milliseconds, UTC. */
export type Reason = { use: GivenFor; due: DueRule; countsFrom: number; repeatMonths: number | null }
/** What is known of a line apart from its reasons. `begun`: whether the person has used the item; `movedOn`: a due day set by hand; `roundFrom`: when the
 * present round began, `null` in the first one. */
export type LineFacts = { begun: boolean; movedOn: LocalDate | null; roundFrom: number | null }
/** One person and one item. `due` and `repeatMonths` are `null` where nothing is to be done. */
export type Line = { use: LineFor; due: Due | null; repeatMonths: number | null }

/** What one person has of one item, however many reasons there are: to do when any of them says so, by the earliest day that one of those says, again after
 * the shortest time. A day that was set by hand goes before all of them. Without a reason an item that was begun stays as optional.
 * @returns `null` when nothing is left of it */
export function lineOf(reasons: readonly Reason[], { begun, movedOn, roundFrom }: LineFacts, facts: DueFacts): Line | null {
  const asking = reasons.filter(({ use }) => use === 'to-do')
  if (asking.length === 0) {
    const use = reasons.length > 0 ? 'to-look-up' : 'optional'
    return use === 'optional' && !begun ? null : { use, due: null, repeatMonths: null }
  }
  const days = asking.flatMap(({ due, countsFrom }) => dueFor(due, Math.max(countsFrom, roundFrom ?? countsFrom), facts) ?? [])
  const moved = movedOn === null ? null : dueFor({ kind: 'date', date: movedOn }, 0, facts)
  const months = asking.flatMap(({ repeatMonths }) => repeatMonths ?? [])
  return { use: 'to-do', due: moved ?? earliest(days), repeatMonths: months.length > 0 ? Math.min(...months) : null }
}

const earliest = (days: readonly Due[]): Due | null => [...days].sort((a, b) => a.at - b.at)[0] ?? null

/** When what was done is to be done again: so many months later, on that day of the month or the last one, where the person works.
 * @param finishedAt epoch milliseconds, UTC
 * @returns the day, and the instant at which it begins, from which the new round counts */
export function nextRound(finishedAt: number, repeatMonths: number, zone: string): { on: LocalDate; from: number } {
  const on = addMonths(localDateAt(finishedAt, zone), repeatMonths)
  return { on, from: startOfLocalDay(on, zone) }
}
