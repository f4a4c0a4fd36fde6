import { getQuizAttempt, saveAnswer } from '@jackdaw/contracts/attempts'
import type { Answer } from '@jackdaw/core/quizzes'
import type { QuestionId, QuizAttemptId } from '@jackdaw/core/shared'
import { ApiProblem, call } from '../../api'
import type { Saved } from './answerSession'

type Saving = { questionId: QuestionId; answer: Answer | null; revision: number; activeMs: number }
/** Saves one answer. @returns what came of it; what goes wrong on the way is tried again */
export async function saveOne(id: QuizAttemptId, { questionId, ...body }: Saving): Promise<Saved> {
  try {
    const { revision } = await call(saveAnswer, { params: { id, questionId }, body })
    return { to: 'saved', revision }
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.problem.status >= 500) return { to: 'retries' }
    const { code, detail, title } = error.problem
    if (code === 'attempt-over') return { to: 'too-late' }
    return code === 'precondition-failed' ? whatIsThere(id, questionId) : { to: 'refused', why: detail ?? title }
  }
}
/** What another window has saved. */
async function whatIsThere(id: QuizAttemptId, questionId: QuestionId): Promise<Saved> {
  try {
    const { answers } = await call(getQuizAttempt, { params: { id } })
    const { answer, revision } = answers.find((each) => each.questionId === questionId) ?? { answer: null, revision: 0 }
    return { to: 'clash', theirs: { answer, revision } }
  } catch {
    return { to: 'retries' } // It is asked for once more with the next try.
  }
}
