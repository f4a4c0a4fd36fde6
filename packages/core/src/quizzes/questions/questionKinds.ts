import { keysOf } from '../../shared'
import { match, order, place } from './arranging'
import { one, several, trueFalse } from './choosing'
import type { KindOfQuestion } from './kindOfQuestion'
import { recorded, written } from './replying'
import { number, text } from './typing'

/** The kinds of questions: one that is added says all of it here. */
export const QUESTION_KINDS = { one, several, 'true-false': trueFalse, text, number, order, match, place, written, recorded } as const
/** A kind of question. */
export type QuestionKind = keyof typeof QUESTION_KINDS
/** All kinds, in the order in which they are offered. */
export const ALL_QUESTION_KINDS: readonly QuestionKind[] = keysOf(QUESTION_KINDS)

/** The rubric of a question whose replies a person judges; `null` of one that is marked by rule. */
export const rubricOf = ({ kind, key }: { kind: QuestionKind; key: unknown }): KeyOf<'written'> | null =>
  kindOf(kind).judgedBy === 'person' ? (key as KeyOf<'written'>) : null

/** What a kind asks, keeps back, and is answered with. */
export type AskOf<K extends QuestionKind> = (typeof QUESTION_KINDS)[K] extends KindOfQuestion<infer Ask, infer _K, infer _A> ? Ask : never
/** Read by the schema of the key of a kind. */
export type KeyOf<K extends QuestionKind> = (typeof QUESTION_KINDS)[K] extends KindOfQuestion<infer _Q, infer Key, infer _A> ? Key : never
/** Read by the schema of the answer to a kind. */
export type AnswerTo<K extends QuestionKind> =
  (typeof QUESTION_KINDS)[K] extends KindOfQuestion<infer _Q, infer _K, infer Answer> ? Answer : never

/** A kind, where it is not said which one: what is handed to it has to have come from a question of that kind. */
export const kindOf = (kind: QuestionKind): KindOfQuestion<unknown, unknown, unknown> =>
  QUESTION_KINDS[kind] as unknown as KindOfQuestion<unknown, unknown, unknown>
