import { questionLacks, wordsOf, type Question } from '@jackdaw/core/quizzes'

type About = { words: string; lacks: boolean }
const KNOWN = new WeakMap<Question, About>()

/** What the ruler says of a question: its words, and whether it is not finished. Remembered for as long as the question is the same. */
export function aboutQuestion(question: Question): About {
  const known = KNOWN.get(question) ?? { words: wordsOf(question.prompt), lacks: questionLacks(question) !== null }
  KNOWN.set(question, known)
  return known
}
