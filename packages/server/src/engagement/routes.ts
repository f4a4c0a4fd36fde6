import { getUseOverTime, listCountedRows, listUsedItems } from '@jackdaw/contracts/engagement'
import { daysBack, earlier, periodsOf, unitFor, type Figures, type Span } from '@jackdaw/core/engagement'
import { addDays, daysBetween, localDateAt, nth, type LocalDate } from '@jackdaw/core/shared'
import { fail, route, type Caller, type Routes } from '../http'
import { amongFor, type Among } from '../people'
import { countedRows } from './countedRows'
import { figuresOf } from './figures'
import type { Scope } from './scope'
import { PAGE_SIZE, usedItems } from './usedItems'

const WEEKS_4 = 27
const YEARS_20 = 7_305

/** The days that are asked for, or the last four weeks to today. */
function spanOf(asked: { from?: LocalDate | undefined; to?: LocalDate | undefined }, { zone }: Caller, now: number): Span {
  const to = asked.to ?? localDateAt(now, zone)
  const from = asked.from ?? addDays(to, -WEEKS_4)
  if (from > to) fail('invalid', 'The days end before they begin.')
  if (daysBetween(from, to) > YEARS_20) fail('invalid', 'At most twenty years can be looked at.')
  return { from, to }
}

type AskedScope = Omit<Scope, 'among'> & Omit<Among, 'reportsTo'>
const scopeOf = ({ kind, item, owner, folder, ...among }: AskedScope, caller: Caller): Scope => ({
  kind,
  item,
  owner,
  folder,
  among: amongFor(caller, among),
})

/** How everything is used. */
export function engagementRoutes(routes: Routes): void {
  const { database: db, events } = routes.parts

  const counted = async (scope: Scope, span: Span, periods: readonly Span[]) => {
    const [whole, each] = await Promise.all([figuresOf(db, scope, [span]), figuresOf(db, scope, periods)])
    const figures = (n: number): Figures => nth(each, n)
    return { span, whole: nth(whole, 0), periods: periods.map((period, n) => ({ span: period, figures: figures(n) })) }
  }
  route(routes, getUseOverTime, async ({ query }, { caller, now }) => {
    const span = spanOf(query, caller, now)
    const scope = scopeOf(query, caller)
    const unit = unitFor(span, query.by ?? 'day')
    const periods = periodsOf(span, unit)
    const back = query.compare ? daysBack(span, query.compare) : null
    const before =
      back === null
        ? null
        : counted(
            scope,
            earlier(span, back),
            periods.map((each) => earlier(each, back)),
          )
    return { unit, now: await counted(scope, span, periods), before: await before, everybody: scope.among.reportsTo === null }
  })
  route(routes, listUsedItems, async ({ query }, { caller, now }) => {
    const { sort = 'views', direction, page = 1 } = query
    const span = spanOf(query, caller, now)
    const found = await usedItems(db, scopeOf(query, caller), span, { sort, down: direction !== 'up', page })
    return { span, ...found, pageSize: PAGE_SIZE }
  })
  route(routes, listCountedRows, async ({ query }, { caller, now }) => {
    const span = spanOf(query, caller, now)
    return {
      span,
      ...(await countedRows(db, events.verbs, query.figure, scopeOf(query, caller), span, query.page ?? 1)),
      pageSize: PAGE_SIZE,
    }
  })
}
