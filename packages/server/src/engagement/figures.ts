import { FIGURES, NO_FIGURES, type Figures, type Span } from '@jackdaw/core/engagement'
import { nth } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { countsGuests, countsTogether, scopeParam, type Scope } from './scope'
import { countedSql, editionsSql, guestsSql, newcomersSql, usesSql } from './sources'

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
  const statements = [USES, NEWCOMERS, EDITIONS, ...(countsGuests(scope) ? [GUESTS] : [])]
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
