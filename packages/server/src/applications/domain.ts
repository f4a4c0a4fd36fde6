import type { Domain } from '../domain'
import { findCaller } from '../people'
import { applicationRoutes } from './routes'
import { findApplication } from './store'

const BEARER = /^Bearer ([A-Za-z0-9_-]{40,80})$/

/** Applications that are connected, and what they tell. */
export const applications = {
  routes: applicationRoutes,
  /** In whose name an application calls, by its token. Its cookies do not count. */
  whoIs:
    ({ database, clock }) =>
    async (req, res, next) => {
      const token = req.path.startsWith('/api/connected/') ? BEARER.exec(req.headers.authorization ?? '')?.[1] : undefined
      const found = token ? await findApplication(database, token, clock()) : null
      if (found) res.locals.application = { ...found, owner: await findCaller(database, found.ownerId) }
      next()
    },
} satisfies Domain
