import type { Release } from '@jackdaw/contracts/engagement'
import type { NewGoal } from '@jackdaw/contracts/goals'
import type { SearchTold } from '@jackdaw/contracts/searches'
import type { FigurePageId, GoalId, PersonId, SearchId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { saveGoal } from './goals'
import { job } from '../jobs'
import { ownUseRoutes } from './ownUseRoutes'
import { keepUse } from './keptUse'
import { keepSearch } from './searches'
import { searchRoutes } from './searchRoutes'
import { mailFigures } from './pages/mail'
import { figurePageRoutes } from './pages/routes'
import { savePage } from './pages/store'
import { nameDay } from './releases'
import { engagementRollUps } from './rollUps'
import { engagementRoutes, goalRoutes, journeyRoutes, releaseRoutes } from './routes'

/** How everything is used: views, people, what is finished and written, over time and by item. */
export const engagement = {
  routes: (routes) => {
    engagementRoutes(routes)
    journeyRoutes(routes)
    releaseRoutes(routes)
    goalRoutes(routes)
    ownUseRoutes(routes)
    searchRoutes(routes)
    figurePageRoutes(routes)
  },
  rollUps: engagementRollUps,
  jobs: [
    job('mail-figures', async (parts, _nothing, { now }) => void (await mailFigures(parts, now))),
    job('keep-use', ({ database, events }, _nothing, { now, progress }) => keepUse(database, events, now, progress)),
  ],
  demo: ({ database }) => ({
    nameRelease: (release: Release, by: PersonId, now: number) => nameDay(database, release, by, now),
    keepSearch: (id: SearchId, search: SearchTold, told: Parameters<typeof keepSearch>[3]) => keepSearch(database, id, search, told),
    saveFigurePage: (id: FigurePageId, owner: PersonId, page: Parameters<typeof savePage>[3], now: number) =>
      savePage(database, id, owner, page, now),
    addGoal: (id: GoalId, goal: NewGoal, by: PersonId, now: number) => saveGoal(database, id, goal, by, now),
  }),
} satisfies Domain
