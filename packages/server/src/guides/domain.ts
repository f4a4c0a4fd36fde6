import type { Domain } from '../domain'
import { demoGuides } from './demo'
import { relationsToGuide } from './relationsToGuide'
import { guideRoutes } from './routes'

/** Drafts and editions of guides. */
export const guides = {
  routes: guideRoutes,
  relations: ({ database }) => ({ guide: (caller, id) => relationsToGuide(database, caller, id) }),
  demo: demoGuides,
} satisfies Domain
