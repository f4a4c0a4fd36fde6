import * as z from 'zod/mini'
import { addDays, endOfLocalDay, LocalDate, localDateAt } from '../shared'

/** Longest time that somebody can be given for an item, in days. */
export const MOST_DUE_DAYS = 730

/** By when an item is to be done: within a number of days from when it is given to the person, on a date, or at leisure. */
export const DueRule = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('days'), days: z.int().check(z.minimum(1), z.maximum(MOST_DUE_DAYS)) }),
  z.object({ kind: z.literal('date'), date: LocalDate }),
  z.object({ kind: z.literal('none') }),
])
/** Read by {@link DueRule}. */
export type DueRule = z.infer<typeof DueRule>

/** Days within which an item is to be done unless somebody says otherwise. */
export const USUAL_DAYS = 14
/** By when an item is to be done unless somebody says otherwise. */
export const USUAL_DUE: DueRule = { kind: 'days', days: USUAL_DAYS }

/** A due day where the person is: the day, their zone and the instant at which it is over (epoch milliseconds, UTC). */
export type Due = { on: LocalDate; zone: string; at: number }

/** The due day for one person.
 * @param assignedAt epoch milliseconds, UTC
 * @param zone       zone of the person's primary site
 * @returns `null` when there is none */
export function dueFor(rule: DueRule, assignedAt: number, zone: string): Due | null {
  if (rule.kind === 'none') return null
  const on = rule.kind === 'date' ? rule.date : addDays(localDateAt(assignedAt, zone), rule.days)
  return { on, zone, at: endOfLocalDay(on, zone) }
}
