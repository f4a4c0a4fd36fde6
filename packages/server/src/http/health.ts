import { reasonOf } from '@jackdaw/core/shared'
import { getHealth, getReadiness } from '@jackdaw/contracts/health'
import { isMigrated } from '../db'
import { fail } from './fail'
import { route, type Routes } from './route'

export function healthRoutes(routes: Routes): void {
  const { database, log } = routes.parts
  route(routes, getHealth, async () => ({ ok: true as const }))
  route(routes, getReadiness, async () => {
    const ready = await isMigrated(database).catch((error: unknown) => {
      log.warn({ reason: reasonOf(error) }, 'not ready')
      return false
    })
    return ready ? { ready: true as const } : fail('not-ready', 'The database does not answer, or its tables are not up to date.')
  })
}
