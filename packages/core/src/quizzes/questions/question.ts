import * as z from 'zod/mini'
import { entriesOf, GuideId, QuestionId, StepId } from '../../shared'
import { QUIZ_LIMITS } from '../limits'
import { Content } from './content'
import { QUESTION_KINDS, type AnswerTo, type AskOf, type KeyOf, type QuestionKind } from './questionKinds'

/** How hard its author takes a question to be. */
export const Difficulty = z.enum(['easy', 'medium', 'hard'])
/** Read by {@link Difficulty}. */
export type Difficulty = z.infer<typeof Difficulty>

/** A word by which questions are found and drawn. */
export const Tag = z.string().check(z.trim(), z.minLength(1, 'A tag has at least one letter'), z.maxLength(QUIZ_LIMITS.tag))
/** A step of a guide that a question tests. */
export const TestedStep = z.object({ guideId: GuideId, stepId: StepId })
/** Read by {@link TestedStep}. */
export type TestedStep = z.infer<typeof TestedStep>

/** What every question says, of whatever kind. */
const common = {
  id: QuestionId,
  prompt: Content,
  /** Shown after the attempt, where the author has chosen so. */
  explanation: Content,
  points: z.int().check(z.minimum(1), z.maximum(QUIZ_LIMITS.points)),
  difficulty: Difficulty,
  tags: z.array(Tag).check(z.maxLength(QUIZ_LIMITS.tags)),
  steps: z.array(TestedStep).check(z.maxLength(QUIZ_LIMITS.steps)),
} as const
type Common = { [F in keyof typeof common]: z.infer<(typeof common)[F]> }

/** A question of one of some kinds. `ask` is what whoever answers sees of it, `key` what they never do before it may be shown. */
export type QuestionOf<K extends QuestionKind> = { [E in K]: Common & { kind: E; ask: AskOf<E>; key: KeyOf<E> } }[K]
/** A question of whatever kind. */
export type Question = QuestionOf<QuestionKind>
/** A question. */
export const Question = z.discriminatedUnion(
  'kind',
  entriesOf(QUESTION_KINDS).map(([kind, { ask, key }]) => z.object({ ...common, kind: z.literal(kind), ask, key })) as never,
) as unknown as z.ZodMiniType<Question>

/** What somebody answers, with the kind of question that it answers. */
export type Answer = { [K in QuestionKind]: { kind: K; answer: AnswerTo<K> } }[QuestionKind]
/** An answer. */
export const Answer = z.discriminatedUnion(
  'kind',
  entriesOf(QUESTION_KINDS).map(([kind, { answer }]) => z.object({ kind: z.literal(kind), answer })) as never,
) as unknown as z.ZodMiniType<Answer>
