import * as z from 'zod/mini'
import { dayAfter, whenBack, type Away, type WorkCalendar } from '../calendar'
import { LocalDate, endOfLocalDay, localDateAt } from '../shared'

/** Longest time that somebody can be given for an item, in days. */
export const MOST_DUE_DAYS = 730

/** By when an item is to be done: within a number of days, on a date, or at leisure. Days are counted from when somebody is given it, or from
 * their first day at work; all of them, or working days only. */
export const DueRule = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('days'),
    days: z.int().check(z.minimum(1), z.maximum(MOST_DUE_DAYS)),
    working: z.optional(z.literal(true)),
    from: z.optional(z.literal('hire')),
  }),
  z.object({ kind: z.literal('date'), date: LocalDate }),
  z.object({ kind: z.literal('none') }),
])
/** Read by {@link DueRule}. */
export type DueRule = z.infer<typeof DueRule>

/** Days within which an item is to be done unless somebody says otherwise. */
export const USUAL_DAYS = 14
/** By when an item is to be done unless somebody says otherwise. */
export const USUAL_DUE: DueRule = { kind: 'days', days: USUAL_DAYS }

/** What one has to know of somebody to say by when they are to have done something.
 * `zone`, `calendar`: of their primary site; `startedOn`: their first day at work, `null` where it is not known */
export type DueFacts = { zone: string; startedOn: LocalDate | null; calendar: WorkCalendar; away: readonly Away[] }

/** A due day where the person is: the day, their zone and the instant at which it is over (epoch milliseconds, UTC). */
export type Due = { on: LocalDate; zone: string; at: number }

/** The due day for one person. Days on which they are away are not counted; a date on which they are away waits for the first working day on which they
 * are back. Who has been here for longer than the days that are counted from their first day has these days from when they are given it.
 * @param countsFrom when they were given it, epoch milliseconds, UTC
 * @returns `null` when there is none */
export function dueFor(rule: DueRule, countsFrom: number, { zone, startedOn, calendar, away }: DueFacts): Due | null {
  if (rule.kind === 'none') return null
  const on = rule.kind === 'date' ? whenBack(rule.date, { calendar, away }) : dayOfRule(rule)
  return { on, zone, at: endOfLocalDay(on, zone) }

  function dayOfRule({ days, working, from }: DueRule & { kind: 'days' }): LocalDate {
    const given = localDateAt(countsFrom, zone)
    const counting = { working: working === true, calendar, away }
    const sinceHire = from === 'hire' && startedOn !== null ? dayAfter(startedOn, days, counting) : null
    return sinceHire !== null && sinceHire >= given ? sinceHire : dayAfter(given, days, counting)
  }
}
