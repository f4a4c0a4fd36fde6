import type { Span } from '@jackdaw/core/engagement'
import { addDays, daysBetween, localDateAt, type LocalDate } from '@jackdaw/core/shared'
import { fail, type Caller } from '../http'

const WEEKS_4 = 27
const YEARS_20 = 7_305
/** Before this there was nothing; what is compared with what lies before it is a day that can be written, too. */
const FIRST_DAY = '1950-01-01'

/** The days that are asked for, or the last four weeks to today. */
export function spanOf(asked: { from?: LocalDate | undefined; to?: LocalDate | undefined }, { zone }: Caller, now: number): Span {
  const to = asked.to ?? localDateAt(now, zone)
  const from = asked.from ?? addDays(to, -WEEKS_4)
  if (from < FIRST_DAY) fail('invalid', 'Only days from 1950 on can be looked at.')
  if (from > to) fail('invalid', 'The days end before they begin.')
  if (daysBetween(from, to) > YEARS_20) fail('invalid', 'At most twenty years can be looked at.')
  return { from, to }
}
