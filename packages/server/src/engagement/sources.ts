import { firstKeptSql, keptSql, ofItemsSql, ofPeopleSql, type Scope } from './scope'

/** What is counted, as relations. In each `$1` is the scope and `$2` and `$3` the first and the last of the days looked at. */

const BETWEEN = 'between $2::date and $3::date'

/** Days on which people used items. */
export const usesSql = (scope: Scope): string =>
  `select u.* from use_day u where u.local_day ${BETWEEN} and ${keptSql(scope, 'u')} and ${ofItemsSql(scope, 'u')} and ${ofPeopleSql(scope, 'u')}`
/** Whether a day of use is the first in the days looked at on which somebody viewed that item. Only where people are not told apart by the groups that they were in: the day before it may have been in
 * another one. @param from the first of these days */
export const isFirstViewSql = (scope: Scope, row: string, from = '$2::date'): string =>
  `(${row}.views > 0 and (${row}.viewed_before is null or ${row}.viewed_before < greatest(${from}, ${firstKeptSql(scope)})))`
/** Whether it is the first by which they have both viewed and finished it in these days. */
export const isFirstEndSql = (scope: Scope, row: string): string => {
  const first = `greatest($2::date, ${firstKeptSql(scope)})`
  return `((${row}.views > 0 or ${row}.viewed_before >= ${first}) and (${row}.finished > 0 or ${row}.finished_before >= ${first})
    and not coalesce(${row}.viewed_before >= ${first} and ${row}.finished_before >= ${first}, false))`
}
/** How much was used on the days before, by all together. */
export const countedSql = (scope: Scope): string =>
  `select u.* from use_counted u where u.local_day ${BETWEEN} and ${ofItemsSql(scope, 'u')}`

/** The day on which each person first viewed any of what is looked at. Of one item its days tell it; of many, those of each person are gone through from
 * the first on, until one is found. */
const firstUsesSql = (scope: Scope): string =>
  scope.item
    ? `select u.person_id, u.local_day, u.at from use_day u where u.views > 0 and u.viewed_before is null and ${ofItemsSql(scope, 'u')}`
    : `select f.* from person p cross join lateral (
         select u.person_id, u.local_day, u.at from use_day u where u.person_id = p.id and u.views > 0 and ${ofItemsSql(scope, 'u')} order by u.local_day, u.at limit 1) f`
/** People who viewed, for the first time ever, something of what is looked at: `person_id`, `local_day`, `at`. */
export const newcomersSql = (scope: Scope): string =>
  `select f.* from (${firstUsesSql(scope)}) f where f.local_day ${BETWEEN} and ${ofPeopleSql(scope, 'f')}`

const REACHED_DAYS = 28
/** Editions that were published, on the day where their publisher works; they are their owner's. `reached`: whether somebody else has
 * used the item within four weeks, whichever days are looked at. */
export const editionsSql = (scope: Scope): string => `
  select u.* from (
    select x.item_kind, x.item_id, x.number, x.published_at as at, h.owner_id as person_id, (x.published_at at time zone s.zone)::date as local_day,
      exists (select 1 from use_day r where r.item_kind = x.item_kind and r.item_id = x.item_id and r.views > 0 and r.person_id <> h.owner_id
        and r.local_day <= (x.published_at at time zone s.zone)::date + ${REACHED_DAYS}) as reached
    from edition x join item_home h on h.kind = x.item_kind and h.id = x.item_id join person p on p.id = x.published_by join people_group s on s.id = p.site_id
    where x.published_at between $2::date - interval '2 days' and $3::date + interval '2 days') u
  where u.local_day ${BETWEEN} and ${ofItemsSql(scope, 'u')} and ${ofPeopleSql(scope, 'u')}`

/** Visits of guests, on the day where whoever made their link works. */
export const guestsSql = (scope: Scope): string => `
  select u.* from (
    select 'guide' collate "C" as item_kind, v.guide_id as item_id, v.edition, v.began_at as at, (v.began_at at time zone s.zone)::date as local_day
    from guest_visit v join share_link l on l.id = v.link_id join person p on p.id = l.made_by join people_group s on s.id = p.site_id
    where v.began_at between $2::date - interval '2 days' and $3::date + interval '2 days') u
  where u.local_day ${BETWEEN} and ${ofItemsSql(scope, 'u')}`
