import { getPeopleFaults, previewPeopleFile, takePeopleIn } from '@jackdaw/contracts/peopleFiles'
import { route, type Routes } from '../../http'
import { preview, sendFaults, takeIn } from './takeIn'

/** Many people at once, from a file. */
export function importingRoutes(routes: Routes): void {
  const { parts } = routes
  route(routes, previewPeopleFile, ({ bytes, query }, { caller }) => preview(parts, bytes, query, caller))
  route(routes, getPeopleFaults, ({ bytes, query }, { caller, res }) => sendFaults(parts, bytes, query, caller, res))
  route(routes, takePeopleIn, ({ bytes, query }, { caller, now }) => takeIn(parts, bytes, query, caller, now))
}
