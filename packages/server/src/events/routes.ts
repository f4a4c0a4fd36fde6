import { sendEvents } from '@jackdaw/contracts/reading'
import { route, type Routes } from '../http'
import { takeEvents } from './intake'
import { seenBy } from './seenBy'

export function eventRoutes(routes: Routes): void {
  const { database, events } = routes.parts
  route(routes, sendEvents, async ({ body }, { caller, now, req }) =>
    takeEvents(database, events, caller.id, { ...body, seen: seenBy(req) }, now),
  )
}
