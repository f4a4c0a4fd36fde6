import { ItemRef } from '@jackdaw/core/items'
import { PACES, PlanDocument } from '@jackdaw/core/plans'
import { EnrolmentId, Instant, LocalDate, PersonId, PlanGivingId, PlanId, PlannedCheckInId, StageId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { AudienceChoice, AudienceShown } from './audiences'
import { endpoint } from './endpoint'
import { ItemFacts } from './items'
import { PersonRef } from './people'

const plan = z.object({ id: PlanId })
const leads = { access: { may: 'plan.change' } } as const
const onPlan = { ...leads, params: plan } as const

/** A plan in a list. `underWay`, `over`: how many go through it, and how many are through. */
export const PlanRow = z.object({
  id: PlanId,
  title: z.string(),
  stages: z.int(),
  items: z.int(),
  days: z.int(),
  owner: PersonRef,
  edition: z.nullable(z.int()),
  changed: z.boolean(),
  archived: z.boolean(),
  changedAt: Instant,
  underWay: z.int(),
  over: z.int(),
})
/** Read by {@link PlanRow}. */
export type PlanRow = z.infer<typeof PlanRow>
/** The plans of the company, those changed last on top. */
export const listPlans = endpoint({
  method: 'get',
  path: '/api/plans',
  ...leads,
  query: z.object({ archived: z.optional(z.literal('yes')) }),
  response: z.array(PlanRow),
  problems: ['invalid'],
})
/** Makes a plan; nobody goes through it before it is published. */
export const createPlan = endpoint({
  method: 'post',
  path: '/api/plans',
  ...leads,
  body: z.object({ document: PlanDocument }),
  response: z.object({ id: PlanId }),
  problems: ['invalid'],
})
/** A plan as it is written, with what is to be known of its items. */
export const getPlan = endpoint({
  method: 'get',
  path: '/api/plans/:id',
  ...onPlan,
  response: z.object({
    id: PlanId,
    revision: z.int(),
    document: PlanDocument,
    /** What is to be known of its items; such as are not usable are passed over. */
    items: z.array(ItemFacts),
    edition: z.nullable(z.int()),
    /** What the newest edition says, by which people are given it. */
    published: z.nullable(PlanDocument),
    changed: z.boolean(),
    archived: z.boolean(),
    people: z.int(),
  }),
  problems: ['not-found'],
})
/** Writes a plan anew. `revision`: the state that was changed. */
export const savePlan = endpoint({
  method: 'put',
  path: '/api/plans/:id',
  ...onPlan,
  body: z.object({ revision: z.int(), document: PlanDocument }),
  response: z.object({ revision: z.int() }),
  problems: ['invalid', 'not-found', 'draft-moved-on'],
})
/** An item or a check-in of a plan by what it is called. */
const PlanPartNamed = z.object({ title: z.string(), checkIn: z.boolean() })
/** What would become of those who go through a plan if it held for them as it is written: of whom something changes, by name, and how many stay as they are.
 * `endsOn`: when they are through if they do everything on its day, now and then. */
export const PlanTouches = z.object({
  people: z.array(
    z.object({
      person: PersonRef,
      comes: z.array(PlanPartNamed),
      goes: z.array(PlanPartNamed),
      moves: z.array(z.object({ ...PlanPartNamed.shape, from: LocalDate, to: LocalDate })),
      endsOn: z.nullable(LocalDate),
      endsOnThen: z.nullable(LocalDate),
    }),
  ),
  others: z.int(),
})
/** Read by {@link PlanTouches}. */
export type PlanTouches = z.infer<typeof PlanTouches>
/** Who would be touched, and how, if what is written held for them; nothing is stored. */
export const previewPlanEdition = endpoint({
  method: 'post',
  path: '/api/plans/:id/editions/preview',
  ...onPlan,
  body: z.object({ document: PlanDocument }),
  response: PlanTouches,
  problems: ['invalid', 'not-found'],
})
/** Publishes what a plan says as its next edition. `forAll`: it holds for those who go through it already too; without it they go on by theirs. */
export const publishPlan = endpoint({
  method: 'post',
  path: '/api/plans/:id/editions',
  ...onPlan,
  body: z.object({ revision: z.int(), forAll: z.boolean() }),
  response: z.object({ edition: z.int() }),
  problems: ['invalid', 'not-found', 'draft-moved-on', 'item-archived'],
})
/** Puts a plan into the archive, where nobody new begins it, or takes it out again. Who goes through it goes on. */
export const archivePlan = endpoint({
  method: 'put',
  path: '/api/plans/:id/archived',
  ...onPlan,
  body: z.object({ archived: z.boolean() }),
  problems: ['invalid', 'not-found'],
})
/** A day on which something is to be done. */
const Day = z.object({ on: LocalDate, minutes: z.int(), over: z.int(), items: z.array(ItemRef) })
/** What comes of a plan for somebody at a pace; see `simulate` of the core. */
export const SimulatedPlan = z.object({
  pace: z.enum(PACES),
  startsOn: LocalDate,
  endsOn: z.nullable(LocalDate),
  stuckAt: z.nullable(StageId),
  moved: z.object({ holiday: z.int(), away: z.int() }),
  stages: z.array(
    z.object({
      id: StageId,
      startsOn: z.nullable(LocalDate),
      endsOn: z.nullable(LocalDate),
      finishedOn: z.nullable(LocalDate),
      checkIns: z.array(z.object({ id: PlannedCheckInId, on: LocalDate })),
    }),
  ),
  days: z.array(Day),
})
/** Read by {@link SimulatedPlan}. */
export type SimulatedPlan = z.infer<typeof SimulatedPlan>
/** Goes through a plan for somebody before they are given it, at every pace; nothing is stored. A start in the past is today. */
export const simulatePlan = endpoint({
  method: 'post',
  path: '/api/plan-simulations',
  ...leads,
  body: z.object({ document: PlanDocument, personId: PersonId, startOn: LocalDate }),
  response: z.object({ person: PersonRef, paces: z.array(SimulatedPlan) }),
  problems: ['invalid'],
})

/** So many people are given a plan at once. */
export const MOST_ENROLLED = 200
/** Gives a plan to people, from a day on. Who goes through it already goes on as before: they are told apart. */
export const enrolPeople = endpoint({
  method: 'post',
  path: '/api/plans/:id/people',
  ...onPlan,
  body: z.object({
    people: z.array(PersonId).check(z.minLength(1, 'Choose somebody'), z.maxLength(MOST_ENROLLED)),
    startOn: LocalDate,
    mentorId: z.nullable(PersonId),
  }),
  response: z.object({ given: z.int(), had: z.int() }),
  problems: ['invalid', 'not-found', 'not-published'],
})

/** That an audience is given a plan. `people`: how many go through it because of that. */
export const PlanGiving = z.object({ id: PlanGivingId, audience: AudienceShown, givenBy: PersonRef, givenAt: Instant, people: z.int() })
/** Read by {@link PlanGiving}. */
export type PlanGiving = z.infer<typeof PlanGiving>
/** To which audiences a plan is given. */
export const listPlanGivings = endpoint({
  method: 'get',
  path: '/api/plans/:id/givings',
  ...onPlan,
  response: z.array(PlanGiving),
  problems: ['not-found'],
})
/** Gives a plan to an audience: whoever belongs to it begins now, whoever joins it then, on their first day at work where that is still to come. */
export const givePlan = endpoint({
  method: 'post',
  path: '/api/plans/:id/givings',
  ...onPlan,
  body: z.object({ audience: AudienceChoice, mentorId: z.nullable(PersonId) }),
  response: z.object({ id: PlanGivingId, given: z.int() }),
  problems: ['invalid', 'not-found', 'not-published'],
})
/** Ends the giving: nobody new begins; who goes through the plan goes on. */
export const endPlanGiving = endpoint({
  method: 'delete',
  path: '/api/plans/:id/givings/:planGivingId',
  ...leads,
  params: z.object({ id: PlanId, planGivingId: PlanGivingId }),
  problems: ['not-found'],
})

/** A stage of somebody's plan. `done` of `required` items that have to be done. Of a stage of which it is not settled when it begins, `startsOn` and `endsOn` are what they
 * would be if everything was done on its day from now on, and `expected` says so. */
export const StageOfPerson = z.object({
  id: StageId,
  name: z.string(),
  startsOn: z.nullable(LocalDate),
  endsOn: z.nullable(LocalDate),
  released: z.boolean(),
  expected: z.boolean(),
  finishedOn: z.nullable(LocalDate),
  required: z.int(),
  done: z.int(),
})
/** Somebody who goes through a plan. `late`: what they are late with, the oldest first. `checkIns`: of the stages that they have come to; `missing`: of whom
 * answers are, once it was asked. `endsOn`: when they are through if they do everything on its day from
 * now on; `null` once they are. */
export const Enrolled = z.object({
  id: EnrolmentId,
  person: z.object({ ...PersonRef.shape, site: z.string() }),
  mentor: z.nullable(PersonRef),
  edition: z.int(),
  startOn: LocalDate,
  today: LocalDate,
  stages: z.array(StageOfPerson),
  late: z.array(z.object({ item: ItemRef, title: z.string(), dueOn: LocalDate })),
  checkIns: z.array(
    z.object({
      id: PlannedCheckInId,
      name: z.string(),
      on: LocalDate,
      state: z.enum(['coming', 'waits', 'over']),
      missing: z.array(PersonRef),
    }),
  ),
  heldSince: z.nullable(LocalDate),
  overAt: z.nullable(Instant),
  endsOn: z.nullable(LocalDate),
})
/** Read by {@link Enrolled}. */
export type Enrolled = z.infer<typeof Enrolled>
/** So many people of a plan are shown. */
export const MOST_SHOWN_IN_PLAN = 300
/** Who goes through a plan, and where they are: those who are late with most first, who is through at the end. */
export const listEnrolled = endpoint({
  method: 'get',
  path: '/api/plans/:id/people',
  ...onPlan,
  response: z.object({ title: z.string(), count: z.int(), rows: z.array(Enrolled) }),
  problems: ['not-found'],
})
const enrolment = z.object({ id: PlanId, enrolmentId: EnrolmentId })
/** Takes a plan from somebody: what they have not begun of it goes, what they have begun is optional. */
export const endEnrolment = endpoint({
  method: 'delete',
  path: '/api/plans/:id/people/:enrolmentId',
  ...leads,
  params: enrolment,
  problems: ['not-found'],
})
/** Holds a plan for somebody from today on, or lets it go on; or gives them another mentor. */
export const changeEnrolment = endpoint({
  method: 'patch',
  path: '/api/plans/:id/people/:enrolmentId',
  ...leads,
  params: enrolment,
  body: z.discriminatedUnion('what', [
    z.object({ what: z.literal('hold'), why: z.string().check(z.trim(), z.maxLength(300)) }),
    z.object({ what: z.literal('go-on') }),
    z.object({ what: z.literal('mentor'), mentorId: z.nullable(PersonId) }),
  ]),
  problems: ['invalid', 'not-found'],
})

/** A plan that the asker goes through. `freeUntil`: nothing of it is to be done before the day after that. */
export const MyPlan = z.object({
  id: PlanId,
  title: z.string(),
  about: z.string(),
  mentor: z.nullable(PersonRef),
  stages: z.array(StageOfPerson),
  heldSince: z.nullable(LocalDate),
  freeUntil: z.nullable(LocalDate),
  endsOn: z.nullable(LocalDate),
})
/** Read by {@link MyPlan}. */
export type MyPlan = z.infer<typeof MyPlan>
/** The plans that the asker goes through. */
export const listMyPlans = endpoint({
  method: 'get',
  path: '/api/my-plans',
  access: { may: 'today.read' },
  response: z.array(MyPlan),
  problems: [],
})
/** The same of somebody else, for whoever looks at the pages as they do. */
export const listPlansOf = endpoint({
  method: 'get',
  path: '/api/people/:id/plans',
  access: { may: 'person.look-as', over: 'person' },
  params: z.object({ id: PersonId }),
  response: z.array(MyPlan),
  problems: [],
})
