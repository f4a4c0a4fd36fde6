import * as z from 'zod/mini'
import { addDays, type LocalDate } from '../shared'

/** A day of the week as ISO 8601 numbers them: Monday is 1, Sunday 7. */
export const Weekday = z.literal([1, 2, 3, 4, 5, 6, 7])
/** Read by {@link Weekday}. */
export type Weekday = z.infer<typeof Weekday>
/** The days of the week in their order. */
export const WEEKDAYS: readonly Weekday[] = [1, 2, 3, 4, 5, 6, 7]

/** On which days of the week nobody works at a site that has said nothing else: Saturday and Sunday. */
export const USUAL_DAYS_OFF: readonly Weekday[] = [6, 7]
/** Days of the week on which nobody works: not all seven. */
export const DaysOff = z.array(Weekday).check(
  z.maxLength(6, 'On at least one day of the week somebody has to work'),
  z.refine((list) => new Set(list).size === list.length),
)

/** On which days people of a site work. */
export type WorkCalendar = { daysOff: ReadonlySet<Weekday>; holidays: ReadonlySet<LocalDate> }
/** The calendar of a site that has said nothing. */
export const USUAL_CALENDAR: WorkCalendar = { daysOff: new Set(USUAL_DAYS_OFF), holidays: new Set() }

/** The day of the week of a day. */
export const weekdayOf = (date: LocalDate): Weekday => (((new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7) + 1) as Weekday

/** Whether a day is a working day. */
export const isWorkingDay = ({ daysOff, holidays }: WorkCalendar, date: LocalDate): boolean =>
  !holidays.has(date) && !daysOff.has(weekdayOf(date))

/** A day or the first working day after it. */
export function workingDayFrom(calendar: WorkCalendar, date: LocalDate): LocalDate {
  let day = date
  while (!isWorkingDay(calendar, day)) day = addDays(day, 1)
  return day
}
