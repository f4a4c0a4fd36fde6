import * as contract from '@jackdaw/contracts/plans'
import type { PlanId } from '@jackdaw/core/shared'
import { fail, route, type Routes } from '../http'
import { changeEnrolment, endEnrolment, enrol, simulateFor } from './enrolling'
import { lookAtEdition, publishEdition } from './editions'
import { endPlanGiving, givePlan, planGivings } from './givings'
import { ENROLMENT, PLAN, PLAN_EDITION } from './model'
import { enrolledIn, plansOf } from './shown'
import { createPlan, isChanged, itemFactsOf, listPlans, planOf, savePlan } from './writing'

export function planRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db, newId } = parts

  route(routes, contract.listPlans, ({ query }) => listPlans(db, query.archived === 'yes'))
  route(routes, contract.createPlan, async ({ body: { document } }, { caller, now }) => {
    const id = newId<PlanId>()
    await createPlan(db, { id, document, ownerId: caller.id, now })
    return { id }
  })
  route(routes, contract.getPlan, async ({ params: { id } }) => {
    const plan = await planOf(db, id)
    const { document, revision, edition, archivedAt } = plan
    return {
      ...{ id, revision, document, edition, archived: archivedAt !== null, changed: await isChanged(db, plan) },
      items: await itemFactsOf(db, document),
      published:
        edition === null
          ? null
          : ((await db.in(PLAN_EDITION).one({ planId: id, number: edition }, { only: ['document'] }))?.document ?? null),
      people: await db.in(ENROLMENT).count({ planId: id, endedAt: null }),
    }
  })
  route(routes, contract.savePlan, async ({ params: { id }, body }, { caller, now }) => ({
    revision: await savePlan(db, id, body, caller.id, now),
  }))
  route(routes, contract.previewPlanEdition, ({ params: { id }, body: { document } }, { now }) => lookAtEdition(db, id, document, now))
  route(routes, contract.publishPlan, async ({ params: { id }, body }, { caller, now }) => ({
    edition: await publishEdition(parts, id, body, caller.id, now),
  }))
  route(routes, contract.archivePlan, async ({ params: { id }, body: { archived } }, { now }) => {
    if ((await db.in(PLAN).update({ archivedAt: archived ? now : null }, { id })) === 0) fail('not-found')
  })
  route(routes, contract.simulatePlan, ({ body }, { now }) => simulateFor(db, body, now))
  route(routes, contract.enrolPeople, ({ params: { id }, body }, { caller, now }) => enrol(parts, id, body, caller.id, now))
  route(routes, contract.listPlanGivings, ({ params: { id } }) => planGivings(db, id))
  route(routes, contract.givePlan, ({ params: { id }, body }, { caller, now }) => givePlan(parts, id, body, caller.id, now))
  route(routes, contract.endPlanGiving, ({ params: { id, planGivingId } }) => endPlanGiving(parts, id, planGivingId))
  route(routes, contract.listEnrolled, ({ params: { id } }, { now }) => enrolledIn(db, id, now))
  route(routes, contract.endEnrolment, ({ params: { id, enrolmentId } }, { now }) => endEnrolment(parts, id, enrolmentId, now))
  route(routes, contract.changeEnrolment, ({ params: { id, enrolmentId }, body }, { caller, now }) =>
    changeEnrolment(parts, id, enrolmentId, body, caller.id, now),
  )
  route(routes, contract.listMyPlans, (_input, { caller, now }) => plansOf(db, caller.id, now))
  route(routes, contract.listPlansOf, ({ params: { id } }, { now }) => plansOf(db, id, now))
}
