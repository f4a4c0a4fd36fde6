import type { QuestionKind, QuestionOf } from '@jackdaw/core/quizzes'

/** The fields for a question of a kind: what it asks, and what is right. */
export type FieldsOf<K extends QuestionKind> = {
  question: QuestionOf<K>
  onChange: (parts: Partial<Pick<QuestionOf<K>, 'ask' | 'key'>>) => void
}
