import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import { listMyCheckIns } from '@jackdaw/contracts/checkIns'
import { listMyPlans } from '@jackdaw/contracts/plans'
import type { Answer, PlanDocument } from '@jackdaw/core/plans'
import type { CheckInId, PersonId, PlanId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { advanceAll, advanceTouched } from './advance'
import { answerCheckIn } from './checkIns/answering'
import { askOthers } from './checkIns/asking'
import { checkInRoutes } from './checkIns/routes'
import { checkInFor, checkInsOf, relationsToCheckIn } from './checkIns/shown'
import { enrol, type Enrolling } from './enrolling'
import { followPlanAudiences, givePlan } from './givings'
import { handsOverPlans } from './handsOver'
import { planRoutes } from './routes'
import { createPlan, publishPlan } from './writing'

/** What people go through in stages. */
export const plans = {
  routes: (routes) => {
    planRoutes(routes)
    checkInRoutes(routes)
  },
  firstReads: { '/': [firstRead(listMyPlans), firstRead(listMyCheckIns)] },
  relations: ({ database }) => ({ 'check-in': (caller, id) => relationsToCheckIn(database, caller, id) }),
  followsPeople: async (tx, parts, change) => {
    await advanceTouched(tx, parts, change)
    await askOthers(tx, parts, change)
  },
  followsAudiences: followPlanAudiences,
  handsOver: handsOverPlans,
  jobs: [job('advance-plans', async (parts, _nothing, { now }) => advanceAll(parts, now))],
  demo: (parts) => ({
    async addPlan(plan: { id: PlanId; document: PlanDocument; ownerId: PersonId; now: number }) {
      await createPlan(parts.database, plan)
      await parts.database.transaction((tx) => publishPlan(tx, plan.id, 1, plan.ownerId, plan.now))
    },
    enrol: (planId: PlanId, enrolling: Enrolling, by: PersonId, now: number) => enrol({ ...parts, mail: null }, planId, enrolling, by, now),
    givePlan: (planId: PlanId, giving: { audience: AudienceChoice; mentorId: PersonId | null }, by: PersonId, now: number) =>
      givePlan({ ...parts, mail: null }, planId, giving, by, now),
    answerCheckIn: (id: CheckInId, answers: readonly Answer[], by: PersonId, now: number) =>
      answerCheckIn({ ...parts, mail: null }, id, answers, by, now),
    checkInFor: (id: CheckInId, personId: PersonId) => checkInFor(parts.database, id, personId),
    checkInsOf: (personId: PersonId) => checkInsOf(parts.database, personId),
    advancePlans: (now: number) => advanceAll({ ...parts, mail: null }, now),
  }),
} satisfies Domain
