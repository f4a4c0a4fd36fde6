import { getQuizAttempt, saveAnswer } from '@jackdaw/contracts/attempts'
import type { Answer } from '@jackdaw/core/quizzes'
import type { QuizAttemptId, QuestionId } from '@jackdaw/core/shared'
import { ApiProblem, call, queryClient } from '../../api'
import type { AnswerState } from './answerState'

/** Saves one answer. @returns how it stands then */
export async function saveOne(id: QuizAttemptId, questionId: QuestionId, state: AnswerState, activeMs: number): Promise<AnswerState> {
  const { answer, revision } = state
  try {
    const saved = await call(saveAnswer, { params: { id, questionId }, body: { answer, revision, activeMs } })
    return { answer, revision: saved.revision, state: 'saved' }
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.problem.status >= 500) return { ...state, state: 'retries' }
    if (error.problem.code === 'attempt-over') return { ...state, state: 'too-late' }
    if (error.problem.code !== 'precondition-failed')
      return { ...state, state: 'refused', why: error.problem.detail ?? error.problem.title }
    return { ...state, state: 'clash', theirs: await theirsOf(id, questionId) }
  }
}
/** What another window has saved. */
async function theirsOf(id: QuizAttemptId, questionId: QuestionId): Promise<{ answer: Answer | null; revision: number }> {
  const attempt = await queryClient.fetchQuery({
    queryKey: ['quiz-attempt-now', id],
    staleTime: 0,
    gcTime: 0,
    queryFn: ({ signal }) => call(getQuizAttempt, { params: { id }, signal }),
  })
  return attempt.answers.find((each) => each.questionId === questionId) ?? { answer: null, revision: 0 }
}
