import { MOST_TO_JUDGE, type getJudging, type GivenGrade, type listToJudge } from '@jackdaw/contracts/judging'
import type { SaidOfReply } from '@jackdaw/contracts/attempts'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { askedOf, mostOf } from '@jackdaw/core/quizzes'
import { known, type PersonId, type QuizAttemptId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../../db'
import { fail } from '../../http'
import { PERSON } from '../../people'
import { QUIZ_ATTEMPT, REPLY_GRADE, type Attempt } from '../model'
import { isTheirTurn } from './grade'
import { repliesOf, type Reply, type StoredGrade } from './judgingOf'

const TO_JUDGE = keepPlan('count-to-judge', 'select count(*)::int as count from reply_asked where person_id = $1')
/** Of how many attempts somebody is asked to judge something. */
export const countToJudge = async (db: Db, personId: PersonId): Promise<number> =>
  (await db.one<{ count: number }>(TO_JUDGE, [personId]))!.count

type Row = { id: QuizAttemptId; person_id: PersonId; name: string; site: string; count: number }
/** What somebody is asked to judge, what waits longest on top. */
export async function toJudge(db: Db, caller: PersonId): Promise<ResponseOf<typeof listToJudge>> {
  const rows = await db.rows<Row>(
    `select a.id, p.id as person_id, p.name, s.name as site, count(*) over ()::int as count from reply_asked r join quiz_attempt a on a.id = r.attempt_id
     join person p on p.id = a.person_id join people_group s on s.id = p.site_id where r.person_id = $1 order by a.ended_at, a.id limit ${MOST_TO_JUDGE}`,
    [caller],
  )
  const attempts = new Map((await db.in(QUIZ_ATTEMPT).find({ id: rows.map(({ id }) => id) })).map((attempt) => [attempt.id, attempt]))
  const shown = []
  for (const { id, person_id, name, site } of rows) {
    const attempt = known(attempts, id)
    const { edition, replies } = await repliesOf(db, attempt)
    const mine = replies.filter(({ may }) => may.includes(caller))
    shown.push({
      ...{ attemptId: id, title: edition.document.title, person: { id: person_id, name, site }, number: attempt.number },
      ...{ endedAt: attempt.endedAt!, replies: mine.length, apart: mine.some(({ grading }) => grading.state === 'apart') },
    })
  }
  return { count: rows[0]?.count ?? 0, rows: shown }
}

/** Grades with the names of those who gave them. */
export async function namedGrades(db: Db, grades: readonly StoredGrade[]): Promise<GivenGrade[]> {
  const people = await db.in(PERSON).find({ id: [...new Set(grades.map(({ graderId }) => graderId))] }, { only: ['id', 'name'] })
  const names = new Map(people.map(({ id, name }) => [id, name]))
  return grades.map(({ graderId: id, points, words, givenAt: at }) => ({ grader: { id, name: known(names, id) }, points, words, at }))
}

/** The replies of an attempt for whoever judges them. */
export async function judgingFor(db: Db, id: QuizAttemptId, caller: PersonId): Promise<ResponseOf<typeof getJudging>> {
  const attempt = (await db.in(QUIZ_ATTEMPT).one({ id })) ?? fail('not-found')
  const { quizId, number, endedAt, passed, personId } = attempt
  if (endedAt === null) return fail('not-found')
  const { edition, two, replies } = await repliesOf(db, attempt)
  const { name } = (await db.in(PERSON).one({ id: personId }, { only: ['name'] })) ?? fail('not-found')
  const shown = []
  for (const reply of replies) shown.push(await replyFor(db, attempt, reply, caller, edition.document))
  return {
    ...{ quizId, edition: attempt.edition, title: edition.document.title, person: { id: personId, name }, number, endedAt, passed, two },
    replies: shown,
  }
}
async function replyFor(db: Db, attempt: Attempt, reply: Reply, caller: PersonId, document: Parameters<typeof askedOf>[1]) {
  const { question, rubric, answer, grades, grading } = reply
  const seen = grading.state === 'waits' ? grades.filter(({ graderId }) => graderId === caller) : grades
  return {
    question: askedOf(question, document, attempt.seed),
    ...{ rubric: { words: rubric.words, criteria: [...rubric.criteria] }, answer, turn: isTheirTurn(reply, caller) },
    grades: await namedGrades(db, seen),
    apart: grading.state === 'waits' ? null : grading.apart,
    settled: grading.state === 'settled' ? grading.points : null,
    most: mostOf(rubric.criteria),
  }
}

/** What those who judged an attempt said about its replies, once all of it is judged. */
export async function saidOfReplies(db: Db, { id, drawn, passed }: Attempt): Promise<SaidOfReply[]> {
  if (passed === null) return []
  const grades = (await db.in(REPLY_GRADE).find({ attemptId: id }, { order: ['givenAt', 'graderId'] })).filter(({ words }) => words !== '')
  return drawn.flatMap((questionId) => {
    const words = grades.filter((grade) => grade.questionId === questionId).map((grade) => grade.words)
    return words.length > 0 ? [{ questionId, words }] : []
  })
}
