import { sameValue, type QuestionId } from '../../shared'
import { markOf, type Mark } from '../marking/mark'
import { scoreOf, type QuizScore } from '../marking/score'
import type { MarkingIn } from '../questions/kindOfQuestion'
import type { Answer, Question } from '../questions/question'
import { kindOf } from '../questions/questionKinds'

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
    // Nobody has to judge any more what does not count.
    if (amendment.how === 'voided') return { verdict: mark.verdict === 'waits' ? 'unanswered' : mark.verdict, points: 0, most: 0 }
    const anew = markOf(amendment.question, answer, marking)
    return anew.verdict === 'waits' ? mark : anew
  })
}

/** Why a question cannot be marked anew by the key that it has now: it is gone; a person judges it; it asks something else now; it is not finished;
 * or the key is the one by which it was marked. */
export type NoRemark = 'gone' | 'judged' | 'asks-otherwise' | 'unfinished' | 'same-key'
/** Why a question cannot be marked anew; `null` where it can.
 * @param asked as it was asked in an edition, or as it was marked anew last @param current as it stands now where it is written */
export function whyNoRemark(asked: Question, current: Question | undefined): NoRemark | null {
  if (!current) return 'gone'
  if (kindOf(asked.kind).judgedBy === 'person') return 'judged'
  if (!asksTheSame(asked, current)) return 'asks-otherwise'
  if (kindOf(current.kind).lacks(current.ask, current.key) !== null) return 'unfinished'
  return sameValue(asked.key, current.key) ? 'same-key' : null
}
/** Whether two questions can be answered in the same way, so that answers to the one can be marked by the key of the other. */
export const asksTheSame = (one: Question, other: Question): boolean => one.kind === other.kind && sameValue(one.ask, other.ask)

/** The questions of an edition as answers to them are marked after amendments: with the keys by which they were marked anew.
 * @param amendments in the order in which they were made */
export function amendedQuestions(
  questions: ReadonlyMap<QuestionId, Question>,
  amendments: readonly QuestionAmendment[],
): Map<QuestionId, Question> {
  const amended = new Map(questions)
  for (const amendment of amendments) {
    const asked = questions.get(amendment.questionId)
    if (asked && amendment.how === 're-marked' && asksTheSame(asked, amendment.question))
      amended.set(asked.id, { ...asked, key: amendment.question.key } as Question)
  }
  return amended
}
/** The amendments that reach an edition: those of questions that it asks in the same way. */
export const amendmentsFor = (
  questions: ReadonlyMap<QuestionId, Question>,
  amendments: readonly QuestionAmendment[],
): QuestionAmendment[] =>
  amendments.filter((amendment) => {
    const asked = questions.get(amendment.questionId)
    return asked !== undefined && (amendment.how === 'voided' || asksTheSame(asked, amendment.question))
  })

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
