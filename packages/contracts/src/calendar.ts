import { DaysOff, HOLIDAY_NAME_LETTERS, MOST_HOLIDAYS, type Holiday as ReadHoliday } from '@jackdaw/core/calendar'
import { GroupId, LocalDate } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** A day off of a site. */
export const Holiday = z.object({
  day: LocalDate,
  name: z.string().check(z.trim(), z.maxLength(HOLIDAY_NAME_LETTERS)),
}) satisfies z.ZodMiniType<ReadHoliday>
/** Read by {@link Holiday}. */
export type Holiday = z.infer<typeof Holiday>

/** On which days people of a site work. */
export const SiteCalendar = z.object({ daysOff: DaysOff, holidays: z.array(Holiday).check(z.maxLength(MOST_HOLIDAYS)) })
/** Read by {@link SiteCalendar}. */
export type SiteCalendar = z.infer<typeof SiteCalendar>

const site = z.object({ groupId: GroupId })
/** The days off of a site: those that are past since the beginning of last year, and all that come. */
export const getCalendar = endpoint({
  method: 'get',
  path: '/api/groups/:groupId/calendar',
  access: { may: 'directory.read' },
  params: site,
  response: SiteCalendar,
  problems: ['not-found'],
})
/** Says on which days people of a site work. Due days of what is not done yet, and is counted in working days, move with it. */
export const saveCalendar = endpoint({
  method: 'put',
  path: '/api/groups/:groupId/calendar',
  access: { may: 'group.change' },
  params: site,
  body: SiteCalendar,
  problems: ['not-found', 'invalid', 'group-closed'],
})

/** The largest calendar file. */
export const MOST_CALENDAR_BYTES = 2 * 1024 * 1024
/** Reads the days off of a calendar file (iCalendar), from last year to ten years ahead; nothing is saved. `left`: entries that are none. */
export const readCalendarFile = endpoint({
  method: 'post',
  path: '/api/calendar-files',
  access: { may: 'group.change' },
  bytes: { types: ['text/calendar', 'application/octet-stream'], maxBytes: MOST_CALENDAR_BYTES },
  response: z.object({ holidays: z.array(Holiday), left: z.int() }),
  problems: ['not-a-calendar'],
})
