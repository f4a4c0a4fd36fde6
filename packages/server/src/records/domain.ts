import type { Domain } from '../domain'
import { recordRoutes } from './routes'

/** Who did what, and how it went. */
export const records = { routes: recordRoutes } satisfies Domain
