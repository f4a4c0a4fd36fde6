import type { Weekday } from '@jackdaw/core/calendar'
import type { GroupId, LocalDate } from '@jackdaw/core/shared'
import { Model, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { day, instant, json, key, table, text } from '../db'

/** On which days of the week nobody works at a site that has said so. */
export class SiteCalendarRow extends Model<InferAttributes<SiteCalendarRow>, InferCreationAttributes<SiteCalendarRow>> {
  declare siteId: GroupId
  declare daysOff: Weekday[]
  declare changedAt: number
}
export const SITE_CALENDAR = table('site_calendar', SiteCalendarRow, () => ({
  siteId: key(text()),
  daysOff: json(),
  changedAt: instant(),
}))

/** A day on which nobody works at a site. */
export class HolidayRow extends Model<InferAttributes<HolidayRow>, InferCreationAttributes<HolidayRow>> {
  declare siteId: GroupId
  declare day: LocalDate
  declare name: string
}
export const HOLIDAY = table('holiday', HolidayRow, () => ({
  siteId: key(text()),
  day: key(day()),
  name: text(),
}))
