import { getToday } from '@jackdaw/contracts/reading'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { dateChanged, dateSiteAnew } from './dateAnew'
import { followAudiences } from './followAudiences'
import { publish, type PublishRequest } from './publish'
import { assignmentRoutes } from './routes'

/** Who has been given what, and by when. */
export const assignments = {
  routes: assignmentRoutes,
  firstReads: { '/': [firstRead(getToday)] },
  followsAudiences: followAudiences,
  followsPeople: dateChanged,
  jobs: [job('date-anew', (parts, { siteId }) => dateSiteAnew(parts, siteId))],
  demo: (parts) => ({
    publish: (guideId: GuideId, request: PublishRequest, by: PersonId, now: number) => publish(parts, null, guideId, request, by, now),
  }),
} satisfies Domain
