import { Answer, AskedQuestion, QUESTION_KINDS, QUIZ_LIMITS } from '@jackdaw/core/quizzes'
import { Instant, QuestionId, QuizAttemptId, QuizId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

const judges = { access: { may: 'attempt.judge', over: 'quiz-attempt' } } as const

/** An attempt of which the asker is asked to judge something. `replies`: how many of it; `apart`: whether two have judged some of it otherwise, which
 * the asker settles. */
export const ToJudge = z.object({
  attemptId: QuizAttemptId,
  title: z.string(),
  person: z.extend(PersonRef, { site: z.string() }),
  number: z.int(),
  endedAt: Instant,
  replies: z.int(),
  apart: z.boolean(),
})
/** Read by {@link ToJudge}. */
export type ToJudge = z.infer<typeof ToJudge>
/** So many are listed at once. */
export const MOST_TO_JUDGE = 200
/** What the asker is asked to judge, what waits longest on top; `count` of all of it. */
export const listToJudge = endpoint({
  method: 'get',
  path: '/api/to-judge',
  access: { may: 'today.read' },
  response: z.object({ count: z.int(), rows: z.array(ToJudge) }),
  problems: [],
})

const Points = z.record(z.string(), Whole)
/** How somebody has judged a reply. `points`: of each line of the rubric, by its id. */
export const GivenGrade = z.object({ grader: PersonRef, points: Points, words: z.string(), at: Instant })
/** Read by {@link GivenGrade}. */
export type GivenGrade = z.infer<typeof GivenGrade>
/** A reply and how far its judging is. `turn`: whether the asker may judge it now. `grades`: those that the asker may see: their own, and the
 * others once two have judged it, so that nobody judges by what another one has given. `settled`: its points, of the rubric's `most`. */
export const JudgedReply = z.object({
  question: AskedQuestion,
  rubric: QUESTION_KINDS.written.key,
  answer: z.nullable(Answer),
  turn: z.boolean(),
  grades: z.array(GivenGrade),
  apart: z.nullable(z.number()),
  settled: z.nullable(z.number()),
  most: z.int(),
})
/** Read by {@link JudgedReply}. */
export type JudgedReply = z.infer<typeof JudgedReply>
/** The replies of an attempt for whoever judges them. */
export const getJudging = endpoint({
  method: 'get',
  path: '/api/quiz-attempts/:id/judging',
  ...judges,
  params: z.object({ id: QuizAttemptId }),
  response: z.object({
    quizId: QuizId,
    edition: z.int(),
    title: z.string(),
    person: PersonRef,
    number: z.int(),
    endedAt: Instant,
    /** `null` as long as something of it waits. */
    passed: z.nullable(z.boolean()),
    two: z.boolean(),
    replies: z.array(JudgedReply),
  }),
  problems: [],
})
/** Judges a reply. Whoever has judged it may do so anew as long as nobody else has and its judging is not settled. */
export const gradeReply = endpoint({
  method: 'put',
  path: '/api/quiz-attempts/:id/grades/:questionId',
  ...judges,
  params: z.object({ id: QuizAttemptId, questionId: QuestionId }),
  body: z.object({ points: Points, words: z.string().check(z.maxLength(QUIZ_LIMITS.words)) }),
  /** `over`: whether all of the attempt is judged now. */
  response: z.object({ over: z.boolean() }),
  problems: ['invalid', 'already-answered'],
})
