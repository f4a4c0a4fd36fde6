import { getFigureRules, getOwnItemUse, listOwnUse, setFigureRules } from '@jackdaw/contracts/ownUse'
import { localDateAt, type LocalDate } from '@jackdaw/core/shared'
import { route, type Context, type Routes } from '../http'
import { usesKeptSince } from './keptUse'
import { figureRules, saveFigureRules } from './figureRules'
import { ownItems, ownItemUse } from './ownUse'
import { PAGE_SIZE } from './usedItems'

/** How others use what somebody owns who may not see who they are. */
export function ownUseRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  const asked = (month: LocalDate | undefined, { caller, now }: Context) => ({
    owner: caller.id,
    today: localDateAt(now, caller.zone),
    month,
  })
  route(routes, listOwnUse, async ({ query: { month, page = 1 } }, context) => ({
    ...(await ownItems(db, asked(month, context), page)),
    pageSize: PAGE_SIZE,
  }))
  route(routes, getOwnItemUse, ({ params: { id }, query: { month } }, context) => ownItemUse(db, id, asked(month, context)))
  route(routes, getFigureRules, async () => ({ ...(await figureRules(db)), since: await usesKeptSince(db) }))
  route(routes, setFigureRules, ({ body }) => saveFigureRules(db, body))
}
