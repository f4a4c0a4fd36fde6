import { Instant, QuestionId, QuizAmendmentId, QuizId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

const amends = { access: { may: 'item.publish', over: 'quiz' } } as const
/** How a question is put right: it counts for nothing any more, or answers are marked anew by the key that it has now where it is written. */
export const HowAmended = z.enum(['voided', 're-marked'])
/** Read by {@link HowAmended}. */
export type HowAmended = z.infer<typeof HowAmended>
/** Longest reason, in characters. */
export const MOST_AMENDING_REASON = 500

/** How many results an amendment reaches: of so many attempts that are over, so many pass now, do not pass any more, or have other points. */
export const Reached = z.object({ attempts: z.int(), passes: z.int(), fails: z.int(), points: z.int() })
/** Read by {@link Reached}. */
export type Reached = z.infer<typeof Reached>
/** What an amendment would do. `why`: why answers cannot be marked anew, see `NoRemark` of the core. */
export const lookAtAmendment = endpoint({
  method: 'get',
  path: '/api/quizzes/:id/questions/:questionId/amendment',
  ...amends,
  params: z.object({ id: QuizId, questionId: QuestionId }),
  query: z.object({ how: HowAmended }),
  response: z.union([
    z.object({ possible: z.literal(true), reached: Reached }),
    z.object({ possible: z.literal(false), why: z.enum(['gone', 'judged', 'asks-otherwise', 'unfinished', 'same-key']) }),
  ]),
  problems: ['invalid'],
})
/** Puts a question right in all attempts; whoever has another result by that is told, with the reason. */
export const amendQuestion = endpoint({
  method: 'post',
  path: '/api/quizzes/:id/questions/:questionId/amendment',
  ...amends,
  params: z.object({ id: QuizId, questionId: QuestionId }),
  body: z.object({
    how: HowAmended,
    reason: z.string().check(z.trim(), z.minLength(1, 'Say why: whoever has another result reads it'), z.maxLength(MOST_AMENDING_REASON)),
  }),
  response: z.object({ amendmentId: QuizAmendmentId }),
  problems: ['invalid', 'not-amendable'],
})

/** What was put right. `doneAt`: when all attempts had been gone through; `reached`: what came of it so far. */
export const Amendment = z.object({
  amendmentId: QuizAmendmentId,
  questionId: QuestionId,
  prompt: z.string(),
  how: HowAmended,
  reason: z.string(),
  by: PersonRef,
  at: Instant,
  doneAt: z.nullable(Instant),
  reached: Reached,
})
/** Read by {@link Amendment}. */
export type Amendment = z.infer<typeof Amendment>
/** All that was put right of a quiz, the newest on top. */
export const listAmendments = endpoint({
  method: 'get',
  path: '/api/quizzes/:id/amendments',
  access: { may: 'item.edit', over: 'quiz' },
  params: z.object({ id: QuizId }),
  response: z.array(Amendment),
  problems: [],
})
