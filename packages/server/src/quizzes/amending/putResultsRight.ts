import { aboutAttempt } from '@jackdaw/core/inbox'
import { quizItem } from '@jackdaw/core/items'
import { amendedMarks, changeOfResult, questionsOf, scoreOf, type Verdict } from '@jackdaw/core/quizzes'
import { nth, type QuizAmendmentId, type QuizAttemptId } from '@jackdaw/core/shared'
import type { Attributes } from 'sequelize'
import type { Db } from '../../db'
import { addAttested, amend } from '../../events'
import type { Parts } from '../../http'
import { notify } from '../../inbox'
import { withAttempt } from '../attempts/answering'
import { eventIn } from '../attempts/endAttempt'
import { askGraders } from '../judging/askGraders'
import { judgeIfSettled } from '../judging/grade'
import { QUIZ_AMENDMENT, QUIZ_ANSWER, QUIZ_ATTEMPT, QUIZ_ATTEMPT_CHANGE, type Attempt, type QuizAmendmentRow } from '../model'
import { editionOf } from '../writing/publishQuiz'
import { amendmentsOf } from './amendments'

type Amendment = Attributes<QuizAmendmentRow>

/** Goes through all attempts that were asked a question which was put right, each for itself. Doing so once more changes nothing.
 * @param progress is told how many of how many have been gone through */
export async function putResultsRight(
  parts: Parts,
  id: QuizAmendmentId,
  now: number,
  progress: (done: number, of: number) => Promise<void>,
): Promise<void> {
  const amendment = await parts.database.in(QUIZ_AMENDMENT).one({ id })
  if (!amendment) return
  const attempts = await parts.database.rows<{ id: QuizAttemptId }>(
    'select a.id from quiz_attempt a where a.quiz_id = $1 and $2 = any (a.drawn) order by a.id',
    [amendment.quizId, amendment.questionId],
  )
  for (const [n, attempt] of attempts.entries()) {
    if (n % 100 === 0) await progress(n, attempts.length)
    // Attempts that are open are marked by it when they end.
    await withAttempt(parts, attempt.id, now, async (tx, held) => {
      if (held.endedAt !== null) await putAttemptRight(tx, parts, held, amendment, now)
    })
  }
}

async function putAttemptRight(tx: Db, parts: Parts, attempt: Attempt, amendment: Amendment, now: number): Promise<void> {
  const { id: attemptId, quizId } = attempt
  const { questionId } = amendment
  const edition = await editionOf(tx, quizId, attempt.edition)
  // The last one of a question holds: another one may have been made, and done, meanwhile.
  const amendments = (await amendmentsOf(tx, quizId, questionsOf(edition))).filter((each) => each.questionId === questionId)
  if (amendments.length === 0) return
  const answers = await tx.in(QUIZ_ANSWER).find({ attemptId })
  const marks = answers.map(({ verdict, points, most }) => ({ verdict: verdict as Verdict, points: points ?? 0, most: most ?? 0 }))
  const at = answers.findIndex((each) => each.questionId === questionId)
  const marked = { questionId, answer: nth(answers, at).answer, mark: nth(marks, at) }
  const [anew] = amendedMarks([marked], amendments, { language: attempt.language })
  await tx.in(QUIZ_ANSWER).update(anew!, { attemptId, questionId })
  if (attempt.passed === null) {
    await judgeIfSettled(tx, parts, attempt, now)
    return askGraders(tx, parts, attempt, now)
  }
  const score = scoreOf(
    marks.map((mark, n) => (n === at ? anew! : mark)),
    edition.document.passMark,
  )
  if (!score) return
  const { points, most, percent, passed, right: rightCount, questions: counted } = score
  await tx.in(QUIZ_ATTEMPT).update({ points, most, percent, passed, rightCount, counted }, { id: attemptId })
  const before = { percent: attempt.percent!, passed: attempt.passed, right: attempt.rightCount!, points: 0, most: 0, questions: 0 }
  const change = changeOfResult(before, score)
  if (change === 'same') return
  await tx.in(QUIZ_ATTEMPT_CHANGE).insert({
    ...{ attemptId, amendmentId: amendment.id, change, at: now },
    ...{ beforePercent: before.percent, beforePassed: before.passed, afterPercent: percent, afterPassed: passed },
  })
  await tellEvents(tx, parts, attempt, amendment, { percent, passed }, now)
  const data = { title: edition.document.title, change, reason: amendment.reason }
  await notify(tx, parts, 'result-put-right', aboutAttempt(attemptId), [{ personId: attempt.personId, data }], now)
}

/** The result that was told before counts no more, and the one that holds now is told as of when the attempt was over: what somebody has passed, they
 * have passed then. */
async function tellEvents(
  tx: Db,
  { events }: Parts,
  attempt: Attempt,
  { reason, byId: by }: Amendment,
  carries: { percent: number; passed: boolean },
  now: number,
): Promise<void> {
  const { personId: subject, quizId, id } = attempt
  const told = await tx.rows<{ id: string; occurred_at: Date }>(
    `select e.id, e.occurred_at from event_counted e where e.item_kind = 'quiz' and e.item_id = $1 and e.subject_id = $2 and e.visit = $3 and e.verb = 'attempt-judged'`,
    [quizItem(quizId).id, subject, id],
  )
  const occurredAt = told[0]?.occurred_at.getTime() ?? attempt.endedAt ?? now
  await amend(tx, events, { subject, events: told.map((each) => each.id), verb: 'voided', reason, by, now })
  await addAttested(tx, events, { subject, by, now }, [{ ...eventIn(attempt, occurredAt), verb: 'attempt-judged', carries }])
}
