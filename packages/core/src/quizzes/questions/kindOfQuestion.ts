import type * as z from 'zod/mini'
import type { Content } from './content'

/** How an answer was marked. `partly`: some of its points; `waits`: a person has to judge it. */
export const VERDICTS = ['right', 'partly', 'wrong', 'unanswered', 'waits'] as const
/** One of {@link VERDICTS}. */
export type Verdict = (typeof VERDICTS)[number]

/** What marking has to know beyond the question and the answer. `language`: how the person writes numbers, BCP 47. */
export type MarkingIn = { language: string }

/** Shuffles a list, the same for the same seed. @param part a word for what is shuffled, so that two lists are not shuffled alike */
export type Shuffle = <T>(list: readonly T[], part: string) => T[]

/** What has to be known of a kind of question: the schemas of its three parts, and what is done with them.
 * The `ask` goes to whoever is asked; the `key` never does before it may be shown. */
export type KindOfQuestion<Ask, Key, Answer> = {
  /** What it is called, in English; other languages translate this word. */
  name: string
  ask: z.ZodMiniType<Ask>
  key: z.ZodMiniType<Key>
  answer: z.ZodMiniType<Answer>
  /** Who says whether it is right. */
  judgedBy: 'rules' | 'person'
  /** What share of the points an answer has, from 0 to 1. Not asked where a person judges. */
  mark: (ask: Ask, key: Key, answer: Answer, marking: MarkingIn) => number
  /** Whether an answer says anything at all. */
  isAnswered: (answer: Answer) => boolean
  /** The ask as somebody is shown it. `answers`: whether the author has its answers shuffled; some kinds have to be, always. */
  shown: (ask: Ask, shuffle: Shuffle, answers: boolean) => Ask
  /** Why it cannot be asked like this, in words; `null` when nothing is wrong. */
  lacks: (ask: Ask, key: Key) => string | null
  /** The contents beside prompt and explanation. */
  contents: (ask: Ask) => Content[]
  /** The same question with ids of its own for all that it is made of. @param idOf the new id for an old one, the same for the same */
  copied: (ask: Ask, key: Key, idOf: (id: string) => string) => { ask: Ask; key: Key }
  /** The answers as they are counted: for each a word that is the same for the same choice. Figures on wrong answers are made of these. */
  counted: (answer: Answer) => string[]
}

/** What most kinds have in common. */
export const PLAIN = { shown: <A>(ask: A) => ask, contents: () => [], copied: <A, K>(ask: A, key: K) => ({ ask, key }) } as const

/** What is said to whoever answers with more than there is room for. */
export const tooLong = (most: number) => `An answer has ${most.toLocaleString('en')} characters at most. Make it shorter; nothing was lost.`
