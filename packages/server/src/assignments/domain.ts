import type { GivingSaving } from '@jackdaw/contracts/assignments'
import { getToday } from '@jackdaw/contracts/reading'
import type { Handling } from '@jackdaw/core/assignments'
import { guideItem, type ItemRef } from '@jackdaw/core/items'
import type { GuideId, PersonId, QuizId, TaskId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { dateChanged, dateSiteAnew } from './dateAnew'
import { handle } from './handle'
import { followAudiences } from './followAudiences'
import { publish, publishQuizToPeople, publishTaskToPeople, type PublishRequest } from './publish'
import { give } from './givings'
import { remind } from './remind'
import { beginRounds } from './rounds'
import { assignmentRoutes } from './routes'

/** Who has been given what, and by when. */
export const assignments = {
  routes: assignmentRoutes,
  firstReads: { '/': [firstRead(getToday)] },
  followsAudiences: followAudiences,
  followsPeople: dateChanged,
  jobs: [
    job('date-anew', (parts, { siteId }) => dateSiteAnew(parts, siteId)),
    job('remind', async (parts, _nothing, { now }) => void (await remind(parts, now))),
    job('begin-rounds', async (parts, _nothing, { now }) => void (await beginRounds(parts, now))),
  ],
  demo: (parts) => ({
    handle: (guideId: GuideId, people: readonly PersonId[], handling: Handling, by: PersonId, now: number) =>
      handle({ ...parts, mail: null }, guideItem(guideId), people, handling, by, now),
    give: (item: ItemRef, saving: GivingSaving, by: PersonId, now: number) =>
      give(parts, item, saving, { by, now, mail: null, tell: true }),
    publishTask: (id: TaskId, revision: number, by: PersonId, now: number) =>
      publishTaskToPeople({ ...parts, mail: null }, id, { revision, changeNote: '', again: false }, by, now),
    publishQuiz: (id: QuizId, revision: number, by: PersonId, now: number) =>
      publishQuizToPeople({ ...parts, mail: null }, id, { revision, changeNote: '', again: false }, by, now),
    publish: (guideId: GuideId, request: PublishRequest, by: PersonId, now: number) => publish(parts, null, guideId, request, by, now),
  }),
} satisfies Domain
