import type { AskedOf } from './ruleSql'

/** People as they were at an instant that has passed: a query of rows `id`, `site_id`, `manager_id`, `level`, of those who worked here then.
 * @param at the parameter with the instant */
export const peopleAt = (at: string): string => `
  select p.id, p.started_on, case when w.id is null then p.manager_id else w.manager_id end as manager_id, coalesce(w.level, p.level) as level
  from person p left join person_past w on w.person_id = p.id and w.since <= ${at} and w.until > ${at}
  where p.created_at <= ${at} and case when w.id is null then p.active else w.active end`

/** What was asked of people at an instant, over rows `p` of {@link peopleAt}, which stands in the query under the name `people_then`.
 * @param at the parameter with the instant */
export const askedAt = (at: string): AskedOf => ({
  groups: `select m.person_id from membership m where m.since <= ${at} and (m.until is null or m.until > ${at}) and m.group_id`,
  manager: 'p.manager_id',
  level: 'p.level',
  startedOn: 'p.started_on',
  reportsOf: (manager) => `
    with recursive under as (select t.id from people_then t where t.manager_id = ${manager} union select t.id from people_then t join under u on t.manager_id = u.id)
    select under.id from under`,
})
