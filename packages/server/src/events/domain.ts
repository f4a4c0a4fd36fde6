import { AMENDING_VERBS } from '@jackdaw/core/events'
import type { Domain } from '../domain'
import { job } from '../jobs'
import { demoEvents } from './demo'
import { keepEventMonths } from './months'
import { recount } from './recount'
import { eventRoutes } from './routes'

/** What happened: taken in once, and counted. */
export const events = {
  verbs: AMENDING_VERBS,
  routes: eventRoutes,
  jobs: [
    job('recount', ({ events: rules }, _nothing, { finish, progress }) => finish((tx) => recount(tx, rules, progress))),
    job('keep-event-months', ({ database }, _nothing, { now }) => keepEventMonths(database, now)),
  ],
  demo: demoEvents,
} satisfies Domain
