import ICAL from 'ical.js'
import { addDays, type LocalDate } from '../shared'

/** A day on which nobody works, and what it is called. */
export type Holiday = { day: LocalDate; name: string }
/** What was read of a calendar file: the days, and how many of its entries are no days off: with times of day, or called off. */
export type ReadHolidays = { ok: true; holidays: Holiday[]; left: number } | { ok: false; words: string }

/** So many days off a site has at most, and a file may bring. */
export const MOST_HOLIDAYS = 1_000
/** Letters of the name of one. */
export const HOLIDAY_NAME_LETTERS = 120
/** Times that an entry that repeats is looked at. */
const MOST_TIMES = 5_000
/** The longest entry that is taken as so many days off. */
const MOST_DAYS = 366

const dayOf = (time: ICAL.Time): LocalDate => time.toString().slice(0, 10) as LocalDate

/** The days of one entry from one of its beginnings on, within a span. */
function* daysOf(start: LocalDate, length: number, from: LocalDate, until: LocalDate): Generator<LocalDate> {
  for (let n = 0; n < length; n++) {
    const day = addDays(start, n)
    if (day >= from && day <= until) yield day
  }
}

/** When an entry begins, as often as it does within a span. */
function* beginnings(event: ICAL.Event, length: number, from: LocalDate, until: LocalDate): Generator<LocalDate> {
  if (!event.isRecurring()) return yield dayOf(event.startDate)
  const times = event.iterator()
  for (let n = 0; n < MOST_TIMES; n++) {
    const next = times.next()
    if (!next) return
    const day = dayOf(next)
    if (day > until) return
    if (addDays(day, length) >= from) yield day
  }
}

/** The days of one entry within a span, and what it is called; `null` where it is no day off, or cannot be read. */
function daysOfEntry(component: ICAL.Component, from: LocalDate, until: LocalDate): { name: string; days: LocalDate[] } | null {
  try {
    const event = new ICAL.Event(component)
    if (!event.startDate?.isDate || component.getFirstPropertyValue('status') === 'CANCELLED') return null
    const length = Math.min(MOST_DAYS, Math.max(1, Math.round(event.duration.toSeconds() / 86_400)))
    const days: LocalDate[] = []
    for (const start of beginnings(event, length, from, until)) {
      days.push(...daysOf(start, length, from, until))
      if (days.length > MOST_HOLIDAYS) break
    }
    return { name: (event.summary ?? '').trim().slice(0, HOLIDAY_NAME_LETTERS), days }
  } catch (error) {
    // The library throws at whatever it does not know.
    if (error instanceof Error) return null
    throw error
  }
}

/** Reads the days off of a calendar file (iCalendar, RFC 5545): its entries that last whole days, also those that come every year.
 * @param from first and @param until last day that is taken
 * @returns the days in order, each once; in words why there are none */
export function readHolidays(text: string, from: LocalDate, until: LocalDate): ReadHolidays {
  const calendar = calendarOf(text)
  if (!calendar) return { ok: false, words: 'This is no calendar file (iCalendar, .ics).' }
  const found = new Map<LocalDate, string>()
  let left = 0
  for (const component of calendar.getAllSubcomponents('vevent')) {
    const entry = daysOfEntry(component, from, until)
    if (!entry) left++
    const { name, days } = entry ?? { name: '', days: [] }
    for (const day of days) {
      const known = found.get(day)
      found.set(day, known && !known.includes(name) ? `${known}, ${name}`.slice(0, HOLIDAY_NAME_LETTERS) : (known ?? name))
    }
    if (found.size > MOST_HOLIDAYS) return { ok: false, words: `The file holds more than ${MOST_HOLIDAYS} days off.` }
  }
  const holidays = [...found].map(([day, name]) => ({ day, name })).sort((a, b) => (a.day < b.day ? -1 : 1))
  if (holidays.length === 0) return { ok: false, words: 'The file holds no whole days between last year and ten years from now.' }
  return { ok: true, holidays, left }
}

/** The calendar of a text, or nothing where it is none. */
function calendarOf(text: string): ICAL.Component | null {
  try {
    const parsed: unknown = ICAL.parse(text)
    const first = Array.isArray(parsed) && Array.isArray(parsed[0]) ? parsed[0] : parsed
    const calendar = new ICAL.Component(first as ConstructorParameters<typeof ICAL.Component>[0])
    return calendar.name === 'vcalendar' ? calendar : null
  } catch (error) {
    if (error instanceof Error) return null
    throw error
  }
}
