import type { Verb, Verbs } from '@jackdaw/core/events'
import type { RollUp } from '../eventRules'
import { finishesSql } from '../items'

const verbIn = (verbs: Verbs, which: (verb: Verb) => boolean): string =>
  `verb = any ('{${Object.keys(verbs)
    .filter((name) => which(verbs[name]!))
    .join(',')}}')`
/** Whether an event is a view: somebody begins to use something. SQL over the columns of `event`. */
export const beginsSql = (verbs: Verbs): string => verbIn(verbs, ({ begins }) => begins)
/** Whether an event can be a view or an end, told by its verb alone, by which they are found. */
export const mayCountSql = (verbs: Verbs): string => verbIn(verbs, ({ begins, marks }) => begins || marks === 'finished')

const DAY_KEYS = ['item_kind', 'item_id', 'person_id', 'local_day']
/** On which day before each somebody viewed the same thing, and finished it, last: whether a row is the first of theirs in some days is then told by the row alone. */
const daysBefore = (which: string): string => `
  update use_day u set viewed_before = f.viewed, finished_before = f.finished
  from (
    select ${DAY_KEYS.map((key) => `s.${key}`).join(', ')}, max(s.local_day) filter (where s.views > 0) over earlier as viewed, max(s.local_day) filter (where s.finished > 0) over earlier as finished
    from use_day s where ${which}
    window earlier as (partition by s.item_kind, s.item_id, s.person_id order by s.local_day rows between unbounded preceding and 1 preceding)) f
  where ${DAY_KEYS.map((key) => `u.${key} = f.${key}`).join(' and ')} and (u.viewed_before is distinct from f.viewed or u.finished_before is distinct from f.finished)`

const OF_PERSON_AND_ITEM = 'item_kind = $1 and item_id = $2 and person_id = $3'

/** How much each person used each item on each of their days. */
const useDays = (verbs: Verbs): RollUp => ({
  table: 'use_day',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  derive: { ofVisits: false, sql: daysBefore },
  count: (source) => `
    insert into use_day as r (item_kind, item_id, person_id, local_day, views, finished, active_ms, at)
    select item_kind, item_id, subject_id, local_day, count(*) filter (where ${beginsSql(verbs)}), count(*) filter (where ${finishesSql(verbs)}), sum(active_ms), min(occurred_at)
    from ${source} where subject_kind = 'person' and item_id is not null and local_day is not null
      and (${beginsSql(verbs)} or ${finishesSql(verbs)} or active_ms > 0)
    group by item_kind, item_id, subject_id, local_day order by item_kind, item_id, subject_id, local_day
    on conflict (item_kind, item_id, person_id, local_day) do update set
      views = r.views + excluded.views, finished = r.finished + excluded.finished, active_ms = r.active_ms + excluded.active_ms, at = least(r.at, excluded.at)`,
})

/** On which days of each month each person used anything, as bits, the first of the month being the lowest. */
const useMonths = (verbs: Verbs): RollUp => ({
  table: 'use_month',
  ofPersonAndItem: null,
  count: (source) => `
    insert into use_month as r (month, person_id, days)
    select date_trunc('month', local_day)::date, subject_id, bit_or(1 << (extract(day from local_day)::int - 1))
    from ${source} where subject_kind = 'person' and item_id is not null and local_day is not null and ${beginsSql(verbs)} group by 1, 2 order by 1, 2
    on conflict (month, person_id) do update set days = r.days | excluded.days where r.days | excluded.days <> r.days`,
})

/** Which time of using something an event belongs to. */
const VISIT = "coalesce(visit, way || ' ' || local_day)"
const OF_GUIDES = "subject_kind = 'person' and item_kind = 'guide' and way is not null and local_day is not null"

const KEYS = ['item_kind', 'item_id', 'person_id', 'visit']
const keys = (row: string): string => KEYS.map((key) => `${row}.${key}`).join(', ')
const same = (a: string, b: string): string => KEYS.map((key) => `${a}.${key} = ${b}.${key}`).join(' and ')
/** The path of visits: the steps that each came to, in the order in which it did, with the places of the first and the last time that it was there among all
 * such times. Few visits have one of their own, so that many are followed as one. `use_path` has them; a visit has how long it spent at each of its steps. */
const paths = (which: string): string => `
  with times as (
    select ${keys('s')}, s.part_id, s.active_ms, dense_rank() over (partition by ${keys('s')} order by t.at) - 1 as place
    from use_step s cross join lateral (values (s.first_at), (s.last_at)) t (at) where ${which} and s.first_at is not null),
  placed as (
    select ${keys('t')}, t.part_id, min(t.place)::int as first, max(t.place)::int as last, least(min(t.active_ms), 2147483647)::int as ms from times t group by ${keys('t')}, t.part_id),
  found as materialized (
    select ${keys('p')}, md5(string_agg(p.part_id || ' ' || p.first || ' ' || p.last, ',' order by p.first, p.part_id))::uuid as path, array_agg(p.part_id order by p.first, p.part_id) as parts,
      array_agg(p.first order by p.first, p.part_id) as firsts, array_agg(p.last order by p.first, p.part_id) as lasts, array_agg(p.ms order by p.first, p.part_id) as step_ms
    from placed p group by ${keys('p')}),
  kept as (
    insert into use_path (item_kind, item_id, path, parts, firsts, lasts)
    select distinct item_kind, item_id, path, parts, firsts, lasts from found order by item_kind, item_id, path on conflict (item_kind, item_id, path) do nothing)
  update use_visit v set path = f.path, step_ms = f.step_ms from found f where ${same('v', 'f')} and (v.path is distinct from f.path or v.step_ms is distinct from f.step_ms)`

/** Each time that somebody used a guide: in which way and edition, when it began, and whether it was finished. */
const useVisits: RollUp = {
  table: 'use_visit',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  derive: { ofVisits: true, keeps: 'use_path', sql: paths },
  count: (source) => `
    insert into use_visit as r (item_kind, item_id, person_id, visit, way, edition, local_day, at, finished, active_ms, device, browser, language)
    select item_kind, item_id, subject_id, ${VISIT}, min(way), max(edition), min(local_day), min(occurred_at), count(*) filter (where verb = 'finished'), sum(active_ms), min(device), min(browser), min(language)
    from ${source} where ${OF_GUIDES} group by item_kind, item_id, subject_id, ${VISIT} order by item_kind, item_id, subject_id, ${VISIT}
    on conflict (item_kind, item_id, person_id, visit) do update set
      way = least(r.way, excluded.way), edition = greatest(r.edition, excluded.edition), local_day = least(r.local_day, excluded.local_day), at = least(r.at, excluded.at),
      finished = r.finished + excluded.finished, active_ms = r.active_ms + excluded.active_ms,
      device = least(r.device, excluded.device), browser = least(r.browser, excluded.browser), language = least(r.language, excluded.language)`,
}

/** When each visit came to each step, first and last, and how long it spent there. */
const useSteps: RollUp = {
  table: 'use_step',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  count: (source) => `
    insert into use_step as r (item_kind, item_id, person_id, visit, part_id, first_at, last_at, active_ms)
    select item_kind, item_id, subject_id, ${VISIT}, part_id, min(occurred_at) filter (where verb = 'step-viewed'), max(occurred_at) filter (where verb = 'step-viewed'), sum(active_ms)
    from ${source} where ${OF_GUIDES} and part_id is not null and (verb = 'step-viewed' or active_ms > 0)
    group by item_kind, item_id, subject_id, ${VISIT}, part_id order by item_kind, item_id, subject_id, ${VISIT}, part_id
    on conflict (item_kind, item_id, person_id, visit, part_id) do update set
      first_at = least(r.first_at, excluded.first_at), last_at = greatest(r.last_at, excluded.last_at), active_ms = r.active_ms + excluded.active_ms`,
}

/** What is counted of how everything is used. */
export const engagementRollUps = (verbs: Verbs): RollUp[] => [useDays(verbs), useMonths(verbs), useVisits, useSteps]
