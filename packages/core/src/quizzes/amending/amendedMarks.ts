import type { QuestionId } from '../../shared'
import { markOf, type Mark } from '../marking/mark'
import { scoreOf, type QuizScore } from '../marking/score'
import type { MarkingIn } from '../questions/kindOfQuestion'
import type { Answer, Question } from '../questions/question'

/** What is put right of a question that turned out wrong: it counts for nothing any more, or its answers are marked anew by another key. */
export type QuestionAmendment = { how: 'voided'; questionId: QuestionId } | { how: 're-marked'; questionId: QuestionId; question: Question }

/** An answer with the mark that it has. */
export type MarkedAnswer = { questionId: QuestionId; answer: Answer | null; mark: Mark }

/** The marks of an attempt after amendments, the later over the earlier. A question that is voided has no points that could be had; what a person has
 * judged stays as it is when a question is marked anew, since no rule can say otherwise.
 * @param marking as when the attempt was marked */
export function amendedMarks(answers: readonly MarkedAnswer[], amendments: readonly QuestionAmendment[], marking: MarkingIn): Mark[] {
  return answers.map(({ questionId, answer, mark }) => {
    const amendment = amendments.findLast((each) => each.questionId === questionId)
    if (!amendment) return mark
    if (amendment.how === 'voided') return { verdict: mark.verdict, points: 0, most: 0 }
    const anew = markOf(amendment.question, answer, marking)
    return anew.verdict === 'waits' ? mark : anew
  })
}

/** What amendments do to a result. `passes` and `fails`: it is the other way round now; `points`: only the points are others. */
export type ResultChange = 'passes' | 'fails' | 'points' | 'same'
/** What has become of a result. @param before `null` or @param after `null`: a person has still to judge some of it */
export function changeOfResult(before: QuizScore | null, after: QuizScore | null): ResultChange {
  if (before === null || after === null) return 'same'
  if (before.passed !== after.passed) return after.passed ? 'passes' : 'fails'
  return before.percent === after.percent && before.right === after.right ? 'same' : 'points'
}

/** The result of an attempt before and after amendments. @param passMark of its edition */
export function amendedScore(
  answers: readonly MarkedAnswer[],
  amendments: readonly QuestionAmendment[],
  passMark: number,
  marking: MarkingIn,
): { score: QuizScore | null; change: ResultChange } {
  const before = scoreOf(
    answers.map(({ mark }) => mark),
    passMark,
  )
  const score = scoreOf(amendedMarks(answers, amendments, marking), passMark)
  return { score, change: changeOfResult(before, score) }
}
