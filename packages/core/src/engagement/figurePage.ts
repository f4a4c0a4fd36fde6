import { addDays, type LocalDate } from '../shared'
import type { Span } from './periods'

/** How many days up to today can be looked at with one choice. */
export const DAYS_LOOKED = ['7', '28', '84', '365'] as const
/** Days of which it is said how many they are, up to today, or between which days they lie. */
export type DaysAsked = {
  days?: (typeof DAYS_LOOKED)[number] | 'own' | undefined
  from?: LocalDate | undefined
  to?: LocalDate | undefined
}
const USUAL_DAYS = 28

/** The days that are looked at: the last four weeks to today, unless others are chosen. */
export function daysLooked({ days, from, to }: DaysAsked, today: LocalDate): Span {
  const back = (n: number) => ({ from: addDays(today, 1 - n), to: today })
  if (days === 'own') return { from: from ?? back(USUAL_DAYS).from, to: to ?? today }
  return back(Number(days ?? USUAL_DAYS))
}

/** How often a page of figures is mailed: on Mondays, or on the first of each month. */
export const MAILED_EVERY = ['week', 'month'] as const
/** Read by {@link MAILED_EVERY}. */
export type MailedEvery = (typeof MAILED_EVERY)[number]
/** Whether a page is to be mailed: since it last was a Monday, or a first of the month, has come. One that was missed is made up for on a later day, once.
 * @param last the day on which it was mailed last, or on which that was asked for */
export function isMailDue(every: MailedEvery, last: LocalDate, today: LocalDate): boolean {
  const weekday = (new Date(`${today}T00:00:00Z`).getUTCDay() + 6) % 7
  const turn = every === 'week' ? addDays(today, -weekday) : (`${today.slice(0, 7)}-01` as LocalDate)
  return last < turn
}
