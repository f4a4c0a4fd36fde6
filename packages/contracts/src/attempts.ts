import { LineFor } from '@jackdaw/core/assignments'
import { ItemState } from '@jackdaw/core/items'
import { Answer, AskedQuestion, Content, Criterion, Question, QUIZ_LIMITS, TestedStep, TOLD_AFTER, VERDICTS } from '@jackdaw/core/quizzes'
import { QuizAttemptId, Instant, LocalDate, PersonId, PictureId, QuestionId, QuizId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { HowAmended } from './amendments'
import { endpoint } from './endpoint'
import { GivenGrade } from './judging'
import { PersonRef } from './people'
import { PictureSize } from './pictures'

const quiz = z.object({ id: QuizId })
const ofAttempt = { access: { may: 'attempt.answer', over: 'quiz-attempt' }, params: z.object({ id: QuizAttemptId }) } as const

/** Whether an attempt may be begun, see `Beginning` of the core. */
export const Beginning = z.union([
  z.object({ may: z.literal(true) }),
  z.object({ may: z.literal(false), reason: z.enum(['not-open-yet', 'too-soon']), at: Instant }),
  z.object({ may: z.literal(false), reason: z.enum(['closed', 'none-left', 'waits']) }),
])
const Told = z.enum(TOLD_AFTER)
/** How an attempt ended: it was handed in, or its time was over. */
export const QuizEnd = z.enum(['handed-in', 'time-over'])
/** Read by {@link QuizEnd}. */
export type QuizEnd = z.infer<typeof QuizEnd>
/** What somebody is told of an attempt of theirs that is over. `passed`: `null` as long as a person has to judge some of it; what the author does
 * not want to be told is `null`. */
export const AttemptResult = z.object({
  attemptId: QuizAttemptId,
  number: z.int(),
  edition: z.int(),
  openedAt: Instant,
  endedAt: Instant,
  ended: QuizEnd,
  passed: z.nullable(z.boolean()),
  told: Told,
  percent: z.nullable(z.int()),
  right: z.nullable(z.int()),
  questions: z.int(),
})
/** Read by {@link AttemptResult}. */
export type AttemptResult = z.infer<typeof AttemptResult>

/** A quiz for whoever takes it: what they should know before they begin, and what they have done so far. */
export const getQuiz = endpoint({
  method: 'get',
  path: '/api/quizzes/:id',
  access: { may: 'item.read', over: 'quiz' },
  params: quiz,
  response: z.object({
    id: QuizId,
    number: z.int(),
    edition: z.int(),
    title: z.string(),
    words: z.string(),
    questions: z.int(),
    passMark: z.int(),
    timeLimitMinutes: z.nullable(z.int()),
    /** More time that the asker has, in percent of the limit. */
    extraPercent: z.int(),
    waitMinutes: z.int(),
    opensAt: z.nullable(Instant),
    closesAt: z.nullable(Instant),
    favourite: z.boolean(),
    mayEdit: z.boolean(),
    maySeeRecords: z.boolean(),
    state: ItemState,
    use: z.nullable(LineFor),
    dueOn: z.nullable(LocalDate),
    begins: Beginning,
    attemptsLeft: z.nullable(z.int()),
    open: z.nullable(QuizAttemptId),
    done: z.array(AttemptResult),
  }),
  problems: ['not-published'],
})
/** Begins an attempt; one that is open already is gone on with. */
export const beginAttempt = endpoint({
  method: 'post',
  path: '/api/quizzes/:id/attempts',
  access: { may: 'item.read', over: 'quiz' },
  params: quiz,
  response: z.object({ attemptId: QuizAttemptId }),
  problems: ['not-published', 'attempt-not-yet', 'no-attempts-left'],
})

/** What somebody has answered so far. `revision`: how often it was saved. */
export const SavedAnswer = z.object({ questionId: QuestionId, answer: z.nullable(Answer), revision: z.int() })
/** Read by {@link SavedAnswer}. */
export type SavedAnswer = z.infer<typeof SavedAnswer>
/** What came of a question, as far as it is told. `explained`: what is right and why, where that is told. */
export const ToldMark = z.object({
  questionId: QuestionId,
  verdict: z.enum(VERDICTS),
  points: z.number(),
  most: z.number(),
  /** Whether it counts: a question that turned out wrong does not. */
  counts: z.boolean(),
  explained: z.nullable(z.object({ question: Question, explanation: Content })),
})
/** Read by {@link ToldMark}. */
export type ToldMark = z.infer<typeof ToldMark>
/** What those who judged a reply said about it, for whoever replied. */
export const SaidOfReply = z.object({ questionId: QuestionId, words: z.array(z.string()) })
/** Read by {@link SaidOfReply}. */
export type SaidOfReply = z.infer<typeof SaidOfReply>
/** That a result was put right, and why. */
export const PutRight = z.object({ at: Instant, how: HowAmended, change: z.enum(['passes', 'fails', 'points']), reason: z.string() })
/** Read by {@link PutRight}. */
export type PutRight = z.infer<typeof PutRight>
/** An attempt as whoever makes it sees it. `now`: by the server's clock, which is the one that counts. */
export const QuizAttempt = z.object({
  attemptId: QuizAttemptId,
  quizId: QuizId,
  number: z.int(),
  edition: z.int(),
  title: z.string(),
  passMark: z.int(),
  openedAt: Instant,
  endsAt: z.nullable(Instant),
  now: Instant,
  questions: z.array(AskedQuestion),
  answers: z.array(SavedAnswer),
  /** Once it is over. `marks`: `null` where it is not told which were right. `goOver`: the steps behind what was missed. */
  result: z.nullable(
    z.extend(AttemptResult, {
      marks: z.nullable(z.array(ToldMark)),
      said: z.array(SaidOfReply),
      putRight: z.array(PutRight),
      goOver: z.array(z.object({ guideId: TestedStep.shape.guideId, title: z.string(), steps: z.array(TestedStep.shape.stepId) })),
      begins: Beginning,
      attemptsLeft: z.nullable(z.int()),
    }),
  ),
})
/** Read by {@link QuizAttempt}. */
export type QuizAttempt = z.infer<typeof QuizAttempt>
/** One's own attempt. */
export const getQuizAttempt = endpoint({
  method: 'get',
  path: '/api/quiz-attempts/:id',
  ...ofAttempt,
  response: QuizAttempt,
  problems: [],
})
/** Longest time spent on a question that is told at once, in milliseconds. */
export const MOST_ACTIVE_MS = 3_600_000
/** Saves what somebody answers. `revision`: the one that was answered anew; where another page of theirs has saved since, nothing is changed. */
export const saveAnswer = endpoint({
  method: 'put',
  path: '/api/quiz-attempts/:id/answers/:questionId',
  access: ofAttempt.access,
  params: z.object({ id: QuizAttemptId, questionId: QuestionId }),
  body: z.object({ answer: z.nullable(Answer), revision: Whole, activeMs: z.int().check(z.minimum(0), z.maximum(MOST_ACTIVE_MS)) }),
  response: z.object({ revision: z.int() }),
  problems: ['invalid', 'precondition-failed', 'attempt-over'],
})
/** Hands an attempt in; what is not answered counts as wrong. Doing so once more changes nothing. */
export const handInAttempt = endpoint({
  method: 'post',
  path: '/api/quiz-attempts/:id/hand-in',
  ...ofAttempt,
  response: QuizAttempt,
  problems: [],
})

/** A picture that the questions of an attempt show, for whoever may see it. */
export const getAttemptPicture = endpoint({
  method: 'get',
  path: '/quiz-attempts/:id/pictures/:pictureId',
  access: { may: 'attempt.see', over: 'quiz-attempt' },
  file: true,
  params: z.object({ id: QuizAttemptId, pictureId: PictureId }),
  query: z.object({ size: z.optional(PictureSize) }),
  problems: ['not-found'],
})

/** An attempt in the records. */
export const RecordedAttempt = z.object({
  attemptId: QuizAttemptId,
  number: z.int(),
  edition: z.int(),
  openedAt: Instant,
  endedAt: z.nullable(Instant),
  ended: z.nullable(QuizEnd),
  passed: z.nullable(z.boolean()),
  percent: z.nullable(z.int()),
  right: z.nullable(z.int()),
  questions: z.int(),
  activeMs: z.int(),
})
/** Read by {@link RecordedAttempt}. */
export type RecordedAttempt = z.infer<typeof RecordedAttempt>
const ofPersonAndQuiz = z.object({ id: PersonId, quizId: QuizId })
const Allowance = z.object({
  extraPercent: z.int('A whole number of percent').check(z.minimum(0), z.maximum(QUIZ_LIMITS.extraTime)),
  extraAttempts: z.int('A whole number of attempts').check(z.minimum(0), z.maximum(QUIZ_LIMITS.attempts)),
})
/** All attempts of a person at a quiz, and what they have been granted. */
export const listQuizAttempts = endpoint({
  method: 'get',
  path: '/api/people/:id/quizzes/:quizId/attempts',
  access: { may: 'records.person', over: 'person' },
  params: ofPersonAndQuiz,
  response: z.object({
    title: z.string(),
    limited: z.boolean(),
    timed: z.boolean(),
    attempts: z.array(RecordedAttempt),
    allowance: Allowance,
    mayAllow: z.boolean(),
  }),
  problems: [],
})
/** Grants somebody more time, or more attempts, at a quiz. What is under way is not made longer. */
export const allowMore = endpoint({
  method: 'put',
  path: '/api/people/:id/quizzes/:quizId/allowance',
  access: { may: 'quiz.allow', over: 'person' },
  params: ofPersonAndQuiz,
  body: Allowance,
  problems: ['invalid'],
})
/** What somebody has answered in an attempt that is over, and what came of it. What is right stands there for those who may edit the quiz. */
export const getAttemptRecord = endpoint({
  method: 'get',
  path: '/api/quiz-attempts/:id/record',
  access: { may: 'attempt.record', over: 'quiz-attempt' },
  params: ofAttempt.params,
  response: z.object({
    quizId: QuizId,
    title: z.string(),
    person: PersonRef,
    attempt: RecordedAttempt,
    rules: z.nullable(z.int()),
    seed: z.int(),
    /** How its result was put right, the last one first. */
    putRight: z.array(
      z.extend(PutRight, {
        by: PersonRef,
        before: z.object({ percent: z.int(), passed: z.boolean() }),
        after: z.object({ percent: z.int(), passed: z.boolean() }),
      }),
    ),
    questions: z.array(
      z.object({
        question: AskedQuestion,
        /** With its key, for those who may see it. */
        whole: z.nullable(Question),
        answer: z.nullable(Answer),
        verdict: z.nullable(z.enum(VERDICTS)),
        points: z.number(),
        most: z.number(),
        activeMs: z.int(),
        /** How it was judged by people, and by what. */
        grades: z.array(GivenGrade),
        criteria: z.array(Criterion),
      }),
    ),
  }),
  problems: ['not-found'],
})
