import { Question, VERDICTS } from '@jackdaw/core/quizzes'
import { Instant, QuestionId, QuizAttemptId, QuizId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

/** Which attempts are counted: the first of each person, so that nobody counts twice; or all. */
export const Counted = z.enum(['first', 'all'])
/** Read by {@link Counted}. */
export type Counted = z.infer<typeof Counted>
const Remark = z.object({
  tone: z.enum(['look', 'good', 'unknown']),
  words: z.string(),
  into: z.record(z.string(), z.union([z.string(), z.number()])),
})
/** Read by its schema. */
export type Remark = z.infer<typeof Remark>
/** What was chosen, see `choiceWords` of the core. `elsewhere`: how well those who chose it were at the other questions, from 0 to 1. */
const ChosenOften = z.object({
  words: z.union([z.object({ key: z.string() }), z.object({ plain: z.string() })]),
  choice: z.string(),
  right: z.boolean(),
  count: z.int(),
  elsewhere: z.nullable(z.number()),
})
/** A question with its figures, see `QuestionFigures` of the core. `gone`: it stands in no edition any more that is taken. */
const AnalysedQuestion = z.object({
  question: Question,
  gone: z.boolean(),
  asked: z.int(),
  right: z.int(),
  unanswered: z.int(),
  difficulty: z.number(),
  discrimination: z.nullable(z.number()),
  medianMs: z.nullable(z.number()),
  choices: z.array(ChosenOften),
  remark: Remark,
})
/** Read by its schema. */
export type AnalysedQuestion = z.infer<typeof AnalysedQuestion>
/** The figures of a quiz and its questions, from attempts that are over and judged. */
export const analyseQuiz = endpoint({
  method: 'get',
  path: '/api/quizzes/:id/analysis',
  access: { may: 'item.edit', over: 'quiz' },
  params: z.object({ id: QuizId }),
  query: z.object({ counted: z.optional(Counted) }),
  response: z.object({
    id: QuizId,
    title: z.string(),
    edition: z.int(),
    passMark: z.int(),
    /** When the first and the last of the attempts that are counted ended; `null` without any. */
    from: z.nullable(Instant),
    until: z.nullable(Instant),
    attempts: z.int(),
    meanPercent: z.nullable(z.number()),
    /** Over all attempts, whichever are counted: at which attempt so many people passed first. */
    toPass: z.object({
      people: z.int(),
      passed: z.int(),
      mean: z.nullable(z.number()),
      byAttempt: z.array(z.object({ attempt: z.int(), people: z.int() })),
    }),
    reliability: z.nullable(z.object({ by: z.enum(['kr-20', 'alpha']), value: z.number() })),
    reliabilityRemark: Remark,
    questions: z.array(AnalysedQuestion),
    /** Whether the asker may see who has answered what. */
    maySeeWho: z.boolean(),
    /** Whether the asker may put questions right. */
    mayAmend: z.boolean(),
  }),
  problems: ['invalid', 'not-published'],
})
/** Who has answered a question, and how, as far as the asker may see their records: those that a figure counts. */
export const listAnswers = endpoint({
  method: 'get',
  path: '/api/quizzes/:id/questions/:questionId/answers',
  access: { may: 'records.item', over: 'quiz' },
  params: z.object({ id: QuizId, questionId: QuestionId }),
  query: z.object({
    counted: z.optional(Counted),
    choice: z.optional(z.string().check(z.maxLength(2_000))),
    verdict: z.optional(z.enum(VERDICTS)),
  }),
  response: z.object({
    /** How many there are; at most 200 of them are listed. */
    count: z.int(),
    rows: z.array(
      z.object({
        attemptId: QuizAttemptId,
        person: PersonRef,
        number: z.int(),
        verdict: z.enum(VERDICTS),
        percent: z.int(),
        endedAt: Instant,
      }),
    ),
  }),
  problems: ['invalid'],
})
