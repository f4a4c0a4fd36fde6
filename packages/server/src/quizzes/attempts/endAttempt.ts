import type { QuizEnd } from '@jackdaw/contracts/attempts'
import { aboutAttempt } from '@jackdaw/core/inbox'
import { quizItem } from '@jackdaw/core/items'
import {
  amendedMarks,
  countedOf,
  isTold,
  MARKING_RULES,
  markOf,
  questionsOf,
  scoreOf,
  type Mark,
  type QuizDocument,
} from '@jackdaw/core/quizzes'
import { known, type PersonId, type QuestionId } from '@jackdaw/core/shared'
import { v7 as uuidV7 } from 'uuid'
import type { Attributes } from 'sequelize'
import type { Db } from '../../db'
import { addAttested, type NewEvent } from '../../events'
import type { Parts } from '../../http'
import { notify } from '../../inbox'
import { PERSON } from '../../people'
import { QUIZ_ANSWER, QUIZ_ATTEMPT, type Attempt, type QuizAnswerRow } from '../model'
import { amendmentsOf } from '../amending/amendments'
import { askGraders } from '../judging/askGraders'
import { editionOf } from '../writing/publishQuiz'

type Answered = Attributes<QuizAnswerRow>
type Marked = Answered & Mark

/** What an event about an attempt says of it. */
export const eventIn = ({ id, quizId, edition }: Attempt, at: number): Omit<NewEvent, 'verb' | 'carries' | 'attested'> => ({
  ...{ id: uuidV7(), way: null, item: quizItem(quizId), edition, visit: id, occurredAt: at },
})

/** The answers of an attempt with what they are worth, in the order in which they were asked; such as were not given are among them. */
async function marked(tx: Db, attempt: Attempt, at: number): Promise<Marked[]> {
  const questions = questionsOf(await editionOf(tx, attempt.quizId, attempt.edition))
  const amendments = await amendmentsOf(tx, attempt.quizId, questions)
  const marking = { language: attempt.language }
  const given = new Map((await tx.in(QUIZ_ANSWER).find({ attemptId: attempt.id })).map((row) => [row.questionId, row]))
  return attempt.drawn.map((questionId) => {
    const answer = given.get(questionId) ?? blankAnswer(attempt, questionId, at)
    const question = known(questions, questionId)
    const choices = answer.answer === null ? [] : countedOf(answer.answer)
    const mark = markOf(question, answer.answer, marking)
    return { ...answer, choices, ...amendedMarks([{ questionId, answer: answer.answer, mark }], amendments, marking)[0]! }
  })
}
const blankAnswer = ({ id }: Attempt, questionId: QuestionId, at: number): Answered => ({
  ...{
    attemptId: id,
    questionId,
    answer: null,
    revision: 0,
    savedAt: at,
    activeMs: 0,
    verdict: null,
    choices: null,
    points: null,
    most: null,
  },
})

/** Ends an attempt that is held: marks what was answered, and writes down what came of it.
 * @param how `at`: when it ended, by the server's clock
 * @returns it as it is now */
export async function endAttempt(
  tx: Db,
  parts: Parts,
  attempt: Attempt,
  { ended, at, now }: { ended: QuizEnd; at: number; now: number },
): Promise<Attempt> {
  const answers = await marked(tx, attempt, at)
  const { document } = await editionOf(tx, attempt.quizId, attempt.edition)
  const score = scoreOf(answers, document.passMark)
  await tx.in(QUIZ_ANSWER).insertAll(answers, { inPlaceOf: ['verdict', 'choices', 'points', 'most'] })
  const next = {
    ...{ endedAt: at, ended, rules: MARKING_RULES, activeMs: answers.reduce((sum, { activeMs }) => sum + activeMs, 0) },
    ...{ points: score?.points ?? null, most: score?.most ?? null, percent: score?.percent ?? null },
    ...{ passed: score?.passed ?? null, rightCount: score?.right ?? null, counted: score?.questions ?? null },
  }
  await tx.in(QUIZ_ATTEMPT).update(next, { id: attempt.id })
  const over = { ...attempt, ...next }
  const subject = attempt.personId
  await addAttested(tx, parts.events, { subject, now }, [
    ...answers.map(({ questionId, activeMs, verdict }) => ({
      ...{ ...eventIn(attempt, at), verb: 'question-answered', part: questionId },
      carries: { activeMs, done: verdict === 'right' },
    })),
    score
      ? { ...eventIn(attempt, at), verb: 'attempt-judged', carries: { percent: score.percent, passed: score.passed } }
      : { ...eventIn(attempt, at), verb: 'attempt-handed-in', carries: {} },
  ])
  if (score) await tellResult(tx, parts, over, document, now)
  else await askGraders(tx, parts, over, now)
  if (ended === 'time-over') await tellOver(tx, parts, over, document, answers, now)
  return over
}

/** Tells those who want to know of a result. */
export async function tellResult(tx: Db, parts: Parts, attempt: Attempt, { title, tell }: QuizDocument, now: number): Promise<void> {
  const { id, quizId, personId, number, percent, passed } = attempt
  if (tell.length === 0 || percent === null || passed === null) return
  const failures = await tx.in(QUIZ_ATTEMPT).count({ quizId, personId, passed: false })
  const wanting = tell.filter((each) => each.personId !== personId && isTold(each.when, passed, failures))
  const { name } = (await tx.in(PERSON).one({ id: personId }, { only: ['name'] }))!
  const told = (to: PersonId) => ({ personId: to, data: { title, person: name, passed, percent, attempt: number } })
  await notify(
    tx,
    parts,
    'quiz-result',
    aboutAttempt(id),
    wanting.map((each) => told(each.personId)),
    now,
  )
}

/** Tells somebody that the time of their attempt was over. */
async function tellOver(
  tx: Db,
  parts: Parts,
  attempt: Attempt,
  { title }: QuizDocument,
  answers: readonly Marked[],
  now: number,
): Promise<void> {
  const answered = answers.filter(({ verdict }) => verdict !== 'unanswered').length
  const data = { title, answered, questions: answers.length }
  await notify(tx, parts, 'time-over', aboutAttempt(attempt.id), [{ personId: attempt.personId, data }], now)
}

/** Whether the time of an attempt is over though it was not handed in. */
export const isOver = ({ endedAt, endsAt }: Pick<Attempt, 'endedAt' | 'endsAt'>, now: number): boolean =>
  endedAt === null && endsAt !== null && endsAt <= now

/** Ends an attempt that is held where its time is over. */
export const endIfOver = async (tx: Db, parts: Parts, attempt: Attempt, now: number): Promise<Attempt> =>
  isOver(attempt, now) ? endAttempt(tx, parts, attempt, { ended: 'time-over', at: attempt.endsAt!, now }) : attempt
