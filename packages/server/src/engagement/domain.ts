import type { Domain } from '../domain'
import { engagementRollUps } from './rollUps'
import { engagementRoutes } from './routes'

/** How everything is used: views, people, what is finished and written, over time and by item. */
export const engagement = { routes: engagementRoutes, rollUps: engagementRollUps } satisfies Domain
