import { aboutAttempt } from '@jackdaw/core/inbox'
import type { PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import type { PeopleFollower } from '../../http'
import { notify, settle, type Telling } from '../../inbox'
import { PERSON } from '../../people'
import { QUIZ_ATTEMPT, REPLY_ASKED, type Attempt } from '../model'
import { repliesOf } from './judgingOf'

/** Brings up to date who is asked to judge an attempt that is over, and what stands in their inboxes. */
export async function askGraders(tx: Db, telling: Telling, attempt: Attempt, now: number): Promise<void> {
  const { edition, replies } = await repliesOf(tx, attempt)
  const wanted = new Map<PersonId, boolean>()
  for (const { may, grading } of replies) for (const id of may) wanted.set(id, wanted.get(id) === true || grading.state === 'apart')
  const before = (await tx.in(REPLY_ASKED).find({ attemptId: attempt.id }, { only: ['personId'] })).map(({ personId }) => personId)
  const gone = before.filter((id) => !wanted.has(id))
  const fresh = [...wanted.keys()].filter((id) => !before.includes(id))
  await tx.in(REPLY_ASKED).remove({ attemptId: attempt.id, personId: gone })
  await tx.in(REPLY_ASKED).insertAll(fresh.map((personId) => ({ attemptId: attempt.id, personId })))
  const about = aboutAttempt(attempt.id)
  for (const personId of gone) await settle(tx, 'to-judge', about, personId, now)
  const { name } = (await tx.in(PERSON).one({ id: attempt.personId }, { only: ['name'] }))!
  const data = (id: PersonId) => ({ title: edition.document.title, person: name, apart: wanted.get(id) === true })
  await notify(
    tx,
    telling,
    'to-judge',
    about,
    fresh.map((personId) => ({ personId, data: data(personId) })),
    now,
  )
}

/** The same of all attempts at a quiz that wait: after it was published, which may name others. */
export async function askGradersAnew(tx: Db, telling: Telling, quizId: QuizId, now: number): Promise<void> {
  for (const attempt of await tx.in(QUIZ_ATTEMPT).find({ quizId, passed: null }, { order: ['id'], lock: true }))
    if (attempt.endedAt !== null) await askGraders(tx, telling, attempt, now)
}

/** The same where somebody has come or left who judges, or whose quiz it is. */
export const askAboutPeople: PeopleFollower = async (tx, parts, { touched, now }) => {
  const waiting = await tx.rows<{ quiz_id: QuizId }>(
    `select distinct a.quiz_id from quiz_attempt a join item i on i.kind = 'quiz' and i.id = a.quiz_id join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition
     join quiz q on q.id = a.quiz_id where a.ended_at is not null and a.passed is null
       and (q.owner_id = any ($1) or exists (select 1 from reply_asked r where r.attempt_id = a.id and r.person_id = any ($1))
         or exists (select 1 from jsonb_array_elements_text(e.bytes::jsonb #> '{document,graders,people}') g (id) where g.id = any ($1)) or e.bytes::jsonb #>> '{document,graders,third}' = any ($1))
     order by 1`,
    [touched],
  )
  for (const { quiz_id } of waiting) await askGradersAnew(tx, parts, quiz_id, now)
}
