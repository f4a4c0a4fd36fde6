import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import type { PlanGiving } from '@jackdaw/contracts/plans'
import {
  known,
  localDateAt,
  type AudienceId,
  type EnrolmentId,
  type LocalDate,
  type PersonId,
  type PlanGivingId,
  type PlanId,
} from '@jackdaw/core/shared'
import { audienceFor, audienceShown, dropUnused } from '../audiences'
import { dueFactsOf } from '../assignments'
import type { Db } from '../db'
import { fail, type AudienceFollower, type Parts } from '../http'
import { advance } from './advance'
import { begin, refuseStrangers } from './enrolling'
import { ENROLMENT, PLAN_GIVING } from './model'
import { planOf } from './writing'

type Missing = { giving: PlanGivingId; plan: PlanId; edition: number; person: PersonId; giver: PersonId; mentor: PersonId | null }
/** Of which givings, and of whom: everybody of one giving, or some people of all givings of some audiences. */
type Scope = { giving: PlanGivingId } | { people: readonly PersonId[]; audiences: readonly AudienceId[] }
const scoped = (scope: Scope): { where: (person: string) => string; bind: unknown[] } =>
  'giving' in scope
    ? { where: () => 'g.id = $1', bind: [scope.giving] }
    : { where: (person) => `g.audience_id = any ($2) and ${person} = any ($1)`, bind: [[...scope.people], [...scope.audiences]] }

/** Makes who goes through plans what their givings say: whoever belongs to the audience begins on their first day at work, or at once; whoever no longer does ends. From
 * whom the plan was taken by hand does not get it again.
 * @returns how many begin */
async function follow(tx: Db, parts: Parts, scope: Scope, now: number): Promise<number> {
  const { where, bind } = scoped(scope)
  const left = await tx.rows<{ id: EnrolmentId }>(
    `select e.id from enrolment e join plan_giving g on g.id = e.giving_id
     where e.ended_at is null and ${where('e.person_id')} and not exists (select 1 from audience_member m where m.audience_id = g.audience_id and m.person_id = e.person_id) order by e.id`,
    bind,
  )
  if (left.length > 0) {
    const ids = left.map(({ id }) => id)
    await advance(tx, parts, 'e.id = any ($1)', [ids], now, true)
    await tx.in(ENROLMENT).update({ givingId: null }, { id: ids })
  }
  const missing = await tx.rows<Missing>(
    `select distinct on (g.plan_id, m.person_id) g.id as giving, g.plan_id as plan, l.edition, m.person_id as person, g.given_by as giver, q.id as mentor
     from plan_giving g join plan l on l.id = g.plan_id and l.edition is not null and l.archived_at is null join audience_member m on m.audience_id = g.audience_id
     join person p on p.id = m.person_id and p.active left join person q on q.id = g.mentor_id and q.active and q.id <> p.id
     where ${where('m.person_id')} and not exists (select 1 from enrolment e where e.plan_id = g.plan_id and e.person_id = m.person_id and (e.ended_at is null or e.giving_id = g.id))
     order by g.plan_id, m.person_id, g.given_at, g.id`,
    bind,
  )
  const facts = await dueFactsOf(tx, [...new Set(missing.map(({ person }) => person))])
  const rows = missing.map(({ giving, plan, edition, person, giver, mentor }) => {
    const { zone, startedOn } = known(facts, person)
    const today = localDateAt(now, zone)
    const startOn: LocalDate = startedOn !== null && startedOn > today ? startedOn : today
    return {
      ...{ id: parts.newId<EnrolmentId>(), planId: plan, edition, personId: person, startOn, mentorId: mentor },
      ...{ givenBy: giver, givenAt: now, givingId: giving },
    }
  })
  return begin(tx, parts, rows, now)
}

/** Gives a plan to an audience, and to whoever joins it. @returns how many begin it now */
export async function givePlan(
  parts: Parts,
  planId: PlanId,
  { audience, mentorId }: { audience: AudienceChoice; mentorId: PersonId | null },
  by: PersonId,
  now: number,
): Promise<{ id: PlanGivingId; given: number }> {
  return parts.database.transaction(async (tx) => {
    const plan = await planOf(tx, planId, true)
    if (plan.edition === null) return fail('not-published', 'Publish the plan first; then it can be given.')
    if (plan.archivedAt !== null) return fail('not-published', 'The plan is in the archive. Take it out to give it to somebody.')
    if (mentorId !== null) await refuseStrangers(tx, 'body/mentorId', [mentorId])
    const audienceId = await audienceFor(tx, parts, audience, null, by, now)
    const id = parts.newId<PlanGivingId>()
    await tx.in(PLAN_GIVING).insert({ id, planId, audienceId, mentorId, givenBy: by, givenAt: now })
    return { id, given: await follow(tx, parts, { giving: id }, now) }
  })
}

/** Ends the giving of a plan: nobody new begins it; who goes through it goes on. */
export async function endPlanGiving(parts: Parts, planId: PlanId, id: PlanGivingId): Promise<void> {
  await parts.database.transaction(async (tx) => {
    const [row] = await tx.in(PLAN_GIVING).find({ id, planId }, { lock: true })
    if (!row) return fail('not-found')
    await tx.in(PLAN_GIVING).remove({ id })
    await dropUnused(tx, row.audienceId)
  })
}

/** To which audiences a plan is given. */
export async function planGivings(db: Db, planId: PlanId): Promise<PlanGiving[]> {
  await planOf(db, planId)
  const rows = await db.rows<{ id: PlanGivingId; audience: AudienceId; by: PersonId; name: string; at: Date; people: number }>(
    `select g.id, g.audience_id as audience, p.id as by, p.name, g.given_at as at, (select count(*)::int from enrolment e where e.giving_id = g.id and e.ended_at is null) as people
     from plan_giving g join person p on p.id = g.given_by where g.plan_id = $1 order by g.given_at, g.id`,
    [planId],
  )
  const list: PlanGiving[] = []
  for (const { id, audience, by, name, at, people } of rows)
    list.push({ id, audience: await audienceShown(db, audience), givenBy: { id: by, name }, givenAt: at.getTime(), people })
  return list
}

/** Gives plans to those who have come to belong to audiences, and ends them for those who have ceased to. */
export const followPlanAudiences: AudienceFollower = async (tx, parts, { touched, audiences, now }) => {
  const given = await tx.one('select 1 from plan_giving where audience_id = any ($1) limit 1', [audiences])
  if (given) await follow(tx, parts, { people: touched, audiences }, now)
}
