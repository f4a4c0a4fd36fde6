import { listSearches, listSought, tellSearch } from '@jackdaw/contracts/searches'
import { localDateAt } from '@jackdaw/core/shared'
import { route, type Routes } from '../http'
import { amongFor } from '../people'
import { keptIn, usesKeptSince } from './keptUse'
import { keepSearch, searchesFor, soughtThings } from './searches'
import { spanOf } from './spanOf'
import { PAGE_SIZE } from './usedItems'

/** What people seek, and what they find. */
export function searchRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, tellSearch, ({ params: { searchId }, body }, { caller, now }) =>
    keepSearch(db, searchId, body, { by: caller.id, today: localDateAt(now, caller.zone), now }),
  )
  route(routes, listSought, async ({ query: { from, to, page = 1, which, ...groups } }, { caller, now }) => {
    const among = amongFor(caller, groups)
    const span = spanOf({ from, to }, caller, now)
    const found = await soughtThings(db, { among, span }, { unanswered: which === 'unanswered', page })
    return { span, kept: keptIn(span, await usesKeptSince(db)), everybody: among.reportsTo === null, ...found, pageSize: PAGE_SIZE }
  })
  route(routes, listSearches, async ({ query: { from, to, page = 1, words, part, ...groups } }, { caller, now }) => {
    const span = spanOf({ from, to }, caller, now)
    const found = await searchesFor(db, { among: amongFor(caller, groups), span }, { words, part, page })
    return { span, kept: keptIn(span, await usesKeptSince(db)), ...found, pageSize: PAGE_SIZE }
  })
}
