import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import { listMyPlans } from '@jackdaw/contracts/plans'
import type { PlanDocument } from '@jackdaw/core/plans'
import type { PersonId, PlanId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { advanceAll, advanceTouched } from './advance'
import { enrol, type Enrolling } from './enrolling'
import { followPlanAudiences, givePlan } from './givings'
import { handsOverPlans } from './handsOver'
import { planRoutes } from './routes'
import { createPlan, publishPlan } from './writing'

/** What people go through in stages. */
export const plans = {
  routes: planRoutes,
  firstReads: { '/': [firstRead(listMyPlans)] },
  followsPeople: advanceTouched,
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
    advancePlans: (now: number) => advanceAll({ ...parts, mail: null }, now),
  }),
} satisfies Domain
