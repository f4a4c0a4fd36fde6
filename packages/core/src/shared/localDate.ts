import * as z from 'zod/mini'
import { numbersOfDay } from './dayNumbers'

const DAY = /^\d{4}-\d{2}-\d{2}$/

/** Days outside of these years are slips of the hand. */
const [FIRST_YEAR, LAST_YEAR] = [1900, 2199]

const isCalendarDay = (text: string): boolean => {
  if (!DAY.test(text)) return false
  const [year, month, day] = numbersOfDay(text)
  if (year < FIRST_YEAR || year > LAST_YEAR) return false
  const back = new Date(Date.UTC(year, month - 1, day))
  return back.getUTCMonth() === month - 1 && back.getUTCDate() === day
}

/** A calendar day without time or zone, `YYYY-MM-DD`, of the years 1900 to 2199. */
export const LocalDate = z.string().check(z.refine(isCalendarDay, 'Not a day of the calendar (YYYY-MM-DD)')).brand<'local-date'>()
/** Read by {@link LocalDate}. */
export type LocalDate = z.infer<typeof LocalDate>
