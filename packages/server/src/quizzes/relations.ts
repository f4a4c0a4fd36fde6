import type { RelationTo } from '@jackdaw/core/people'
import type { QuizAttemptId, BankId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Caller } from '../http'
import { relationsToItemSql, type RelationToItem } from '../items'

const TO_QUIZ = ['own', 'assigned', 'open', 'reports'] as const satisfies readonly RelationTo<'quiz'>[]
const TO_ATTEMPT = ['self', 'asked', 'reports'] as const satisfies readonly RelationTo<'quiz-attempt'>[]

/** Whether somebody may read a guide among whose steps the quiz stands: so it is given to them too. */
const IN_A_GUIDE = `exists (select 1 from guide_quiz s join item g on g.kind = 'guide' and g.id = s.guide_id and g.edition = s.edition and g.archived_at is null
  join item_access v on v.item_kind = g.kind and v.item_id = g.id and v.person_id = $2 where s.quiz_id = q.id)`

/** How a caller stands to a quiz; `null` when there is none. */
export async function relationsToQuiz(db: Db, caller: Caller, id: QuizId): Promise<ReadonlySet<RelationTo<'quiz'>> | null> {
  const row = await db.one<Record<RelationToItem | 'own' | 'along', boolean>>(
    `select q.owner_id = $2 as own, ${relationsToItemSql('i', '$2', '$3')}, i.edition is not null and i.archived_at is null and ${IN_A_GUIDE} as along
     from quiz q left join item i on i.kind = 'quiz' and i.id = q.id where q.id = $1`,
    [id, caller.id, caller.hasReports],
  )
  return row ? new Set(TO_QUIZ.filter((relation) => row[relation] || (relation === 'assigned' && row.along))) : null
}

/** How a caller stands to a bank; `null` when there is none. */
export async function relationsToBank(db: Db, caller: Caller, id: BankId): Promise<ReadonlySet<RelationTo<'bank'>> | null> {
  const row = await db.one<{ own: boolean }>('select owner_id = $2 as own from question_bank where id = $1', [id, caller.id])
  return row ? new Set(row.own ? ['own' as const] : []) : null
}

/** How a caller stands to an attempt at a quiz; `null` when there is none. */
export async function relationsToAttempt(
  db: Db,
  caller: Caller,
  id: QuizAttemptId,
): Promise<ReadonlySet<RelationTo<'quiz-attempt'>> | null> {
  const row = await db.one<Record<RelationTo<'quiz-attempt'>, boolean>>(
    `select a.person_id = $2 as self, exists (select 1 from reply_asked r where r.attempt_id = a.id and r.person_id = $2) or exists (select 1 from reply_grade g where g.attempt_id = a.id and g.grader_id = $2) as asked,
       $3 and exists (select 1 from reports_of($2) m where m.person_id = a.person_id) as reports from quiz_attempt a where a.id = $1`,
    [id, caller.id, caller.hasReports],
  )
  return row ? new Set(TO_ATTEMPT.filter((relation) => row[relation])) : null
}
