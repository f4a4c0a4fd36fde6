import type { Domain } from '../domain'
import { findCaller } from '../people'
import { recordingRoutes } from './routes'
import { whoRecords } from './whoRecords'

/** Recorders that are paired, and what they send. */
export const recording = {
  routes: recordingRoutes,
  whoIs: (parts) => whoRecords(parts, (id) => findCaller(parts.database, id)),
} satisfies Domain
