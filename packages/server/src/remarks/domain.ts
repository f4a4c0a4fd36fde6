import type { Domain } from '../domain'
import { remarkRoutes } from './routes'

/** What readers say is wrong. */
export const remarks = { routes: remarkRoutes } satisfies Domain
