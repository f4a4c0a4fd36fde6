import type { SimulatedPlan } from '@jackdaw/contracts/plans'
import { itemKey } from '@jackdaw/core/items'
import { PACES, simulate, type PlanDocument } from '@jackdaw/core/plans'
import {
  addDays,
  known,
  localDateAt,
  type EnrolmentId,
  type LocalDate,
  type PersonId,
  type PlanGivingId,
  type PlanId,
} from '@jackdaw/core/shared'
import { Op, type Attributes } from 'sequelize'
import { dueFactsOf } from '../assignments'
import type { Db } from '../db'
import { fail, failField, othersFirst, type Parts } from '../http'
import { PERSON } from '../people'
import { askAnewAbout } from '../tasks'
import { advance } from './advance'
import { ENROLMENT, ENROLMENT_HOLD, type EnrolmentRow } from './model'
import { itemFactsOf, planOf } from './writing'

/** The latest day from today on which a plan may start for somebody. */
const MOST_AHEAD_DAYS = 730

/** Refuses a start that lies further ahead than anybody plans. */
function refuseFar(pointer: string, startOn: LocalDate, today: LocalDate): void {
  if (startOn > addDays(today, MOST_AHEAD_DAYS)) failField(pointer, 'Choose a start within the next two years.')
}
/** Refuses people who do not work here. */
export async function refuseStrangers(db: Db, pointer: string, people: readonly PersonId[]): Promise<void> {
  const here = await db.in(PERSON).count({ id: { [Op.in]: [...new Set(people)] }, active: true })
  if (here !== new Set(people).size) failField(pointer, 'Somebody among them does not work here any more. Choose again.')
}

/** Goes through a plan for somebody at every pace. A start in the past is today. */
export async function simulateFor(
  db: Db,
  { document, personId, startOn }: { document: PlanDocument; personId: PersonId; startOn: LocalDate },
  now: number,
): Promise<{ person: { id: PersonId; name: string }; paces: SimulatedPlan[] }> {
  await refuseStrangers(db, 'body/personId', [personId])
  const person = (await db.in(PERSON).one({ id: personId }, { only: ['id', 'name'] })) ?? fail('not-found')
  const { zone, calendar, away } = known(await dueFactsOf(db, [personId]), personId)
  const today = localDateAt(now, zone)
  refuseFar('body/startOn', startOn, today)
  const usable = new Map((await itemFactsOf(db, document)).filter((each) => each.usable).map((each) => [itemKey(each.item), each.minutes]))
  const stages = document.stages.map((stage) => ({ ...stage, items: stage.items.filter(({ item }) => usable.has(itemKey(item))) }))
  const facts = { start: startOn > today ? startOn : today, calendar, away }
  const paces: SimulatedPlan[] = []
  for (const pace of PACES) {
    await othersFirst()
    const found = simulate({ ...document, stages }, facts, pace, (key) => known(usable, key))
    paces.push({
      ...{ pace, startsOn: found.startsOn, endsOn: found.endsOn, stuckAt: found.stuckAt, moved: found.moved },
      stages: found.stages.map(({ id, startsOn: on, endsOn, finishedOn, checkIns }) => ({
        ...{ id, startsOn: on, endsOn, finishedOn },
        checkIns: [...checkIns],
      })),
      days: found.days.map(({ on, minutes, over, items }) => ({ on, minutes, over, items: items.map(({ item }) => item) })),
    })
  }
  return { person, paces }
}

/** Has people begin plans; whoever has come to go through the same one meanwhile, by another giving, goes on with that.
 * @returns how many begin */
export async function begin(tx: Db, parts: Parts, rows: readonly NewEnrolment[], now: number): Promise<number> {
  const ids = rows.map(({ id }) => id)
  await tx.in(ENROLMENT).insertAll(rows, { skip: true })
  await advance(tx, parts, 'e.id = any ($1)', [ids], now)
  await askAnewAbout(
    tx,
    parts,
    rows.map(({ personId }) => personId),
    now,
  )
  return tx.in(ENROLMENT).count({ id: { [Op.in]: ids } })
}
type NewEnrolment = Pick<
  Attributes<EnrolmentRow>,
  'id' | 'planId' | 'edition' | 'personId' | 'startOn' | 'givenBy' | 'givenAt' | 'mentorId'
> & {
  givingId?: PlanGivingId
}

/** Whom a plan is given to, from when on, and who looks after them. */
export type Enrolling = { people: readonly PersonId[]; startOn: LocalDate; mentorId: PersonId | null }
/** Gives a plan to people. Who goes through it already goes on as before.
 * @returns how many were given it, and how many had it */
export async function enrol(
  parts: Parts,
  planId: PlanId,
  { people, startOn, mentorId }: Enrolling,
  by: PersonId,
  now: number,
): Promise<{ given: number; had: number }> {
  return parts.database.transaction(async (tx) => {
    const plan = await planOf(tx, planId, true)
    if (plan.edition === null) return fail('not-published', 'Publish the plan first; then it can be given.')
    if (plan.archivedAt !== null) return fail('not-published', 'The plan is in the archive. Take it out to give it to somebody.')
    refuseFar('body/startOn', startOn, localDateAt(now, 'UTC'))
    await refuseStrangers(tx, 'body/people', people)
    if (mentorId !== null) await refuseStrangers(tx, 'body/mentorId', [mentorId])
    const had = new Set(
      (await tx.in(ENROLMENT).find({ planId, personId: [...people], endedAt: null }, { only: ['personId'] })).map((row) => row.personId),
    )
    const fresh = [...new Set(people)].filter((id) => !had.has(id))
    const rows = fresh.map((personId) => ({
      ...{ id: parts.newId<EnrolmentId>(), planId, edition: plan.edition!, personId, startOn, givenBy: by, givenAt: now },
      // Nobody looks after themselves.
      mentorId: mentorId === personId ? null : mentorId,
    }))
    const given = await begin(tx, parts, rows, now)
    return { given, had: had.size + rows.length - given }
  })
}

/** An enrolment of a plan that has not ended. @throws `not-found` */
const held = async (tx: Db, planId: PlanId, id: EnrolmentId) =>
  (await tx.in(ENROLMENT).one({ id, planId, endedAt: null }, { lock: true })) ?? fail('not-found')

/** Takes a plan from somebody. */
export async function endEnrolment(parts: Parts, planId: PlanId, id: EnrolmentId, now: number): Promise<void> {
  await parts.database.transaction(async (tx) => {
    await held(tx, planId, id)
    await advance(tx, parts, 'e.id = $1', [id], now, true)
  })
}

type Change = { what: 'hold'; why: string } | { what: 'go-on' } | { what: 'mentor'; mentorId: PersonId | null }
/** Holds a plan for somebody, lets it go on, or gives them another mentor. What is so already stays so. */
export async function changeEnrolment(
  parts: Parts,
  planId: PlanId,
  id: EnrolmentId,
  change: Change,
  by: PersonId,
  now: number,
): Promise<void> {
  await parts.database.transaction(async (tx) => {
    const { personId } = await held(tx, planId, id)
    if (change.what === 'mentor') {
      const { mentorId } = change
      if (mentorId !== null) await refuseStrangers(tx, 'body/mentorId', [mentorId])
      if (mentorId === personId) failField('body/mentorId', 'Nobody looks after themselves. Choose somebody else.')
      await tx.in(ENROLMENT).update({ mentorId }, { id })
      return askAnewAbout(tx, parts, [personId], now)
    }
    const today = localDateAt(now, known(await dueFactsOf(tx, [personId]), personId).zone)
    const open = await tx.in(ENROLMENT_HOLD).one({ enrolmentId: id, untilOn: null })
    if (change.what === 'hold') {
      if (open) return
      // On the day on which it went on it is held once more.
      await tx.in(ENROLMENT_HOLD).insertAll([{ enrolmentId: id, fromOn: today, untilOn: null, why: change.why, heldBy: by }], {
        inPlaceOf: ['untilOn', 'why', 'heldBy'],
      })
    } else if (open) {
      // The day on which it goes on counts again.
      if (open.fromOn === today) await tx.in(ENROLMENT_HOLD).remove({ enrolmentId: id, fromOn: today })
      else await tx.in(ENROLMENT_HOLD).update({ untilOn: addDays(today, -1) }, { enrolmentId: id, fromOn: open.fromOn })
    }
    await advance(tx, parts, 'e.id = $1', [id], now)
  })
}
