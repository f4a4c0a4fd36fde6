import { sendEvents } from '@jackdaw/contracts/reading'
import { route, type Routes } from '../http'
import { takeEvents } from './intake'

export function eventRoutes(routes: Routes): void {
  route(routes, sendEvents, async ({ body }, { caller, now }) => takeEvents(routes.parts.database, caller.id, body, now))
}
