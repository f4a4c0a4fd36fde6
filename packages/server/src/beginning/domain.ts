import { getFirstSteps, getLineOfWork, lookAtSetUp, setUpCompany, takeSuggestion } from '@jackdaw/contracts/beginning'
import { LineOfWorkId } from '@jackdaw/core/people'
import type { Domain } from '../domain'
import { route, type Routes } from '../http'
import { takeSuggested } from '../people'
import { companyFacts } from '../settings'
import { firstSteps } from './firstSteps'
import { checkSetUp, setUp } from './setUp'

/** How a company of one's own begins. */
function beginningRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, lookAtSetUp, ({ body: { token } }) => checkSetUp(db, token))
  route(routes, setUpCompany, ({ body }, { now }) => setUp(parts, body, now))
  route(routes, getFirstSteps, () => firstSteps(parts))
  route(routes, getLineOfWork, async () => ({ lineOfWork: LineOfWorkId.safeParse((await companyFacts(db))?.lineOfWork).data ?? null }))
  route(routes, takeSuggestion, async ({ body }, { now }) => ({ role: await db.transaction((tx) => takeSuggested(tx, parts, body, now)) }))
}

export const beginning = { routes: beginningRoutes } satisfies Domain
