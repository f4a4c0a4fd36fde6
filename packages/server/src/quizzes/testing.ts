import type { Question, QuestionKind, QuizPart, AskOf, KeyOf } from '@jackdaw/core/quizzes'
import { contentOf } from '@jackdaw/core/quizzes'
import type { QuestionId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'

/** A word that stands in every answer key of a test quiz, and nowhere else. */
export const CANARY = 'canary-8f2c'

/** A question of a kind with a canary in all that is not to be seen before it may be told. */
export const questionOf = <K extends QuestionKind>(kind: K, ask: AskOf<K>, key: KeyOf<K>, more: Partial<Question> = {}): Question =>
  ({
    ...{ id: nanoid<QuestionId>(), kind, prompt: contentOf(`What is it, ${kind}?`), explanation: contentOf(CANARY), ask, key },
    ...{ points: 1, difficulty: 'medium', tags: [CANARY], steps: [], ...more },
  }) as unknown as Question

const options = (...words: string[]) => words.map((each, n) => ({ id: `option-${n}`, content: contentOf(each) }))

/** A question of each kind that is marked by rule, with its right answer. */
export const EVERY_KIND: readonly { question: Question; right: unknown; wrong: unknown }[] = [
  {
    question: questionOf('one', { options: options('four', 'five', 'six') }, { right: 'option-1' }),
    ...{ right: { option: 'option-1' }, wrong: { option: 'option-0' } },
  },
  {
    question: questionOf('several', { options: options('four', 'five', 'six') }, { right: ['option-1', 'option-2'], by: 'parts' }),
    ...{ right: { options: ['option-1', 'option-2'] }, wrong: { options: ['option-0'] } },
  },
  { question: questionOf('true-false', {}, { right: false }), right: { value: false }, wrong: { value: true } },
  {
    question: questionOf('text', {}, { accepted: [CANARY, 'mixing tank'], slips: 1, sameCase: false }),
    ...{ right: { words: 'Mixing tnak' }, wrong: { words: 'a bucket' } },
  },
  {
    question: questionOf('number', { unit: 'bar' }, { right: 987_654.5, tolerance: { of: 'absolute', amount: 0.5 } }),
    ...{ right: { words: '987,654' }, wrong: { words: '3' } },
  },
  {
    question: questionOf(
      'order',
      { entries: options('first', 'second', 'third') },
      { order: ['option-0', 'option-1', 'option-2'], by: 'all' },
    ),
    ...{ right: { order: ['option-0', 'option-1', 'option-2'] }, wrong: { order: ['option-2', 'option-1', 'option-0'] } },
  },
  {
    question: questionOf(
      'match',
      { left: options('tray', 'pump'), right: options('sown', 'runs').map(({ content }, n) => ({ id: `other-${n}`, content })) },
      {
        pairs: [
          ['option-0', 'other-0'],
          ['option-1', 'other-1'],
        ],
        by: 'parts',
      },
    ),
    right: {
      pairs: [
        ['option-0', 'other-0'],
        ['option-1', 'other-1'],
      ],
    },
    wrong: { pairs: [['option-0', 'other-1']] },
  },
]

/** Parts of a quiz that ask some questions, in this order. */
export const asking = (...questions: Question[]): QuizPart[] =>
  questions.map((question) => ({ part: 'question', id: nanoid(10), question }))
/** So many statements that are true. */
export const statements = (count: number, more: Partial<Question> = {}): Question[] =>
  Array.from({ length: count }, () => questionOf('true-false', {}, { right: true }, more))
