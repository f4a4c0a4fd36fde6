import * as contract from '@jackdaw/contracts/items'
import { route, type Routes } from '../http'
import { knownItem } from './findItem'
import { findItems } from './itemFacts'
import { FAVOURITE } from './model'

export function itemRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, contract.findItems, ({ query }, { caller }) => findItems(db, query.find?.trim() ?? '', caller.id))
  route(routes, contract.setFavourite, async ({ params: { id }, body: { favourite } }, { caller, now }) => {
    const item = await knownItem(db, id)
    const mark = { personId: caller.id, itemKind: item.kind, itemId: item.id }
    if (favourite) await db.in(FAVOURITE).insertAll([{ ...mark, at: now }], { skip: true })
    else await db.in(FAVOURITE).remove(mark)
  })
}
