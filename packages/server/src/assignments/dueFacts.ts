import type { DueFacts } from '@jackdaw/core/assignments'
import { USUAL_CALENDAR, type Away } from '@jackdaw/core/calendar'
import type { GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { calendarsOf } from '../calendar'
import type { Db } from '../db'

type PersonRow = { id: PersonId; site_id: GroupId; zone: string; started_on: LocalDate | null; away: Away[] | null }

/** What one has to know of people to say by when they are to have done something. */
export async function dueFactsOf(db: Db, people: readonly PersonId[]): Promise<Map<PersonId, DueFacts>> {
  const rows = await db.rows<PersonRow>(
    `select p.id, p.site_id, s.zone, to_char(p.started_on, 'YYYY-MM-DD') as started_on,
       (select json_agg(json_build_object('from', to_char(a.from_on, 'YYYY-MM-DD'), 'until', to_char(a.until_on, 'YYYY-MM-DD'))) from absence a where a.person_id = p.id) as away
     from person p join people_group s on s.id = p.site_id where p.id = any ($1)`,
    [people],
  )
  const calendars = await calendarsOf(db, [...new Set(rows.map((row) => row.site_id))])
  return new Map(
    rows.map((row) => [
      row.id,
      { zone: row.zone, startedOn: row.started_on, away: row.away ?? [], calendar: calendars.get(row.site_id) ?? USUAL_CALENDAR },
    ]),
  )
}
