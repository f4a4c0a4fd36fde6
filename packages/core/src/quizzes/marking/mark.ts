import type { Answer, Question } from '../questions/question'
import { kindOf } from '../questions/questionKinds'
import type { MarkingIn, Verdict } from '../questions/kindOfQuestion'

/** The version of the rules by which answers are marked; it is kept with every mark. Raised whenever the same answer would be marked otherwise. */
export const MARKING_RULES = 1

/** What came of one answer. `points`: what it has of the question's `most`; both 0 or above. */
export type Mark = { verdict: Verdict; points: number; most: number }

/** Marks an answer.
 * @param answer `null`: none was given. One of another kind than the question counts as none
 * @returns no points yet where a person has to judge it */
export function markOf(question: Question, answer: Answer | null, marking: MarkingIn): Mark {
  const { points: most } = question
  const kind = kindOf(question.kind)
  if (answer === null || answer.kind !== question.kind || !kind.isAnswered(answer.answer)) return { verdict: 'unanswered', points: 0, most }
  if (kind.judgedBy === 'person') return { verdict: 'waits', points: 0, most }
  const share = kind.mark(question.ask, question.key, answer.answer, marking)
  return { verdict: share >= 1 ? 'right' : share > 0 ? 'partly' : 'wrong', points: share * most, most }
}

/** What was chosen, as its kind counts it; nothing where nothing was. */
export function countedOf({ kind, answer }: Answer): string[] {
  const of = kindOf(kind)
  return of.isAnswered(answer) ? of.counted(answer) : []
}
