import { TZDate } from '@date-fns/tz'
import * as z from 'zod/mini'

const DAY = /^\d{4}-\d{2}-\d{2}$/

const isCalendarDay = (text: string): boolean => {
  if (!DAY.test(text)) return false
  const [year, month, day] = text.split('-').map(Number) as [number, number, number]
  const back = new Date(Date.UTC(year, month - 1, day))
  return back.getUTCMonth() === month - 1 && back.getUTCDate() === day
}

/** A calendar day without time or zone, `YYYY-MM-DD`. */
export const LocalDate = z.string().check(z.refine(isCalendarDay, 'Not a day of the calendar (YYYY-MM-DD)')).brand<'local-date'>()
export type LocalDate = z.infer<typeof LocalDate>

/** The calendar day in a zone at an instant.
 * @param at   epoch milliseconds, UTC
 * @param zone IANA time zone name */
export function localDateAt(at: number, zone: string): LocalDate {
  const local = new TZDate(at, zone)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${local.getFullYear()}-${two(local.getMonth() + 1)}-${two(local.getDate())}` as LocalDate
}

/** The day `days` after `date`; negative counts back. */
export function addDays(date: LocalDate, days: number): LocalDate {
  if (!Number.isInteger(days)) throw new RangeError(`days: ${days}`)
  const [year, month, day] = date.split('-').map(Number) as [number, number, number]
  return new Date(Date.UTC(year, month - 1, day + days)).toISOString().slice(0, 10) as LocalDate
}

/** The instant at which a local day ends: the first millisecond of the day after, in that zone.
 * @returns epoch milliseconds, UTC; right across changes of the clock */
export function endOfLocalDay(date: LocalDate, zone: string): number {
  const [year, month, day] = addDays(date, 1).split('-').map(Number) as [number, number, number]
  return new TZDate(year, month - 1, day, 0, 0, 0, zone).getTime()
}

/** Whole days from one calendar day to another; negative when `to` lies before `from`. */
export function daysBetween(from: LocalDate, to: LocalDate): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000)
}
