import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'

/** So many people are sent at once. */
const MOST = 20_000

/** Everybody who works here by “reports to”: those at the top first, then whoever reports to them, and so on. */
export async function orgChart(db: Db): Promise<{ people: [PersonId, string, string, number][]; left: number }> {
  const rows = await db.rows<{ id: PersonId; name: string; job_title: string; manager_id: PersonId | null; total: number }>(
    `with recursive chart as (
       select p.id, 0 as depth from person p left join person b on b.id = p.manager_id and b.active where p.active and b.id is null
       union all select p.id, c.depth + 1 from chart c join person p on p.manager_id = c.id and p.active where c.depth < 100)
     select p.id, p.name, p.job_title, p.manager_id, count(*) over ()::int as total from chart c join person p on p.id = c.id order by c.depth, p.name, p.id limit ${MOST}`,
  )
  const placeOf = new Map(rows.map((row, place) => [row.id, place]))
  return {
    people: rows.map((row) => [row.id, row.name, row.job_title, row.manager_id === null ? -1 : (placeOf.get(row.manager_id) ?? -1)]),
    left: (rows[0]?.total ?? 0) - rows.length,
  }
}
