import type { Counted, listAnswers } from '@jackdaw/contracts/quizAnalysis'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { Verdict } from '@jackdaw/core/quizzes'
import type { PersonId, QuestionId, QuizAttemptId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { COUNTED } from './analysis'

type Row = {
  id: QuizAttemptId
  person_id: PersonId
  name: string
  number: number
  verdict: Verdict
  percent: number
  ended_at: Date
  count: number
}
type Asked = { counted: Counted; choice: string | null; verdict: Verdict | null; caller: PersonId; seesAll: boolean }

/** Who has answered a question, and how: those that somebody may see the records of, the newest first. */
export async function answersTo(
  db: Db,
  id: QuizId,
  question: QuestionId,
  { counted, choice, verdict, caller, seesAll }: Asked,
): Promise<ResponseOf<typeof listAnswers>> {
  const rows = await db.rows<Row>(
    `select a.id, a.person_id, p.name, a.number, w.verdict, a.percent, a.ended_at, count(*) over ()::int as count
     from quiz_attempt a join quiz_answer w on w.attempt_id = a.id and w.question_id = $3 and w.verdict is not null join person p on p.id = a.person_id
     where ${COUNTED} and ($4::text is null or $4 = any (w.choices)) and ($5::text is null or w.verdict = $5)
       and ($7 or exists (select 1 from reports_of($6) m where m.person_id = a.person_id)) order by a.ended_at desc, a.id limit 200`,
    [id, counted === 'first', question, choice, verdict, caller, seesAll],
  )
  return {
    count: rows[0]?.count ?? 0,
    rows: rows.map(({ id: attemptId, person_id, name, number, verdict: how, percent, ended_at }) => ({
      ...{ attemptId, person: { id: person_id, name }, number, verdict: how, percent, endedAt: ended_at.getTime() },
    })),
  }
}
