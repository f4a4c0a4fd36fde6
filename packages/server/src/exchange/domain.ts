import type { Domain } from '../domain'
import { exchangeRoutes } from './routes'

/** Formats in and out. */
export const exchange = { routes: exchangeRoutes } satisfies Domain
