import type { BodyOf } from '@jackdaw/contracts/endpoint'
import type * as contract from '@jackdaw/contracts/judging'
import { aboutAttempt } from '@jackdaw/core/inbox'
import { gradingOf, judgedMark, scoreOf, type Verdict } from '@jackdaw/core/quizzes'
import type { PersonId, QuestionId, QuizAttemptId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { addAttested } from '../../events'
import { fail, failField, type Parts } from '../../http'
import { notify } from '../../inbox'
import { withAttempt } from '../attempts/answering'
import { eventIn, tellResult } from '../attempts/endAttempt'
import { QUIZ_ANSWER, QUIZ_ATTEMPT, REPLY_GRADE, type Attempt } from '../model'
import { editionOf } from '../writing/publishQuiz'
import { askGraders } from './askGraders'
import { repliesOf, type Reply } from './judgingOf'

/** Whether somebody who has judged a reply may still change what they gave: nobody has built on it yet. */
const mayChange = ({ grading, grades }: Reply, by: PersonId): boolean =>
  grading.state === 'waits' && grades.length === 1 && grades[0]!.graderId === by

/** Whether somebody may judge a reply now. */
export const isTheirTurn = (reply: Reply, by: PersonId): boolean => reply.may.includes(by) || mayChange(reply, by)

function checkPoints({ rubric: { criteria } }: Reply, points: Readonly<Record<string, number>>): void {
  const wrong = criteria.find(({ id, most }) => points[id] === undefined || points[id] > most)
  if (wrong) failField('body/points', 'Give points for each line of the rubric, no more than there are for it.')
  if (Object.keys(points).length !== criteria.length) failField('body/points', 'There are points for something that is not in the rubric.')
}

/** Judges a reply. Once all replies of an attempt are judged, its result stands, and the learner is told.
 * @returns whether all of it is judged now
 * @throws `already-answered` where it is not, or no more, the turn of whoever judges */
export async function gradeReply(
  parts: Parts,
  id: QuizAttemptId,
  questionId: QuestionId,
  { points, words }: BodyOf<typeof contract.gradeReply>,
  by: PersonId,
  now: number,
): Promise<boolean> {
  return withAttempt(parts, id, now, async (tx, attempt) => {
    const reply = (await repliesOf(tx, attempt)).replies.find(({ question }) => question.id === questionId) ?? fail('not-found')
    if (!isTheirTurn(reply, by))
      return fail('already-answered', 'It is not your turn to judge this reply, or no more. Nothing was changed.')
    checkPoints(reply, points)
    // The order in which they were given tells who settles it, also within a thousandth of a second.
    const givenAt = Math.max(now, ...reply.grades.map((each) => each.givenAt + 1))
    const grade = { attemptId: id, questionId, graderId: by, points, words: words.trim(), givenAt }
    await tx.in(REPLY_GRADE).insertAll([grade], { inPlaceOf: ['points', 'words', 'givenAt'] })
    const { two } = (await editionOf(tx, attempt.quizId, attempt.edition)).document.graders
    const grades = [...reply.grades.filter(({ graderId }) => graderId !== by), grade]
    const grading = gradingOf(reply.rubric.criteria, grades, two)
    if (grading.state === 'settled') {
      const mark = judgedMark(reply.question, reply.rubric.criteria, grading.points)
      await tx.in(QUIZ_ANSWER).update(mark, { attemptId: id, questionId })
    }
    const over = await judgeIfSettled(tx, parts, attempt, now)
    await askGraders(tx, parts, attempt, now)
    return over
  })
}

/** Writes down what came of an attempt once nothing of it waits any more. */
export async function judgeIfSettled(tx: Db, parts: Parts, attempt: Attempt, now: number): Promise<boolean> {
  const answers = await tx.in(QUIZ_ANSWER).find({ attemptId: attempt.id })
  const { document } = await editionOf(tx, attempt.quizId, attempt.edition)
  const marks = answers.map(({ verdict, points, most }) => ({ verdict: verdict as Verdict, points: points ?? 0, most: most ?? 0 }))
  const score = scoreOf(marks, document.passMark)
  if (!score) return false
  const { points, most, percent, passed, right: rightCount, questions: counted } = score
  const next = { points, most, percent, passed, rightCount, counted }
  await tx.in(QUIZ_ATTEMPT).update(next, { id: attempt.id })
  const { personId } = attempt
  await addAttested(tx, parts.events, { subject: personId, now }, [
    { ...eventIn(attempt, now), verb: 'attempt-judged', carries: { percent, passed } },
  ])
  await notify(tx, parts, 'judged', aboutAttempt(attempt.id), [{ personId, data: { title: document.title, passed } }], now)
  await tellResult(tx, parts, { ...attempt, ...next }, document, now)
  return true
}
