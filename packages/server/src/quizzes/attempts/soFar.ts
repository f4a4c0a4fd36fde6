import { NO_ALLOWANCE, type Allowance, type AttemptsSoFar } from '@jackdaw/core/quizzes'
import type { PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { QUIZ_ALLOWANCE } from '../model'

/** What somebody has been granted beyond the rules of a quiz. */
export async function allowanceOf(db: Db, quizId: QuizId, personId: PersonId): Promise<Allowance> {
  const row = await db.in(QUIZ_ALLOWANCE).one({ quizId, personId }, { only: ['extraPercent', 'extraAttempts'] })
  return row ? { extraPercent: row.extraPercent, extraAttempts: row.extraAttempts } : NO_ALLOWANCE
}

/** Whether a quiz is any business of somebody's: it is theirs to take, or they have taken it. */
export const concerns = async (db: Db, quizId: QuizId, personId: PersonId): Promise<boolean> =>
  (await db.one<{ yes: boolean }>(
    `select exists (select 1 from item_access v where v.person_id = $2 and v.item_kind = 'quiz' and v.item_id = $1)
       or exists (select 1 from quiz_attempt a where a.person_id = $2 and a.quiz_id = $1) as yes`,
    [quizId, personId],
  ))!.yes

/** What somebody has done so far: in editions that count, and in the present round. An attempt that is open counts among them. */
export async function attemptsSoFar(db: Db, quizId: QuizId, personId: PersonId): Promise<AttemptsSoFar> {
  const row = await db.one<{ count: number; failed_at: Date | null; has_passed: boolean; waits: boolean }>(
    `select count(a.id)::int as count, max(a.ended_at) filter (where not a.passed) as failed_at, coalesce(bool_or(a.passed), false) as has_passed,
       coalesce(bool_or(a.ended_at is not null and a.passed is null), false) as waits
     from item i left join assignment l on l.item_kind = 'quiz' and l.item_id = i.id and l.person_id = $2
     left join quiz_attempt a on a.quiz_id = i.id and a.person_id = $2 and a.edition >= i.required_edition and (l.round_from is null or a.opened_at >= l.round_from)
     where i.kind = 'quiz' and i.id = $1`,
    [quizId, personId],
  )
  const { count = 0, failed_at = null, has_passed: hasPassed = false, waits = false } = row ?? {}
  return { count, failedAt: failed_at?.getTime() ?? null, hasPassed, waits }
}
