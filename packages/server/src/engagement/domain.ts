import type { Domain } from '../domain'
import { engagementRollUps } from './rollUps'
import { engagementRoutes, goalRoutes, releaseRoutes } from './routes'

/** How everything is used: views, people, what is finished and written, over time and by item. */
export const engagement = {
  routes: (routes) => {
    engagementRoutes(routes)
    releaseRoutes(routes)
    goalRoutes(routes)
  },
  rollUps: engagementRollUps,
} satisfies Domain
