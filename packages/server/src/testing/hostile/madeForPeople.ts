import { ticked } from '@jackdaw/core/audiences'
import { taskItem } from '@jackdaw/core/items'
import type { GuideId, PersonId, PictureId, PlanId, PlannedCheckInId, QuestionId, TaskId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { adoptPicture, type PictureContent } from '../../files'
import { TASK } from '../../tasks'
import { planOf } from './madeThings'
import { aPlan, aTask, START, type Company, type TestServer, type Who } from '../testServer'

/** A task, its picture, and what somebody has handed in of it. */
export type TaskHandedIn = { task: TaskId; taskPicture: PictureId; handIn: string }

/** Makes a published task with a picture, given to the team, and has somebody hand it in with a photo.
 * @param by `null`: nobody has */
export async function aTaskHandedIn(
  server: TestServer,
  company: Company,
  { owner, by, title, stored }: { owner: Who; by: string | null; title?: string; stored: PictureContent },
): Promise<TaskHandedIn> {
  const { services, parts } = server
  const { database } = parts
  const ownerId = company.people[owner]
  const task = await aTask(server, company, owner, { published: false, ...(title ? { document: { title } } : {}) })
  const [taskPicture, photo] = [nanoid<PictureId>(), nanoid<PictureId>()]
  const shown = { item: taskItem(task), now: START }
  await adoptPicture(database, stored, { ...shown, id: taskPicture, by: ownerId })
  const { document } = (await database.in(TASK).one({ id: task }))!
  await services.saveTask(task, 1, { ...document, picture: { id: taskPicture, alt: 'A door' } }, ownerId, START)
  await services.publishTask(task, 2, company.people.lead, START)
  const saving = { audience: ticked([company.team], []), use: 'to-do', due: { kind: 'none' }, repeatMonths: null } as const
  await services.give(taskItem(task), saving, company.people.lead, START)
  if (by === null) return { task, taskPicture, handIn: nanoid() }
  await adoptPicture(database, stored, { ...shown, id: photo, by: by as PersonId })
  return { task, taskPicture, handIn: await services.handIn(task, 1, { words: title ?? 'Done', photo }, by as PersonId, START) }
}

/** A published plan in which a guide stands, and somebody who goes through it. */
export async function aPlanUnderWay(
  server: TestServer,
  company: Company,
  guide: GuideId,
): Promise<{ plan: string; enrolment: string; planGiving: string }> {
  const { services, parts } = server
  const { lead, staff } = company.people
  const plan = nanoid<PlanId>()
  await services.addPlan({ id: plan, document: planOf(guide), ownerId: lead, now: START })
  await services.enrol(plan, { people: [staff], startOn: '2026-03-10' as never, mentorId: null }, lead, START)
  const row = await parts.database.one<{ id: string }>('select id from enrolment where plan_id = $1', [plan])
  const { id: planGiving } = await services.givePlan(plan, { audience: ticked([company.role], []), mentorId: null }, lead, START)
  return { plan, enrolment: row!.id, planGiving }
}

/** The question that is asked in every check-in here. */
export const QUESTION = 'q'.repeat(21) as QuestionId
/** A check-in that somebody is asked. @param title the plan's */
export async function aCheckInOf(server: TestServer, company: Company, personId: string, title = 'First weeks'): Promise<string> {
  const task = await aTask(server, company, 'lead', { given: false })
  const questions = [{ id: QUESTION, words: 'What was unclear?', answer: 'words' as const }]
  const checkIn = { id: nanoid<PlannedCheckInId>(), name: title, day: 1, questions }
  const plan = await aPlan(server, company, [{ tasks: [[task, 1]], checkIns: [checkIn] }])
  const enrolling = { people: [personId as PersonId], startOn: '2026-03-10' as never, mentorId: null }
  await server.services.enrol(plan, enrolling, company.people.lead, START)
  const row = await server.parts.database.one<{ id: string }>('select id from check_in where person_id = $1 and planned_id = $2', [
    personId,
    checkIn.id,
  ])
  return row!.id
}

/** Something that somebody was told. */
export async function entryFor(server: TestServer, personId: string): Promise<string> {
  const id = nanoid()
  await server.parts.database.rows(
    `insert into inbox_entry (id, person_id, kind, about_kind, about_id, data, at, settled_at) values ($1, $2, 'write-along', 'guide', $3, '{"title": "a", "by": "b"}', $4, $4)`,
    [id, personId, nanoid(), new Date(START)],
  )
  return id
}
