import type { Domain } from '../domain'
import { demoEvents } from './demo'
import { eventRoutes } from './routes'

/** What happened: taken in once, and counted. */
export const events = { routes: eventRoutes, demo: demoEvents } satisfies Domain
