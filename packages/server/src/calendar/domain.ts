import type { SiteCalendar } from '@jackdaw/contracts/calendar'
import type { GroupId, LocalDate } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { calendarRoutes } from './routes'
import { saveCalendarOf } from './store'

const LONG_AGO = '1900-01-01' as LocalDate

/** On which days people work. */
export const calendar = {
  routes: calendarRoutes,
  demo: ({ database }) => ({
    setCalendar: (site: GroupId, saving: SiteCalendar, now: number) =>
      database.transaction((tx) => saveCalendarOf(tx, site, saving, LONG_AGO, now)),
  }),
} satisfies Domain
