import * as z from 'zod/mini'
import { BankId, QuestionId } from '../shared'
import { QuizDocument } from './quizDocument'
import { Question } from './questions/question'

/** A published quiz. It holds the questions of its banks as they were then: what happens to a bank later reaches only editions that are
 * published later, and any draw from an edition can be repeated. */
export const QuizEdition = z.object({
  document: QuizDocument,
  /** By bank, the questions from which some part draws. */
  pools: z.array(z.object({ bankId: BankId, title: z.string(), questions: z.array(Question) })),
  version: z.literal(1),
})
/** Read by {@link QuizEdition}. */
export type QuizEdition = z.infer<typeof QuizEdition>

/** Every question that an attempt at an edition may have, by its id. */
export function questionsOf({ document, pools }: Pick<QuizEdition, 'document' | 'pools'>): Map<QuestionId, Question> {
  const own = document.parts.flatMap((part) => (part.part === 'question' ? [part.question] : []))
  return new Map([...pools.flatMap(({ questions }) => questions), ...own].map((question) => [question.id, question]))
}
