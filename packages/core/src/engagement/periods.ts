import { addDays, daysBetween, type LocalDate } from '../shared'

/** Days in a row; both ends belong to it. */
export type Span = { from: LocalDate; to: LocalDate }
/** What days are put together to: weeks begin on Mondays (ISO 8601), months are those of the calendar. */
export const UNITS = ['day', 'week', 'month'] as const
/** What days are put together to. */
export type Unit = (typeof UNITS)[number]
/** With what a span is compared: the days just before it, or those with the same weekdays. */
export const COMPARISONS = ['before', 'weekdays'] as const
/** With what a span is compared. */
export type Comparison = (typeof COMPARISONS)[number]

/** Most periods that are told apart. */
export const MOST_PERIODS = 200
const WEEK = 7

const daysIn = ({ from, to }: Span): number => daysBetween(from, to) + 1
const mondayOf = (day: LocalDate): LocalDate => addDays(day, -((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % WEEK))
const nextOf: Record<Unit, (day: LocalDate) => LocalDate> = {
  day: (day) => addDays(day, 1),
  week: (day) => addDays(mondayOf(day), WEEK),
  month: (day) =>
    addDays(`${day.slice(0, 7)}-28` as LocalDate, 4)
      .slice(0, 7)
      .concat('-01') as LocalDate,
}

/** The periods of a span, one after another; the first and the last are cut where the span begins and ends.
 * @throws RangeError when the span ends before it begins */
export function periodsOf(span: Span, unit: Unit): Span[] {
  if (span.to < span.from) throw new RangeError(`span: ${span.from} to ${span.to}`)
  const periods: Span[] = []
  for (let from = span.from; from <= span.to;) {
    const next = nextOf[unit](from)
    const last = addDays(next, -1)
    periods.push({ from, to: last < span.to ? last : span.to })
    from = next
  }
  return periods
}

/** The unit that was asked for, or the next larger one in which a span has at most 200 periods. */
export function unitFor(span: Span, asked: Unit): Unit {
  const days = daysIn(span)
  if (asked === 'day' && days <= MOST_PERIODS) return 'day'
  return asked !== 'month' && days <= MOST_PERIODS * WEEK ? 'week' : 'month'
}

/** How many days lie between a span and the one that it is compared with: as many as it has, or as many as make whole weeks of them. */
export function daysBack(span: Span, comparison: Comparison): number {
  const days = daysIn(span)
  return comparison === 'before' ? days : Math.ceil(days / WEEK) * WEEK
}

/** A span so many days earlier; it is as long. */
export const earlier = ({ from, to }: Span, days: number): Span => ({ from: addDays(from, -days), to: addDays(to, -days) })
