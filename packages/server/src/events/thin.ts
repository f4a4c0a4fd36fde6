import type { Verbs } from '@jackdaw/core/events'
import type { LocalDate, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** Which events may be thinned, as their verbs declare it. SQL over the columns of `event`. */
const thinsSql = (verbs: Verbs): string =>
  Object.entries(verbs)
    .flatMap(([name, { thins = [] }]) => (thins.length > 0 ? [`verb = '${name}' and way = any ('{${thins.join(',')}}')`] : []))
    .join(' or ')

/** Of the same person, part, edition, way and verb the first and the last stay as they were told; those between go, and the time they told becomes one
 * event at the first of them. What amends another event, or was amended, stays. */
const thinSql = (verbs: Verbs): string => `
  with old as materialized (
    select e.*, row_number() over w as nth, row_number() over (partition by item_kind, item_id, edition, part_id, way, verb order by occurred_at desc, id desc) as nth_last
    from event_counted e where subject_kind = 'person' and subject_id = $1 and item_id = any ($2) and local_day < $3::date and (${thinsSql(verbs)})
    window w as (partition by item_kind, item_id, edition, part_id, way, verb order by occurred_at, id)),
  gone as (delete from event e using old o where e.id = o.id and o.nth > 1 and o.nth_last > 1 returning e.*)
  insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, active_ms, attested, occurred_at, received_at, local_day)
  select (lpad(to_hex((extract(epoch from min(occurred_at)) * 1000)::bigint), 12, '0') || '7' || substr(md5(random()::text), 1, 3) || '8' || substr(md5(random()::text), 1, 15))::uuid,
    max(schema_version), verb, way, 'person', subject_id, 'person', subject_id, item_kind, item_id, edition, part_id, least(sum(active_ms), 2147483647), false, min(occurred_at), max(received_at), min(local_day)
  from gone group by subject_id, item_kind, item_id, edition, part_id, way, verb having sum(active_ms) > 0`

/** Thins somebody's events from before a day to what the records read of them: every figure of the records that is counted from what is left is what it was.
 * Events that are proof (finished, acknowledged, confirmed, judged …) stay. The database lets go of none that is kept by the company's rule.
 * @param items those that they have used */
export const thinEvents = (tx: Db, verbs: Verbs, person: PersonId, items: readonly string[], before: LocalDate): Promise<unknown> =>
  tx.rows(thinSql(verbs), [person, items, before])
