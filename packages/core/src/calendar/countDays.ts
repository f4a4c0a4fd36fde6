import { addDays, type LocalDate } from '../shared'
import { isWorkingDay, workingDayFrom, type WorkCalendar } from './workCalendar'

/** Days on which somebody is away, the first and the last among them. */
export type Away = { from: LocalDate; until: LocalDate }
/** How days are counted: all of them or working days only; those on which somebody is away never. */
export type Counting = { working: boolean; calendar: WorkCalendar; away: readonly Away[] }

/** The first day from `date` on which somebody is not away. */
function hereFrom(away: readonly Away[], date: LocalDate): LocalDate {
  let day = date
  for (let found = true; found;) {
    const absence = away.find(({ from, until }) => from <= day && day <= until)
    found = absence !== undefined
    if (absence) day = addDays(absence.until, 1)
  }
  return day
}

/** `from`, and the days after it that count, up to the `days`-th.
 * @param days a whole number, 0 or more
 * @throws RangeError when it is not */
export function daysAfter(from: LocalDate, days: number, { working, calendar, away }: Counting): LocalDate[] {
  if (!Number.isInteger(days) || days < 0) throw new RangeError(`days: ${days}`)
  const counted = [from]
  for (let day = from; counted.length <= days;) {
    day = hereFrom(away, addDays(day, 1))
    if (!working || isWorkingDay(calendar, day)) counted.push(day)
  }
  return counted
}
/** The `days`-th day after `from` that counts.
 * @param days a whole number, 0 or more; 0 is `from` itself
 * @throws RangeError when it is not */
export const dayAfter = (from: LocalDate, days: number, counting: Counting): LocalDate => daysAfter(from, days, counting).at(-1)!

/** A day, or the first working day on which somebody is back where they are away then. */
export function whenBack(date: LocalDate, { calendar, away }: Pick<Counting, 'calendar' | 'away'>): LocalDate {
  let day = date
  for (let back = hereFrom(away, day); back !== day; back = hereFrom(away, day)) day = workingDayFrom(calendar, back)
  return day
}
