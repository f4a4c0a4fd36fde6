import { getCalendar, readCalendarFile, saveCalendar } from '@jackdaw/contracts/calendar'
import { addDays, localDateAt, type LocalDate } from '@jackdaw/core/shared'
import { fail, route, type Caller, type Routes } from '../http'
import { calendarShown, saveCalendarOf } from './store'

const YEARS_AHEAD = 10
/** The first day of last year: holidays before it are neither shown nor changed any more. */
const since = ({ zone }: Caller, now: number): LocalDate => {
  const year = Number(localDateAt(now, zone).slice(0, 4))
  return `${year - 1}-01-01` as LocalDate
}

/** When people work at a site. */
export function calendarRoutes(routes: Routes): void {
  const { database: db, decoder } = routes.parts
  route(routes, getCalendar, ({ params }, { caller, now }) => calendarShown(db, params.groupId, since(caller, now)))
  route(routes, saveCalendar, ({ params, body }, { caller, now }) =>
    db.transaction((tx) => saveCalendarOf(tx, params.groupId, body, since(caller, now), now)),
  )
  route(routes, readCalendarFile, async ({ bytes }, { caller, now }) => {
    const from = since(caller, now)
    const read = await decoder.holidays({ bytes, from, until: addDays(from, (YEARS_AHEAD + 2) * 365) })
    if (!read.ok) return fail('not-a-calendar', read.words)
    return { holidays: read.holidays, left: read.left }
  })
}
