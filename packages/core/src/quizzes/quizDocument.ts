import * as z from 'zod/mini'
import { BankId, Instant, PersonId } from '../shared'
import { Graders, NO_GRADERS } from './grading/grading'
import { QUIZ_LIMITS } from './limits'
import { Question, Tag } from './questions/question'

const words = (most: number) => z.string().check(z.maxLength(most))
const title = (what: string) => z.string().check(z.trim(), z.minLength(1, what), z.maxLength(QUIZ_LIMITS.title))
/** Id of a part of a quiz. */
const QuizPartId = z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/))
const withoutTwins = z.refine<Question[]>((all) => new Set(all.map(({ id }) => id)).size === all.length, 'Two questions have the same id')

/** A part of a quiz: a question, or so many questions that are drawn from those of a bank that have a tag. `tag`: `null` for all of the bank. */
export const QuizPart = z.discriminatedUnion('part', [
  z.object({ part: z.literal('question'), id: QuizPartId, question: Question }),
  z.object({
    part: z.literal('draw'),
    id: QuizPartId,
    bankId: BankId,
    tag: z.nullable(Tag),
    count: z.int().check(z.minimum(1, 'At least one question'), z.maximum(QUIZ_LIMITS.questions)),
  }),
])
/** Read by {@link QuizPart}. */
export type QuizPart = z.infer<typeof QuizPart>

/** What somebody is told after an attempt: whether it was passed; how many were right; which; or which, with what is right and why. */
export const TOLD_AFTER = ['nothing', 'count', 'which', 'explained'] as const
/** One of {@link TOLD_AFTER}. */
export type ToldAfter = (typeof TOLD_AFTER)[number]

/** Of which results somebody is told: every one; of attempts that were not passed; or when somebody has not passed for the third time. */
export const TELL_WHEN = ['every', 'failures', 'third-failure'] as const
/** One of {@link TELL_WHEN}. */
export type TellWhen = (typeof TELL_WHEN)[number]

const ArrangedAs = z.enum(['fixed', 'shuffled'])

/** A quiz as its author writes it. */
export const QuizDocument = z
  .object({
    title: title('Give it a title'),
    /** What stands before it begins. Plain text; an empty line begins a new paragraph. */
    words: words(QUIZ_LIMITS.words),
    parts: z.array(QuizPart).check(z.maxLength(QUIZ_LIMITS.questions)),
    questionOrder: ArrangedAs,
    answerOrder: ArrangedAs,
    /** Least percentage that passes. */
    passMark: z.int('A whole number of percent').check(z.minimum(1, 'At least 1 percent'), z.maximum(100, 'At most 100 percent')),
    /** How many attempts somebody has; `null` for as many as they like. */
    attempts: z.nullable(z.int().check(z.minimum(1), z.maximum(QUIZ_LIMITS.attempts))),
    /** So many minutes lie between an attempt that was not passed and the next. */
    waitMinutes: z.int().check(z.minimum(0), z.maximum(QUIZ_LIMITS.wait)),
    timeLimitMinutes: z.nullable(z.int().check(z.minimum(1), z.maximum(QUIZ_LIMITS.timeLimit))),
    opensAt: z.nullable(Instant),
    closesAt: z.nullable(Instant),
    afterFailing: z.enum(TOLD_AFTER),
    afterPassing: z.enum(TOLD_AFTER),
    tell: z.array(z.object({ personId: PersonId, when: z.enum(TELL_WHEN) })).check(z.maxLength(20)),
    /** Who judges what no rule can. Quizzes that were published before there were such questions name nobody. */
    graders: z._default(Graders, NO_GRADERS),
  })
  .check(
    z.refine(
      ({ parts }) => new Set(parts.flatMap((part) => (part.part === 'question' ? [part.question.id] : []))).size === questionsIn(parts),
      { error: 'Two questions have the same id', path: ['parts'] },
    ),
    z.refine(({ opensAt, closesAt }) => opensAt === null || closesAt === null || opensAt < closesAt, {
      error: 'It closes before it opens',
      path: ['closesAt'],
    }),
  )
/** Read by {@link QuizDocument}. */
export type QuizDocument = z.infer<typeof QuizDocument>
const questionsIn = (parts: readonly QuizPart[]): number => parts.filter(({ part }) => part === 'question').length

/** Questions with tags from which quizzes draw. */
export const BankDocument = z.object({
  title: title('Give it a name'),
  questions: z.array(Question).check(z.maxLength(QUIZ_LIMITS.questions), withoutTwins),
})
/** Read by {@link BankDocument}. */
export type BankDocument = z.infer<typeof BankDocument>

/** A quiz as one begins to write it. */
export const BLANK_QUIZ: QuizDocument = {
  title: '',
  words: '',
  parts: [],
  questionOrder: 'fixed',
  answerOrder: 'shuffled',
  passMark: 80,
  attempts: null,
  waitMinutes: 0,
  timeLimitMinutes: null,
  opensAt: null,
  closesAt: null,
  afterFailing: 'which',
  afterPassing: 'explained',
  tell: [],
  graders: NO_GRADERS,
}

/** How many questions an attempt has. */
export const questionsAsked = (parts: readonly QuizPart[]): number =>
  parts.reduce((sum, part) => sum + (part.part === 'draw' ? part.count : 1), 0)

/** The questions of a bank from which a part draws. */
export const poolOf = (questions: readonly Question[], tag: string | null): Question[] =>
  tag === null ? [...questions] : questions.filter(({ tags }) => tags.includes(tag))
