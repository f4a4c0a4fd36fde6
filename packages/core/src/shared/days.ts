import { TZDate } from '@date-fns/tz'
import { numbersOfDay } from './dayNumbers'
import type { LocalDate } from './localDate'

/** The day with a year, month (1 to 12) and day; one beyond the end of its month is a day of the months after it. */
const dayFrom = (year: number, month: number, day: number): LocalDate =>
  new Date(Date.UTC(year, month - 1, day)).toISOString().slice(0, 10) as LocalDate

/** The calendar day in a zone at an instant.
 * @param at   epoch milliseconds, UTC
 * @param zone IANA time zone name */
export function localDateAt(at: number, zone: string): LocalDate {
  const local = new TZDate(at, zone)
  return dayFrom(local.getFullYear(), local.getMonth() + 1, local.getDate())
}

/** The time of the clock in a zone at an instant, as `YYYY-MM-DD hh:mm`, which spreadsheets read as a time.
 * @param at   epoch milliseconds, UTC
 * @param zone IANA time zone name */
export function localTimeAt(at: number, zone: string): string {
  const local = new TZDate(at, zone)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${localDateAt(at, zone)} ${two(local.getHours())}:${two(local.getMinutes())}`
}

/** The day `days` after `date`; negative counts back. */
export function addDays(date: LocalDate, days: number): LocalDate {
  if (!Number.isInteger(days)) throw new RangeError(`days: ${days}`)
  const [year, month, day] = numbersOfDay(date)
  return dayFrom(year, month, day + days)
}

/** The day `months` after `date`: the same day of that month, or its last one where it has no such day. */
export function addMonths(date: LocalDate, months: number): LocalDate {
  if (!Number.isInteger(months)) throw new RangeError(`months: ${months}`)
  const [year, month, day] = numbersOfDay(date)
  const lastDay = new Date(Date.UTC(year, month + months, 0)).getUTCDate()
  return dayFrom(year, month + months, Math.min(day, lastDay))
}

/** The instant at which a local day ends: the first millisecond of the day after, in that zone.
 * @returns epoch milliseconds, UTC; right across changes of the clock */
export function endOfLocalDay(date: LocalDate, zone: string): number {
  const [year, month, day] = numbersOfDay(addDays(date, 1))
  return new TZDate(year, month - 1, day, 0, 0, 0, zone).getTime()
}

/** The instant at which a local day begins in a zone: epoch milliseconds, UTC. */
export const startOfLocalDay = (date: LocalDate, zone: string): number => endOfLocalDay(addDays(date, -1), zone)

/** Whole days from one calendar day to another; negative when `to` lies before `from`. */
export function daysBetween(from: LocalDate, to: LocalDate): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000)
}
