import type { AskedQuestion, AnswerTo, QuestionKind } from '@jackdaw/core/quizzes'
import type { FileSource } from '../../ContentView'

/** What somebody answers a question of a kind with. `answer`: `null` as long as nothing is; `atOnce`: it is said by one press, and saved without waiting for more. */
export type AnswerField<K extends QuestionKind> = {
  question: Extract<AskedQuestion, { kind: K }>
  answer: AnswerTo<K> | null
  disabled: boolean
  source: FileSource
  onAnswer: (answer: AnswerTo<K> | null, atOnce?: boolean) => void
}
