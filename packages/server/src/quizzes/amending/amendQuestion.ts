import type { HowAmended, lookAtAmendment, Reached } from '@jackdaw/contracts/amendments'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import {
  amendedMarks,
  amendedQuestions,
  amendmentsFor,
  changeOfResult,
  questionsOf,
  scoreFrom,
  whyNoRemark,
  type Answer,
  type NoRemark,
  type Question,
  type QuestionAmendment,
  type Verdict,
} from '@jackdaw/core/quizzes'
import type { PersonId, QuestionId, QuizAmendmentId, QuizId } from '@jackdaw/core/shared'
import { setImmediate } from 'node:timers/promises'
import type { Db } from '../../db'
import { fail, type Parts } from '../../http'
import { putJob } from '../../jobs'
import { QUIZ, QUIZ_AMENDMENT } from '../model'
import { editionOf } from '../writing/publishQuiz'
import { heldQuiz, ownQuestions } from '../writing/writeQuiz'
import { amendmentsOf } from './amendments'

/** So many answers are marked before others have their turn. */
const AT_ONCE = 100

/** A question as it was asked last, with the key by which its answers are marked at present; `undefined` when it was never asked. */
async function askedLast(db: Db, quizId: QuizId, questionId: QuestionId): Promise<Question | undefined> {
  const row = await db.one<{ edition: number }>(
    'select max(a.edition) as edition from quiz_attempt a where a.quiz_id = $1 and $2 = any (a.drawn) having count(*) > 0',
    [quizId, questionId],
  )
  if (!row) return undefined
  const questions = questionsOf(await editionOf(db, quizId, row.edition))
  return amendedQuestions(questions, await amendmentsOf(db, quizId, questions)).get(questionId)
}

/** A question as it stands now where it is written: in the quiz, or in one of the banks from which it has ever drawn. */
async function currentQuestion(db: Db, quizId: QuizId, questionId: QuestionId): Promise<Question | undefined> {
  const { document } = (await db.in(QUIZ).one({ id: quizId }, { only: ['document'] })) ?? fail('not-found')
  const own = ownQuestions(document).find(({ id }) => id === questionId)
  if (own) return own
  const banks = await db.rows<{ document: { questions: Question[] } }>(
    'select b.document from question_bank b where exists (select 1 from quiz_pool p where p.quiz_id = $1 and p.bank_id = b.id)',
    [quizId],
  )
  return banks.flatMap((bank) => bank.document.questions).find(({ id }) => id === questionId)
}

/** What is to be done to a question.
 * @returns why it cannot be, in a word, where it cannot
 * @throws `not-found` when it was never asked */
async function amendmentTo(
  db: Db,
  quizId: QuizId,
  questionId: QuestionId,
  how: HowAmended,
): Promise<{ question: Question; amendment: QuestionAmendment } | { why: NoRemark }> {
  const asked = (await askedLast(db, quizId, questionId)) ?? fail('not-found')
  if (how === 'voided') return { question: asked, amendment: { how, questionId } }
  const current = await currentQuestion(db, quizId, questionId)
  const why = whyNoRemark(asked, current)
  return why === null ? { question: current!, amendment: { how, questionId, question: current! } } : { why }
}

type Row = {
  edition: number
  language: string
  passed: boolean | null
  percent: number | null
  total: number | null
  total_most: number | null
  right_count: number | null
  counted: number
  answer: Answer | null
  verdict: Verdict
  points: number
  most: number
}
/** How many results an amendment would reach. */
async function reachOf(db: Db, quizId: QuizId, amendment: QuestionAmendment): Promise<Reached> {
  const { questionId } = amendment
  const rows = await db.rows<Row>(
    `select a.edition, a.language, a.passed, a.percent, a.points as total, a.most as total_most, a.right_count, coalesce(a.counted, cardinality(a.drawn)) as counted,
       w.answer, w.verdict, w.points, w.most
     from quiz_attempt a join quiz_answer w on w.attempt_id = a.id and w.question_id = $2 where a.quiz_id = $1 and a.ended_at is not null and w.verdict is not null`,
    [quizId, questionId],
  )
  const reached = { attempts: rows.length, passes: 0, fails: 0, points: 0 }
  for (const [n, row] of rows.entries()) {
    if (n % AT_ONCE === AT_ONCE - 1) await setImmediate()
    const edition = await editionOf(db, quizId, row.edition)
    const [fits] = amendmentsFor(questionsOf(edition), [amendment])
    if (!fits || row.percent === null || row.passed === null) continue
    const mark = { verdict: row.verdict, points: row.points, most: row.most }
    const [anew] = amendedMarks([{ questionId, answer: row.answer, mark }], [fits], { language: row.language })
    const before = { points: row.total ?? 0, most: row.total_most ?? 0, right: row.right_count ?? 0, questions: row.counted }
    const was = { ...before, percent: row.percent, passed: row.passed }
    const change = changeOfResult(was, scoreFrom(before, mark, anew!, edition.document.passMark))
    if (change !== 'same') reached[change]++
  }
  return reached
}

/** What an amendment would do. */
export async function lookAt(db: Db, quizId: QuizId, questionId: QuestionId, how: HowAmended): Promise<ResponseOf<typeof lookAtAmendment>> {
  const found = await amendmentTo(db, quizId, questionId, how)
  if ('why' in found) return { possible: false, why: found.why }
  return { possible: true, reached: await reachOf(db, quizId, found.amendment) }
}

const WHY: Record<NoRemark, string> = {
  gone: 'The question is not written anywhere any more. It can be taken out of the results instead.',
  judged: 'A person has judged the replies to it; no key can mark them anew.',
  'asks-otherwise': 'The question asks something else now than those who answered were asked. It can be taken out of the results instead.',
  unfinished: 'The question is not finished where it is written.',
  'same-key': 'Its key is the one by which it was marked. Put the key right where the question is written, then do this again.',
}

/** Puts a question right. What follows for attempts that are over is done as a job; those that are open are marked by it when they end.
 * @returns the amendment; where the question does not count already, the one by which it does not
 * @throws `not-amendable` */
export async function amendQuestion(
  parts: Parts,
  quizId: QuizId,
  questionId: QuestionId,
  { how, reason }: { how: HowAmended; reason: string },
  by: PersonId,
  now: number,
): Promise<QuizAmendmentId> {
  return parts.database.transaction(async (tx) => {
    await heldQuiz(tx, quizId)
    const found = await amendmentTo(tx, quizId, questionId, how)
    if ('why' in found) return fail('not-amendable', WHY[found.why])
    const before = await tx.in(QUIZ_AMENDMENT).find({ quizId }, { only: ['id', 'questionId', 'how', 'at'], order: ['at', 'id'] })
    const last = before.findLast((each) => each.questionId === questionId)
    // A double click: it does not count already.
    if (last?.how === 'voided' && how === 'voided') return last.id
    const id = parts.newId<QuizAmendmentId>()
    // One comes after the other, also within a thousandth of a second.
    const at = Math.max(now, (before.at(-1)?.at ?? 0) + 1)
    await tx.in(QUIZ_AMENDMENT).insert({ id, quizId, questionId, how, question: found.question, reason, byId: by, at })
    await putJob(tx, 'put-results-right', { amendmentId: id }, id)
    return id
  })
}
