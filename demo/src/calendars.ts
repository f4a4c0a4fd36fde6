import { weekdayOf, type Weekday } from '@jackdaw/core/calendar'
import { addDays, known, type GroupId, type LocalDate } from '@jackdaw/core/shared'
import type { DemoServices } from './services'

/** On which days of the week nobody works, by site: the packhouse and the lorries go on Saturdays. */
const DAYS_OFF: Record<string, Weekday[]> = { 'North House': [6, 7], Brookside: [7], 'Quay Depot': [7] }

/** The days of a year on which Larkmoor rests. */
function holidaysOf(year: number): { day: LocalDate; name: string }[] {
  const day = (text: string) => `${year}-${text}` as LocalDate
  const mondayFrom = (first: LocalDate) => addDays(first, (8 - weekdayOf(first)) % 7)
  return [
    { day: day('01-01'), name: 'New Year’s Day' },
    { day: mondayFrom(day('05-01')), name: 'May holiday' },
    { day: mondayFrom(day('08-25')), name: 'Late summer holiday' },
    { day: day('12-25'), name: 'Christmas Day' },
    { day: day('12-26'), name: 'Second day of Christmas' },
  ]
}

/** When people work at each site, from the year before the anchor to the year after it. */
export async function loadCalendars(
  services: DemoServices,
  sites: ReadonlyMap<string, GroupId>,
  anchor: LocalDate,
  now: number,
): Promise<void> {
  const year = Number(anchor.slice(0, 4))
  const holidays = [year - 1, year, year + 1].flatMap(holidaysOf)
  for (const [site, daysOff] of Object.entries(DAYS_OFF)) await services.setCalendar(known(sites, site), { daysOff, holidays }, now)
}
