import type { QuestionId } from '../shared'
import { BLANK_QUIZ, type QuizDocument, type QuizPart } from './quizDocument'
import { contentOf } from './questions/content'
import type { Question, QuestionOf } from './questions/question'
import type { AskOf, KeyOf, QuestionKind } from './questions/questionKinds'

/** An id of a question, for tests: 21 characters that tell its number. */
export const questionId = (n: number): QuestionId => `q${String(n).padStart(20, '0')}` as QuestionId

/** A question with all that is the same for all kinds, for tests. */
export const questionOf = <K extends QuestionKind>(kind: K, ask: AskOf<K>, key: KeyOf<K>, more: Partial<Question> = {}): QuestionOf<K> =>
  ({
    ...{ id: questionId(1), kind, prompt: contentOf('What is it?'), explanation: contentOf(), ask, key },
    ...{ points: 1, difficulty: 'medium', tags: [], steps: [], ...more },
  }) as unknown as QuestionOf<K>

/** Options with ids `option-a`, `option-b` … and words of their own. */
export const optionsOf = (...words: string[]) =>
  words.map((each, n) => ({ id: `option-${String.fromCharCode(97 + n)}`, content: contentOf(each) }))

/** A statement that is true. */
export const aQuestion = (n: number, more: Partial<Question> = {}): Question =>
  questionOf('true-false', {}, { right: true }, { ...more, id: questionId(n) } as Partial<Question>)

/** A quiz of some parts. */
export const quizOf = (parts: readonly QuizPart[], more: Partial<QuizDocument> = {}): QuizDocument => ({
  ...BLANK_QUIZ,
  title: 'A quiz',
  parts: [...parts],
  ...more,
})
