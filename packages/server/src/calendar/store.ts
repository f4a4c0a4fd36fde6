import type { SiteCalendar } from '@jackdaw/contracts/calendar'
import { USUAL_DAYS_OFF, type WorkCalendar } from '@jackdaw/core/calendar'
import { groupedBy, type GroupId, type LocalDate } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { fail } from '../http'
import { putJob } from '../jobs'
import { GROUP } from '../people'
import { HOLIDAY, SITE_CALENDAR } from './model'

/** The calendar of a site as it is shown. @param since the first day that is shown */
export async function calendarShown(db: Db, siteId: GroupId, since: LocalDate): Promise<SiteCalendar> {
  const site = await db.in(GROUP).one({ id: siteId, kindId: 'site' as never }, { only: ['id'] })
  if (!site) return fail('not-found')
  const own = await db.in(SITE_CALENDAR).one({ siteId })
  const holidays = await db.in(HOLIDAY).find({ siteId, day: { [Op.gte]: since } }, { only: ['day', 'name'], order: ['day'] })
  return { daysOff: [...(own?.daysOff ?? USUAL_DAYS_OFF)], holidays: holidays.map(({ day, name }) => ({ day, name })) }
}

/** Says on which days people of a site work from `since` on; what was before stays. Due days are counted anew by a job. */
export async function saveCalendarOf(tx: Db, siteId: GroupId, calendar: SiteCalendar, since: LocalDate, now: number): Promise<void> {
  const site = await tx.in(GROUP).one({ id: siteId, kindId: 'site' as never }, { lock: true })
  if (!site) return fail('not-found')
  if (site.closedAt !== null) return fail('group-closed')
  await tx.in(SITE_CALENDAR).insertAll([{ siteId, daysOff: calendar.daysOff, changedAt: now }], { inPlaceOf: ['daysOff', 'changedAt'] })
  await tx.rows('delete from holiday where site_id = $1 and day >= $2', [siteId, since])
  const holidays = new Map(calendar.holidays.map((holiday) => [holiday.day, holiday]))
  await tx.in(HOLIDAY).insertAll(
    [...holidays.values()].map(({ day, name }) => ({ siteId, day, name })),
    { inPlaceOf: ['name'] },
  )
  await putJob(tx, 'date-anew', { siteId })
}

/** The calendars of sites. */
export async function calendarsOf(db: Db, siteIds: readonly GroupId[]): Promise<Map<GroupId, WorkCalendar>> {
  const own = await db.in(SITE_CALENDAR).find({ siteId: [...siteIds] })
  const holidays = await db.in(HOLIDAY).find({ siteId: [...siteIds] }, { only: ['siteId', 'day'] })
  const days = groupedBy(holidays, ({ siteId }) => siteId)
  const daysOff = new Map(own.map((row) => [row.siteId, row.daysOff]))
  return new Map(
    siteIds.map((id) => [
      id,
      {
        daysOff: new Set(daysOff.get(id) ?? USUAL_DAYS_OFF),
        holidays: new Set((days.get(id) ?? []).map(({ day }) => day)),
      },
    ]),
  )
}
