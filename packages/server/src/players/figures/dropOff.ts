import type { DropOffStep } from '@jackdaw/contracts/records'
import type { ItemRef } from '@jackdaw/core/items'
import type { Db } from '../../db'
import { amongParam, amongSql, type Among } from '../../people'

/** For each step of the newest edition: who got there, who stopped there, and the active time spent on it. Counted are those who
 * looked at a step in an edition that still counts.
 * @param required the oldest edition that counts */
export async function dropOffOf(
  db: Db,
  { kind, id }: ItemRef,
  edition: number,
  required: number,
  among: Among,
): Promise<{ started: number; finished: number; since: number | null; steps: DropOffStep[] }> {
  const people = await db.one<{ started: number; finished: number; since: Date | null }>(
    `select count(*)::int as started, count(*) filter (where r.finished_edition >= $3)::int as finished, min(r.started_at) as since from item_progress r
     where r.item_kind = $4 and r.item_id = $1 and ${amongSql('r.person_id', '$2')}
       and exists (select 1 from part_progress s where s.item_kind = r.item_kind and s.item_id = r.item_id and s.person_id = r.person_id and s.seen_edition >= $3)`,
    [id, amongParam(among), required, kind],
  )
  const steps = await db.rows<DropOffStep>(
    `with step as (select part_id as step_id, position, section, name from edition_part where item_kind = $5 and item_id = $1 and edition = $2),
     seen as (
       select s.person_id, x.position, s.active_ms from part_progress s join step x on x.step_id = s.part_id
       where s.item_kind = $5 and s.item_id = $1 and s.seen_edition >= $4 and ${amongSql('s.person_id', '$3')}),
     reached as (select position, count(*)::int as people, sum(active_ms)::float8 as active_ms from seen group by position),
     furthest as (select person_id, max(position) as position from seen group by person_id),
     stopped as (select f.position, count(*)::int as people from furthest f join item_progress r on r.item_kind = $5 and r.item_id = $1 and r.person_id = f.person_id where coalesce(r.finished_edition < $4, true) group by f.position)
     select x.step_id as "stepId", x.position, x.section, x.name, coalesce(r.people, 0) as reached, coalesce(t.people, 0) as "stoppedHere", coalesce(r.active_ms, 0) as "activeMs"
     from step x left join reached r on r.position = x.position left join stopped t on t.position = x.position order by x.position`,
    [id, edition, amongParam(among), required, kind],
  )
  return { started: people!.started, finished: people!.finished, since: people!.since?.getTime() ?? null, steps }
}
