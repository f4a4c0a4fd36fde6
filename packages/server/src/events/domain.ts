import { AMENDING_VERBS } from '@jackdaw/core/events'
import type { Domain } from '../domain'
import { demoEvents } from './demo'
import { eventRoutes } from './routes'

/** What happened: taken in once, and counted. */
export const events = { verbs: AMENDING_VERBS, routes: eventRoutes, demo: demoEvents } satisfies Domain
