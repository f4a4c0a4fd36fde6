import {
  getJourney,
  getUseOverTime,
  listCountedRows,
  listOwners,
  listReaders,
  listReleases,
  listTimedSteps,
  listUsedDays,
  listUsedItems,
  listVisits,
  removeRelease,
  setRelease,
} from '@jackdaw/contracts/engagement'
import { getGoalResult, listGoalPeople, listGoals, removeGoal, setGoal } from '@jackdaw/contracts/goals'
import { askAtStep } from '@jackdaw/contracts/surveys'
import { daysBack, earlier, periodsOf, unitFor, type Span } from '@jackdaw/core/engagement'
import { nth, type GoalId, type LocalDate } from '@jackdaw/core/shared'
import { route, type Context, type Routes } from '../http'
import { amongFor, type Among } from '../people'
import { askThere } from './asking'
import { countedRows } from './countedRows'
import { figuresOf } from './figures'
import { dropGoal, goalOf, goalPeople, goalResult, goalsOf, saveGoal } from './goals'
import { journeyOf, visitsOf } from './journey'
import { namesIn } from './namesIn'
import { owners, readers } from './people'
import { nameDay, releasesOf, unname } from './releases'
import { keptIn, usesKeptSince } from './keptUse'
import { countsTogether, type Scope } from './scope'
import { spanOf } from './spanOf'
import { timedSteps } from './timedSteps'
import { usedDays } from './usedDays'
import { PAGE_SIZE, usedItems } from './usedItems'

type Asked = Omit<Scope, 'among' | 'keptSince'> & Omit<Among, 'reportsTo'> & { from?: LocalDate | undefined; to?: LocalDate | undefined }

/** How everything is used. */
export function engagementRoutes(routes: Routes): void {
  const { database: db, events } = routes.parts

  /** What is looked at, as far as the caller may see it, and how it is called. */
  const lookedAt = async ({ kind, item, owner, folder, person, from, to, ...among }: Asked, { caller, now }: Context) => {
    const keptSince = await usesKeptSince(db)
    const scope: Scope = { kind, item, owner, folder, person, among: amongFor(caller, among), keptSince }
    const span = spanOf({ from, to }, caller, now)
    const looked = { span, kept: keptIn(span, keptSince), ...(await namesIn(db, scope)), everybody: scope.among.reportsTo === null }
    return { scope, span, looked }
  }
  const counted = async (scope: Scope, span: Span, periods: readonly Span[]) => {
    const { whole, each } = await figuresOf(db, scope, periods)
    return { span, whole, periods: periods.map((period, n) => ({ span: period, figures: nth(each, n) })) }
  }
  route(routes, getUseOverTime, async ({ query }, context) => {
    const { by = 'day', compare, ...asked } = query
    const { scope, span, looked } = await lookedAt(asked, context)
    const unit = unitFor(span, by)
    const periods = periodsOf(span, unit)
    const now = await counted(scope, span, periods)
    if (!compare) return { ...looked, together: countsTogether(scope, span.from), unit, now, before: null }
    const back = daysBack(span, compare)
    const past = earlier(span, back)
    const then = periods.map((period) => earlier(period, back))
    return {
      ...looked,
      kept: keptIn(past, scope.keptSince),
      together: countsTogether(scope, past.from),
      ...{ unit, now, before: await counted(scope, past, then) },
    }
  })
  route(routes, listUsedItems, async ({ query }, context) => {
    const { sort = 'views', direction, page = 1, ...asked } = query
    const { scope, span, looked } = await lookedAt(asked, context)
    return { ...looked, ...(await usedItems(db, scope, span, { sort, down: direction !== 'up', page })), pageSize: PAGE_SIZE }
  })
  route(routes, listTimedSteps, async ({ query }, context) => {
    const { sort = 'ratio', direction, page = 1, ...asked } = query
    const { scope, span, looked } = await lookedAt(asked, context)
    return { ...looked, ...(await timedSteps(db, scope, span, { sort, down: direction !== 'up', page })), pageSize: PAGE_SIZE }
  })
  route(routes, listReaders, async ({ query }, context) => {
    const { sort = 'views', direction, page = 1, ...asked } = query
    const { scope, span, looked } = await lookedAt(asked, context)
    return { ...looked, ...(await readers(db, scope, span, { sort, down: direction !== 'up', page })), pageSize: PAGE_SIZE }
  })
  route(routes, listOwners, async ({ query }, context) => {
    const { sort = 'views', direction, page = 1, ...asked } = query
    const { scope, span, looked } = await lookedAt(asked, context)
    return { ...looked, ...(await owners(db, scope, span, { sort, down: direction !== 'up', page })), pageSize: PAGE_SIZE }
  })
  route(routes, listCountedRows, async ({ query }, context) => {
    const { figure, page = 1, ...asked } = query
    const { scope, span, looked } = await lookedAt(asked, context)
    return { ...looked, ...(await countedRows(db, events.verbs, figure, scope, span, page)), pageSize: PAGE_SIZE }
  })
  route(routes, listUsedDays, async ({ params: { id }, query: { page = 1, ...asked } }, { caller, now }) => {
    const span = spanOf(asked, caller, now)
    const keptSince = await usesKeptSince(db)
    return { span, kept: keptIn(span, keptSince), ...(await usedDays(db, id, span, { page, keptSince })), pageSize: PAGE_SIZE }
  })
}

/** How visits go through a guide, and what is asked of them. */
export function journeyRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, getJourney, async ({ params, query }, { caller, now }) => {
    const { from, to, department, site, team, ...visits } = query
    const among = amongFor(caller, { department, site, team })
    const span = spanOf({ from, to }, caller, now)
    const keptSince = await usesKeptSince(db)
    return {
      ...(await journeyOf(db, { ...params, ...visits, among, keptSince }, span)),
      everybody: among.reportsTo === null,
      kept: keptIn(span, keptSince),
    }
  })
  route(routes, listVisits, async ({ params, query }, { caller, now }) => {
    const { from, to, department, site, team, part, step, page = 1, ...visits } = query
    const among = amongFor(caller, { department, site, team })
    const keptSince = await usesKeptSince(db)
    const span = spanOf({ from, to }, caller, now)
    const found = await visitsOf(db, { ...params, ...visits, among, keptSince }, span, { part, step, page })
    return { ...found, kept: keptIn(span, keptSince), pageSize: PAGE_SIZE }
  })
  route(routes, askAtStep, async ({ params: { id }, body }, { caller, now }) => ({
    told: await askThere(db, routes.parts, id, caller, body, now),
  }))
}

/** Days that have a name. */
export function releaseRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, listReleases, () => releasesOf(db))
  route(routes, setRelease, ({ params: { releaseId }, body }, { caller, now }) => nameDay(db, { ...body, id: releaseId }, caller.id, now))
  route(routes, removeRelease, ({ params: { releaseId } }) => unname(db, releaseId))
}

/** What people are to come to. */
export function goalRoutes(routes: Routes): void {
  const { database: db, events } = routes.parts
  type AskedGoal = { from?: LocalDate | undefined; to?: LocalDate | undefined } & Omit<Among, 'reportsTo'>
  const asked = async (id: GoalId, { from, to, ...among }: AskedGoal, { caller, now }: Context) => ({
    goal: await goalOf(db, id),
    among: amongFor(caller, among),
    span: spanOf({ from, to }, caller, now),
    now,
  })
  route(routes, listGoals, () => goalsOf(db))
  route(routes, setGoal, ({ params: { goalId }, body }, { caller, now }) => saveGoal(db, goalId, body, caller.id, now))
  route(routes, removeGoal, ({ params: { goalId } }) => dropGoal(db, goalId))
  route(routes, getGoalResult, async ({ params: { goalId }, query }, context) => {
    const of = await asked(goalId, query, context)
    return { ...(await goalResult(db, events.verbs, of)), everybody: of.among.reportsTo === null }
  })
  route(routes, listGoalPeople, async ({ params: { goalId }, query: { part, step, page = 1, ...query } }, context) => ({
    ...(await goalPeople(db, events.verbs, await asked(goalId, query, context), { part, step, page })),
    pageSize: PAGE_SIZE,
  }))
}
