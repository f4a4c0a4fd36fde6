import { Answer } from '@jackdaw/core/quizzes'
import { QuestionId, type QuizAttemptId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { isPending, type AnswerState } from './answerState'

const Kept = z.array(z.tuple([QuestionId, z.object({ answer: z.nullable(Answer), revision: z.int() })]))
const nameOf = (id: QuizAttemptId) => `quiz ${id}`

/** Answers that have not come to the server yet, kept by this browser in case that the page is lost. Where it keeps nothing they live in the page only. */
export const keptAnswers = {
  read(id: QuizAttemptId): z.infer<typeof Kept> {
    try {
      return Kept.safeParse(JSON.parse(localStorage.getItem(nameOf(id)) ?? '[]')).data ?? []
    } catch {
      return [] // A browser that may not keep anything, or something else under this name.
    }
  },
  write(id: QuizAttemptId, answers: ReadonlyMap<QuestionId, AnswerState>): void {
    const unsent = [...answers].filter(([, { state }]) => isPending({ state }) || state === 'too-late')
    try {
      if (unsent.length === 0) localStorage.removeItem(nameOf(id))
      else localStorage.setItem(nameOf(id), JSON.stringify(unsent.map(([of, { answer, revision }]) => [of, { answer, revision }])))
    } catch {
      // Full, or not allowed: what is not sent stands on the page, which says so.
    }
  },
  forget(id: QuizAttemptId): void {
    try {
      localStorage.removeItem(nameOf(id))
    } catch {
      // Nothing was kept.
    }
  },
}
