import { listMyPlans } from '@jackdaw/contracts/plans'
import type { PlanDocument } from '@jackdaw/core/plans'
import type { PersonId, PlanId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { advanceAll, advanceTouched } from './advance'
import { enrol, type Enrolling } from './enrolling'
import { handsOverPlans } from './handsOver'
import { planRoutes } from './routes'
import { createPlan, publishPlan } from './writing'

/** What people go through in stages. */
export const plans = {
  routes: planRoutes,
  firstReads: { '/': [firstRead(listMyPlans)] },
  followsPeople: advanceTouched,
  handsOver: handsOverPlans,
  jobs: [job('advance-plans', async (parts, _nothing, { now }) => advanceAll(parts, now))],
  demo: (parts) => ({
    async addPlan(plan: { id: PlanId; document: PlanDocument; ownerId: PersonId; now: number }) {
      await createPlan(parts.database, plan)
      await publishPlan(parts.database, plan.id, 1, plan.ownerId, plan.now)
    },
    enrol: (planId: PlanId, enrolling: Enrolling, by: PersonId, now: number) => enrol({ ...parts, mail: null }, planId, enrolling, by, now),
    advancePlans: (now: number) => advanceAll({ ...parts, mail: null }, now),
  }),
} satisfies Domain
