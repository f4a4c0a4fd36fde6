import * as z from 'zod/mini'
import { addDays, daysBetween, type LocalDate } from '../shared'

/** Most days before and after a due day on which somebody is reminded, and how many times. */
export const MOST_BEFORE_DAYS = 60
export const MOST_AFTER_DAYS = 365
const MOST_TIMES = 10
const Days = (most: number) => z.array(z.int().check(z.minimum(1), z.maximum(most))).check(z.maxLength(MOST_TIMES))
/** When people are reminded of what they are to do: so many days before the due day, and after it; and after how many days whoever they report to is
 * told, `null` for never. */
export const ReminderRules = z.object({
  before: Days(MOST_BEFORE_DAYS),
  after: Days(MOST_AFTER_DAYS),
  managerAfter: z.nullable(z.int().check(z.minimum(1), z.maximum(MOST_AFTER_DAYS))),
})
/** Read by {@link ReminderRules}. */
export type ReminderRules = z.infer<typeof ReminderRules>
/** What holds until a company says otherwise. */
export const USUAL_REMINDERS: ReminderRules = { before: [3], after: [1, 7], managerAfter: 3 }

/** A reminder that was missed, as when no server ran, is made up for so many days. */
const MADE_UP_DAYS = 3

/** On which days from the due day somebody is reminded; negative before it. @param own so many days before it besides, as the person wishes */
export const offsetsOf = ({ before, after }: ReminderRules, own: number | null): number[] => [
  ...new Set([...before.map((days) => -days), ...(own === null ? [] : [-own]), ...after]),
]

/** Which reminder is due: its days from the due day; `null` when there is none. Only the last that was reached; and none for a day on which the person
 * was given the item, or before that.
 * @param since the day on which they were given it */
export function reminderDue(dueOn: LocalDate, today: LocalDate, since: LocalDate, offsets: readonly number[]): number | null {
  const reached = offsets.filter((days) => addDays(dueOn, days) <= today && addDays(dueOn, days) > since)
  if (reached.length === 0) return null
  const last = Math.max(...reached)
  return daysBetween(addDays(dueOn, last), today) <= MADE_UP_DAYS ? last : null
}
