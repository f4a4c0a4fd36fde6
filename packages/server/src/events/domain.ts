import { AMENDING_VERBS } from '@jackdaw/core/events'
import type { Domain } from '../domain'
import { job } from '../jobs'
import { demoEvents } from './demo'
import { recount } from './recount'
import { eventRoutes } from './routes'

/** What happened: taken in once, and counted. */
export const events = {
  verbs: AMENDING_VERBS,
  routes: eventRoutes,
  jobs: [job('recount', ({ events: rules }, _nothing, { finish, progress }) => finish((tx) => recount(tx, rules, progress)))],
  demo: demoEvents,
} satisfies Domain
