import type { Domain } from '../domain'
import { job } from '../jobs'
import { findCaller } from '../people'
import { throwAwayAbandoned } from './cleanUp'
import { recordingRoutes } from './routes'
import { whoRecords } from './whoRecords'

/** Recorders that are paired, and what they send. */
export const recording = {
  routes: recordingRoutes,
  jobs: [job('remove-abandoned-recordings', ({ database, content }, _nothing, { now }) => throwAwayAbandoned(database, content, now))],
  whoIs: (parts) => whoRecords(parts, (id) => findCaller(parts.database, id)),
} satisfies Domain
