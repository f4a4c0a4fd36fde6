import type { Domain } from '../domain'
import { surveyRoutes } from './routes'

/** What people are asked, and what they answer. */
export const surveys = { routes: surveyRoutes } satisfies Domain
