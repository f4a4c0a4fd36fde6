import type { Absence } from '@jackdaw/contracts/directory'
import { daysBetween, localDateAt, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { failField, type Parts } from '../../http'

/** The absences of somebody that are not over yet, in their order.
 * @param zone of whoever asks: what day it is */
export const absencesOf = (db: Db, id: PersonId, zone: string, now: number): Promise<Absence[]> =>
  db.rows<Absence>(
    `select to_char(from_on, 'YYYY-MM-DD') as "from", to_char(until_on, 'YYYY-MM-DD') as until from absence where person_id = $1 and until_on >= $2 order by from_on`,
    [id, localDateAt(now, zone)],
  )

/** No absence ends later: due days wait until somebody is back. */
const MOST_DAYS_AHEAD = 5 * 366

/** Writes down when somebody is away from now on; what is over stays.
 * @throws `invalid` when two overlap, or one ends before it begins */
export async function saveAbsences(
  parts: Parts,
  id: PersonId,
  absences: readonly Absence[],
  by: { id: PersonId; zone: string },
  now: number,
): Promise<void> {
  const today = localDateAt(now, by.zone)
  const sorted = [...absences].sort((a, b) => (a.from < b.from ? -1 : 1))
  sorted.forEach(({ from, until }, index) => {
    if (until < from) failField('/body/absences', 'An absence ends before it begins.')
    if (daysBetween(today, until) > MOST_DAYS_AHEAD) failField('/body/absences', 'An absence ends within five years.')
    const next = sorted[index + 1]
    if (next && next.from <= until) failField('/body/absences', 'Two absences overlap. Make one of them.')
  })
  await parts.database.transaction(async (tx) => {
    await tx.rows('delete from absence where person_id = $1 and until_on >= $2', [id, today])
    if (sorted.length > 0)
      await tx.rows(
        `insert into absence (person_id, from_on, until_on, by_id, created_at) select $1, x."from", x.until, $3, $4 from jsonb_to_recordset($2::jsonb) as x ("from" date, until date)`,
        [id, JSON.stringify(sorted), by.id, new Date(now)],
      )
    for (const follow of parts.peopleFollowers) await follow(tx, parts, { touched: [id], dated: [id], by: by.id, now })
  })
}
