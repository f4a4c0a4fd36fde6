import type { listAmendments } from '@jackdaw/contracts/amendments'
import type { getAttemptRecord, PutRight } from '@jackdaw/contracts/attempts'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { wordsOf } from '@jackdaw/core/quizzes'
import type { PersonId, QuizAmendmentId, QuizAttemptId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { QUIZ_AMENDMENT } from '../model'

type Row = { id: QuizAmendmentId; by_name: string; attempts: number; passes: number; fails: number; points: number }
/** All that was put right of a quiz, the newest on top. */
export async function amendmentsOfQuiz(db: Db, quizId: QuizId): Promise<ResponseOf<typeof listAmendments>> {
  const amendments = await db.in(QUIZ_AMENDMENT).find({ quizId }, { order: [['at', 'DESC'], 'id'], limit: 200 })
  const rows = await db.rows<Row>(
    `select m.id, p.name as by_name, (select count(*)::int from quiz_attempt a where a.quiz_id = m.quiz_id and a.ended_at is not null and m.question_id = any (a.drawn)) as attempts,
       count(c.attempt_id) filter (where c.change = 'passes')::int as passes, count(c.attempt_id) filter (where c.change = 'fails')::int as fails,
       count(c.attempt_id) filter (where c.change = 'points')::int as points
     from quiz_amendment m join person p on p.id = m.by_id left join quiz_attempt_change c on c.amendment_id = m.id where m.quiz_id = $1 group by m.id, p.name`,
    [quizId],
  )
  return amendments.map(({ id, questionId, question, how, reason, byId, at, doneAt }) => {
    const { by_name: name, attempts, passes, fails, points } = rows.find((row) => row.id === id)!
    return {
      ...{ amendmentId: id, questionId, prompt: wordsOf(question.prompt), how, reason, at, doneAt },
      ...{ by: { id: byId, name }, reached: { attempts, passes, fails, points } },
    }
  })
}

type ChangeRow = {
  at: Date
  how: PutRight['how']
  change: PutRight['change']
  reason: string
  by_id: PersonId
  by_name: string
  before_percent: number
  before_passed: boolean
  after_percent: number
  after_passed: boolean
}
/** How the result of an attempt was put right, the last one first. */
export async function putRightOf(db: Db, id: QuizAttemptId): Promise<ResponseOf<typeof getAttemptRecord>['putRight']> {
  const rows = await db.rows<ChangeRow>(
    `select c.at, m.how, c.change, m.reason, m.by_id, p.name as by_name, c.before_percent, c.before_passed, c.after_percent, c.after_passed
     from quiz_attempt_change c join quiz_amendment m on m.id = c.amendment_id join person p on p.id = m.by_id where c.attempt_id = $1 order by m.at desc, m.id`,
    [id],
  )
  return rows.map(({ at, how, change, reason, ...row }) => ({
    ...{ at: at.getTime(), how, change, reason, by: { id: row.by_id, name: row.by_name } },
    before: { percent: row.before_percent, passed: row.before_passed },
    after: { percent: row.after_percent, passed: row.after_passed },
  }))
}
