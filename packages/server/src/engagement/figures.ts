import { FIGURES, NO_FIGURES, type Figures, type Span } from '@jackdaw/core/engagement'
import { nth } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { asksForGroups, countsGuests, countsTogether, firstKeptSql, isOfEverything, ofPeopleSql, scopeParam, type Scope } from './scope'
import { countedSql, editionsSql, guestsSql, isFirstViewSql, newcomersSql, usesSql } from './sources'

/** In which of the periods, counted from 1, a day lies. `$4`: the days on which they begin. */
const PERIOD = 'width_bucket(c.local_day, $4::date[])'
/** By period, and with 0 for all of them together: whoever came in several of them is one person. */
const USES = (scope: Scope) => `
  with each as materialized (
    select ${PERIOD} as n, c.person_id, sum(c.views)::int as views, sum(c.finished)::int as finished from (${usesSql(scope)}) c group by 1, 2)
  select n, sum(views)::int as views, count(*) filter (where views > 0)::int as people, sum(finished)::int as finished from each group by n
  union all
  select 0, coalesce(sum(views), 0)::int, count(*) filter (where views > 0)::int, coalesce(sum(finished), 0)::int
  from (select sum(views) as views, sum(finished) as finished from each group by person_id) w`
/** The same of one item: how many people it were is told by each day of use for itself. */
const USES_OF_ITEM = (scope: Scope) => `
  select coalesce(c.n, 0) as n, coalesce(sum(c.views), 0)::int as views, coalesce(sum(c.finished), 0)::int as finished,
    (case when grouping(c.n) = 1 then count(*) filter (where ${isFirstViewSql(scope, 'c')}) else count(*) filter (where ${isFirstViewSql(scope, 'c', '($4::date[])[c.n]')}) end)::int as people
  from (select ${PERIOD} as n, c.views, c.finished, c.viewed_before from (${usesSql(scope)}) c) c group by grouping sets ((c.n), ())`
/** The same where people are looked at by what they used of everything: how much was used is added up by day, … */
const SUMS = (scope: Scope) => `
  with days as materialized (
    select c.local_day, sum(c.views)::int as views, sum(c.finished)::int as finished from (select u.local_day, u.views, u.finished from (${usesSql(scope)}) u) c group by 1)
  select ${PERIOD} as n, sum(c.views)::int as views, sum(c.finished)::int as finished from days c group by 1`
const MET = 'use_month u on u.month = p.month and u.days::bigint & p.days <> 0 and $1::jsonb is not null'
/** … and how many people it were is told by the days of each month on which they used anything. Within one month nobody is met twice. */
const PEOPLE = (scope: Scope) => `
  with periods as (
    select n::int as n, greatest(p, ${firstKeptSql(scope)}) as first, coalesce(lead(p) over (order by n) - 1, $3::date) as last from unnest($4::date[]) with ordinality as t (p, n)
    union all select 0, greatest($2::date, ${firstKeptSql(scope)}), $3::date),
  parts as materialized (
    select n, m::date as month, count(*) over (partition by n) as months,
      (1::bigint << (least(last, (m + interval '1 month')::date - 1) - m::date + 1)) - (1::bigint << (greatest(first, m::date) - m::date)) as days
    from periods cross join lateral generate_series(date_trunc('month', first::timestamp), last::timestamp, interval '1 month') as m where first <= last)
  select p.n, count(*)::int as people from parts p join ${MET} where p.months = 1 and ${ofPeopleSql(scope, 'u')} group by p.n
  union all select n, count(*)::int from (
    select p.n, u.person_id from parts p join ${MET} where p.months > 1 and ${ofPeopleSql(scope, 'u')} group by 1, 2) w group by n`

/** What is known of the days of which it is not kept who used what. */
const COUNTED = (scope: Scope) =>
  `select ${PERIOD} as n, sum(c.views)::int as views, sum(c.finished)::int as finished from (${countedSql(scope)}) c group by 1`
const NEWCOMERS = (scope: Scope) => `select ${PERIOD} as n, count(*)::int as newcomers from (${newcomersSql(scope)}) c group by 1`
const EDITIONS = (scope: Scope) =>
  `select ${PERIOD} as n, count(*) filter (where c.number = 1)::int as written, count(*) filter (where c.number > 1)::int as changed,
     count(*) filter (where c.number = 1 and c.reached)::int as reached from (${editionsSql(scope)}) c group by 1`
const GUESTS = (scope: Scope) => `select ${PERIOD} as n, count(*)::int as guests from (${guestsSql(scope)}) c group by 1`

/** The figures of periods that lie one after another, each and together. @param periods at least one */
export async function figuresOf(db: Db, scope: Scope, periods: readonly Span[]): Promise<{ whole: Figures; each: Figures[] }> {
  const { from } = nth(periods, 0)
  const params = [scopeParam(scope), from, nth(periods, periods.length - 1).to, periods.map(({ from }) => from)]
  const each = periods.map(() => ({ ...NO_FIGURES }))
  const whole = { ...NO_FIGURES }
  const uses = isOfEverything(scope) ? [SUMS, PEOPLE] : scope.item && !asksForGroups(scope) ? [USES_OF_ITEM] : [USES]
  const statements = [...uses, NEWCOMERS, EDITIONS, ...(countsGuests(scope) ? [GUESTS] : [])]
  const found = await Promise.all(statements.map((sql) => db.rows<Partial<Figures> & { n: number }>(sql(scope), params)))
  for (const { n, ...counted } of found.flat()) Object.assign(n === 0 ? whole : nth(each, n - 1), counted)
  if (countsTogether(scope, from))
    for (const { n, views, finished } of await db.rows<Pick<Figures, 'views' | 'finished'> & { n: number }>(COUNTED(scope), params)) {
      const figures = nth(each, n - 1)
      figures.views += views
      figures.finished += finished
    }
  for (const figure of FIGURES) if (figure !== 'people') whole[figure] = each.reduce((sum, figures) => sum + figures[figure], 0)
  return { whole, each }
}
