import type { QuizAmongSteps, QuizStanding } from '@jackdaw/contracts/reading'
import type { GuideQuiz } from '@jackdaw/core/guides'
import type { GuideId, GuideQuizId, PersonId, QuizId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'

type Row = {
  guide_quiz_id: GuideQuizId
  quiz_id: QuizId
  title: string
  need: GuideQuiz['need']
  there: boolean
  begun: number
  ended: number
  waiting: boolean
  passed: boolean
}

/** Attempts count by the rules of the quiz: those at an edition that still counts, made since the guide has to be gone through again. */
const AMONG = keepPlan(
  'quizzes-among-steps',
  `select s.guide_quiz_id, s.quiz_id, s.need, i.title, i.edition is not null and i.archived_at is null as there,
     count(a.id)::int as begun, count(a.ended_at)::int as ended, coalesce(bool_or(a.passed), false) as passed,
     coalesce(bool_or(a.ended_at is not null and a.passed is null), false) as waiting
   from guide_quiz s join item i on i.kind = 'quiz' and i.id = s.quiz_id
   left join assignment g on g.item_kind = 'guide' and g.item_id = s.guide_id and g.person_id = $3
   left join quiz_attempt a on a.quiz_id = s.quiz_id and a.person_id = $3 and a.edition >= i.required_edition and (g.round_from is null or coalesce(a.ended_at, a.opened_at) >= g.round_from)
   where s.guide_id = $1 and s.edition = $2 group by s.guide_quiz_id, s.quiz_id, s.need, i.title, i.edition, i.archived_at, s.position order by s.position`,
)

function standingOf({ begun, ended, waiting, passed }: Row): QuizStanding {
  if (passed) return 'passed'
  if (begun > ended) return 'under-way'
  if (waiting) return 'waits'
  return ended > 0 ? 'not-passed' : 'not-begun'
}

/** Whether it goes on behind a quiz. */
const isSettled = ({ need, there, ended, passed }: Row): boolean =>
  !there || need === 'nothing' || (need === 'handed-in' ? ended > 0 : passed)

/** The quizzes among the steps of an edition of a guide, and how far somebody is with them, in the order of the guide. */
export async function quizzesAmong(db: Db, guideId: GuideId, edition: number, personId: PersonId): Promise<QuizAmongSteps[]> {
  const rows = await db.rows<Row>(AMONG, [guideId, edition, personId])
  return rows.map((row) => ({
    guideQuizId: row.guide_quiz_id,
    quizId: row.quiz_id,
    title: row.title,
    need: row.need,
    standing: standingOf(row),
    settled: isSettled(row),
    there: row.there,
  }))
}
