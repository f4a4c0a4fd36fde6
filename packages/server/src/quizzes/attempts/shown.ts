import type { getAttemptRecord, getQuiz, listQuizAttempts, QuizAttempt, RecordedAttempt } from '@jackdaw/contracts/attempts'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { STATE_ORDER } from '@jackdaw/core/items'
import {
  amendedQuestions,
  askedOf,
  attemptsLeft,
  mayBegin,
  questionsAsked,
  questionsOf,
  rubricOf,
  type Allowance,
  type QuizDocument,
} from '@jackdaw/core/quizzes'
import { known, nth, type QuizAttemptId, type LocalDate, type PersonId, type QuizId } from '@jackdaw/core/shared'
import type { LineFor } from '@jackdaw/core/assignments'
import type { Db } from '../../db'
import { fail } from '../../http'
import { columnsOf, FAVOURITE, stateParams, stateRankSql } from '../../items'
import { PERSON } from '../../people'
import { QUIZ_ANSWER, QUIZ_ATTEMPT, REPLY_GRADE, type Attempt } from '../model'
import { editionOf } from '../writing/publishQuiz'
import { amendmentsOf } from '../amending/amendments'
import { putRightOf } from '../amending/shown'
import { namedGrades, saidOfReplies } from '../judging/shown'
import { editionTaken } from './answering'
import { isOver } from './endAttempt'
import { allowanceOf, attemptsSoFar } from './soFar'
import { marksTold, resultOf, stepsToGoOver } from './told'

const MOST_SHOWN = 200

/** How far somebody is with a quiz. */
async function stateOfQuiz(db: Db, id: QuizId, personId: PersonId, now: number) {
  const row = await db.one<{ rank: number; use: LineFor | null; due_on: LocalDate | null }>(
    `select ${stateRankSql(columnsOf('$3', '$4'))} as rank, a.use, to_char(a.due_on, 'YYYY-MM-DD') as due_on
     from item i left join assignment a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = $2
     left join item_progress r on r.item_kind = i.kind and r.item_id = i.id and r.person_id = $2 where i.kind = 'quiz' and i.id = $1`,
    [id, personId, ...stateParams(now)],
  )
  return row ? { state: nth(STATE_ORDER, row.rank), use: row.use, dueOn: row.due_on } : fail('not-found')
}

/** Whether somebody may begin an attempt now, and how many they have left. */
async function beginning(db: Db, id: QuizId, personId: PersonId, rules: QuizDocument, allowance: Allowance, now: number) {
  const soFar = await attemptsSoFar(db, id, personId)
  return { begins: mayBegin(rules, allowance, soFar, now), attemptsLeft: attemptsLeft(rules, allowance, soFar.count) }
}

/** A quiz for whoever takes it. */
export async function quizFor(
  db: Db,
  id: QuizId,
  personId: PersonId,
  now: number,
): Promise<Omit<ResponseOf<typeof getQuiz>, 'mayEdit' | 'maySeeRecords'>> {
  const { number, edition } = await editionTaken(db, id)
  const { document } = await editionOf(db, id, edition)
  const { title, words, parts, passMark, timeLimitMinutes, waitMinutes, opensAt, closesAt } = document
  const attempts = await db.in(QUIZ_ATTEMPT).find({ quizId: id, personId }, { order: [['number', 'DESC']], limit: MOST_SHOWN })
  const allowance = await allowanceOf(db, id, personId)
  return {
    ...{ id, number, edition, title, words, passMark, timeLimitMinutes, waitMinutes, opensAt, closesAt },
    questions: questionsAsked(parts),
    extraPercent: allowance.extraPercent,
    favourite: (await db.in(FAVOURITE).count({ personId, itemKind: 'quiz', itemId: id })) > 0,
    ...(await stateOfQuiz(db, id, personId, now)),
    ...(await beginning(db, id, personId, document, allowance, now)),
    open: attempts.find((each) => each.endedAt === null && !isOver(each, now))?.id ?? null,
    done: await resultsOf(db, attempts),
  }
}

/** What somebody is told of attempts of theirs, each by the rules of its edition. */
async function resultsOf(db: Db, attempts: readonly Attempt[]) {
  const results = []
  for (const each of attempts) {
    const result = each.endedAt === null ? null : resultOf(each, (await editionOf(db, each.quizId, each.edition)).document)
    if (result) results.push(result)
  }
  return results
}

/** An attempt as whoever makes it sees it: no word of what is right before it may be told. */
export async function attemptFor(db: Db, attempt: Attempt, now: number): Promise<QuizAttempt> {
  const { id, quizId, number, openedAt, endsAt, personId } = attempt
  const edition = await editionOf(db, quizId, attempt.edition)
  const { document } = edition
  const questions = questionsOf(edition)
  const answers = await db.in(QUIZ_ANSWER).find({ attemptId: id })
  const result = resultOf(attempt, document)
  return {
    ...{
      attemptId: id,
      quizId,
      number,
      edition: attempt.edition,
      title: document.title,
      passMark: document.passMark,
      openedAt,
      endsAt,
      now,
    },
    questions: attempt.drawn.map((questionId) => askedOf(known(questions, questionId), document, attempt.seed)),
    answers: answers.map(({ questionId, answer, revision }) => ({ questionId, answer, revision })),
    result: result && {
      ...result,
      marks: await marksTold(db, attempt, edition, answers),
      putRight: (await putRightOf(db, id)).map(({ at, how, change, reason }) => ({ at, how, change, reason })),
      said: await saidOfReplies(db, attempt),
      goOver: await stepsToGoOver(db, attempt, edition, answers),
      ...(await beginning(db, quizId, personId, document, await allowanceOf(db, quizId, personId), now)),
    },
  }
}

const recorded = (attempt: Attempt): RecordedAttempt => {
  const { id: attemptId, number, edition, openedAt, endedAt, ended, passed, percent, rightCount: right, drawn, counted, activeMs } = attempt
  return { attemptId, number, edition, openedAt, endedAt, ended, passed, percent, right, questions: counted ?? drawn.length, activeMs }
}

/** All attempts of a person at a quiz, the newest first. @param ownEyes whether the person asks themself, and is told only what the author has them told */
export async function attemptsInRecord(
  db: Db,
  quizId: QuizId,
  personId: PersonId,
  ownEyes: boolean,
): Promise<Omit<ResponseOf<typeof listQuizAttempts>, 'mayAllow'>> {
  const { edition } =
    (await db.one<{ edition: number | null }>("select edition from item where kind = 'quiz' and id = $1", [quizId])) ?? fail('not-found')
  if (edition === null) return fail('not-found')
  const { document } = await editionOf(db, quizId, edition)
  const rows = await db.in(QUIZ_ATTEMPT).find({ quizId, personId }, { order: [['number', 'DESC']], limit: MOST_SHOWN })
  const attempts = []
  for (const each of rows) {
    const shown = recorded(each)
    const hidden =
      ownEyes && each.endedAt !== null && resultOf(each, (await editionOf(db, quizId, each.edition)).document)?.told === 'nothing'
    attempts.push(hidden ? { ...shown, percent: null, right: null } : shown)
  }
  return {
    ...{ title: document.title, limited: document.attempts !== null, timed: document.timeLimitMinutes !== null },
    ...{ attempts, allowance: await allowanceOf(db, quizId, personId) },
  }
}

/** An attempt in the records. @param withKeys whether what is right stands there too */
export async function attemptInRecord(db: Db, id: QuizAttemptId, withKeys: boolean): Promise<ResponseOf<typeof getAttemptRecord>> {
  const attempt = (await db.in(QUIZ_ATTEMPT).one({ id })) ?? fail('not-found')
  const edition = await editionOf(db, attempt.quizId, attempt.edition)
  const asked = questionsOf(edition)
  const questions = amendedQuestions(asked, await amendmentsOf(db, attempt.quizId, asked))
  const answers = new Map((await db.in(QUIZ_ANSWER).find({ attemptId: id })).map((row) => [row.questionId, row]))
  const judged = await db.in(REPLY_GRADE).find({ attemptId: id }, { order: ['givenAt', 'graderId'] })
  const grades = (await namedGrades(db, judged)).map((grade, n) => ({ questionId: judged[n]!.questionId, grade }))
  const { name } = (await db.in(PERSON).one({ id: attempt.personId }, { only: ['name'] })) ?? fail('not-found')
  return {
    ...{ quizId: attempt.quizId, title: edition.document.title, person: { id: attempt.personId, name }, attempt: recorded(attempt) },
    ...{ rules: attempt.rules, seed: attempt.seed, putRight: await putRightOf(db, id) },
    questions: attempt.drawn.map((questionId) => {
      const question = known(questions, questionId)
      const given = answers.get(questionId)
      return {
        question: askedOf(question, edition.document, attempt.seed),
        whole: withKeys ? question : null,
        answer: given?.answer ?? null,
        verdict: given?.verdict ?? null,
        ...{ points: given?.points ?? 0, most: given?.most ?? question.points, activeMs: given?.activeMs ?? 0 },
        criteria: rubricOf(question)?.criteria ?? [],
        grades: grades.filter((each) => each.questionId === questionId).map(({ grade }) => grade),
      }
    }),
  }
}
