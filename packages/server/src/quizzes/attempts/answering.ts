import { randomInt } from 'node:crypto'
import {
  drawQuestions,
  endsAt,
  mayBegin,
  questionsOf,
  seenIn,
  takesKind,
  type Answer,
  type Beginning,
  type Question,
} from '@jackdaw/core/quizzes'
import { quizItem } from '@jackdaw/core/items'
import { known, sameValue, type QuizAttemptId, type PersonId, type QuestionId, type QuizId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../../db'
import { addAttested, oneAtATime } from '../../events'
import { fail, said, type Caller, type Parts } from '../../http'
import { findClip } from '../../files'
import { ITEM } from '../../items'
import { QUIZ_ANSWER, QUIZ_ATTEMPT, type Attempt } from '../model'
import { editionOf } from '../writing/publishQuiz'
import { endAttempt, endIfOver, eventIn } from './endAttempt'
import { allowanceOf, attemptsSoFar } from './soFar'

/** The edition that is taken at present.
 * @throws `not-published` */
export async function editionTaken(db: Db, id: QuizId): Promise<{ number: number; edition: number }> {
  const item = (await db.in(ITEM).one(quizItem(id))) ?? fail('not-found')
  if (item.edition === null || item.archivedAt !== null) return fail('not-published', 'This quiz is not to be taken at present.')
  return { number: item.number, edition: item.edition }
}

/** Refuses to begin, in words. */
function refuse(begins: Exclude<Beginning, { may: true }>): never {
  switch (begins.reason) {
    case 'none-left':
      return fail('no-attempts-left', 'All attempts have been made. Whoever you report to, or the author, can allow another one.')
    case 'waits':
      return fail('attempt-not-yet', 'Your last attempt still waits to be judged by a person.')
    case 'closed':
      return fail('attempt-not-yet', 'This quiz is closed.')
    case 'not-open-yet':
      return fail('attempt-not-yet', said('This quiz opens at {{at}}.', { at: new Date(begins.at).toISOString() }))
    case 'too-soon':
      return fail('attempt-not-yet', said('The next attempt can be begun at {{at}}.', { at: new Date(begins.at).toISOString() }))
  }
}

/** The attempts of a person at a quiz, held, with the open one ended where its time is over. */
async function heldAttempts(tx: Db, parts: Parts, quizId: QuizId, personId: PersonId, now: number): Promise<Attempt[]> {
  await oneAtATime(tx, personId)
  const attempts: Attempt[] = []
  for (const each of await tx.in(QUIZ_ATTEMPT).find({ quizId, personId }, { order: ['number'], lock: true }))
    attempts.push(await endIfOver(tx, parts, each, now))
  return attempts
}

/** Begins an attempt, or goes on with the one that is open.
 * @throws `attempt-not-yet`, `no-attempts-left`, `not-published` */
export async function beginAttempt(
  parts: Parts,
  quizId: QuizId,
  { id: personId, language }: Pick<Caller, 'id' | 'language'>,
  now: number,
): Promise<QuizAttemptId> {
  return parts.database.transaction(async (tx) => {
    const attempts = await heldAttempts(tx, parts, quizId, personId, now)
    const open = attempts.find(({ endedAt }) => endedAt === null)
    if (open) return open.id
    const { edition } = await editionTaken(tx, quizId)
    const taken = await editionOf(tx, quizId, edition)
    const allowance = await allowanceOf(tx, quizId, personId)
    const begins = mayBegin(taken.document, allowance, await attemptsSoFar(tx, quizId, personId), now)
    if (!begins.may) return refuse(begins)
    const seed = randomInt(2 ** 32)
    const drawn = drawQuestions(taken, seed, seenIn(attempts.map((each) => each.drawn))).map(({ id }) => id)
    const id = parts.newId<QuizAttemptId>()
    const number = (attempts.at(-1)?.number ?? 0) + 1
    const row = await tx.in(QUIZ_ATTEMPT).insert({
      ...{
        id,
        quizId,
        edition,
        personId,
        number,
        seed,
        drawn,
        language,
        openedAt: now,
        endsAt: endsAt(taken.document, allowance, now),
        activeMs: 0,
      },
    })
    await addAttested(tx, parts.events, { subject: personId, now }, [{ ...eventIn(row, now), verb: 'attempt-begun', carries: {} }])
    return id
  })
}

/** A question that is asked in an attempt, as long as that is open.
 * @throws `attempt-over`; `not-found` where it is not asked */
export async function questionAsked(db: Db, id: QuizAttemptId, questionId: QuestionId, now: number): Promise<Question> {
  const attempt = (await db.in(QUIZ_ATTEMPT).one({ id })) ?? fail('not-found')
  if (!attempt.drawn.includes(questionId)) return fail('not-found')
  if (isOverAt(attempt, now)) return fail('attempt-over', 'It has ended; what is recorded now does not count any more.')
  return known(questionsOf(await editionOf(db, attempt.quizId, attempt.edition)), questionId)
}
const isOverAt = ({ endedAt, endsAt: ends }: Pick<Attempt, 'endedAt' | 'endsAt'>, now: number): boolean =>
  endedAt !== null || (ends !== null && ends <= now)

/** Refuses a clip as an answer that has not come here for this attempt, not yet all of it, or is not what is asked for. */
async function checkClip(db: Db, id: QuizAttemptId, questionId: QuestionId, answer: Answer | null, now: number): Promise<void> {
  if (answer?.kind !== 'recorded') return
  const question = await questionAsked(db, id, questionId, now)
  const clip = await findClip(db, { kind: 'quiz-attempt', id }, answer.answer.clipId)
  if (question.kind !== 'recorded' || !clip || clip.kind !== answer.answer.kind || !takesKind(question.ask, clip.kind))
    fail('invalid', 'This is no reply that can be played here. Record or send it once more; your earlier answer is kept.')
}

/** Saves an answer where the attempt is open, the question is asked in it, and nobody has saved it since. $1 attempt, $2 question, $3 answer, $4 the
 * revision that was answered anew, $5 now, $6 milliseconds spent. */
const SAVE = keepPlan(
  'save-answer',
  `with open as (select id from quiz_attempt where id = $1 and ended_at is null and (ends_at is null or ends_at > $5) and $2 = any (drawn) for share)
   insert into quiz_answer as w (attempt_id, question_id, answer, revision, saved_at, active_ms) select id, $2, $3::jsonb, 1, $5, $6 from open
   on conflict (attempt_id, question_id) do update set answer = excluded.answer, revision = w.revision + 1, saved_at = excluded.saved_at,
     active_ms = least(w.active_ms::bigint + excluded.active_ms, 2000000000)::int where w.revision = $4
   returning revision`,
)
type Saving = { questionId: QuestionId; answer: Answer | null; revision: number; activeMs: number }
/** Saves an answer.
 * @returns its revision
 * @throws `attempt-over`; `precondition-failed` when another page has saved another one meanwhile */
export async function saveAnswer(parts: Parts, id: QuizAttemptId, saving: Saving, now: number): Promise<number> {
  const { database: db } = parts
  const { questionId, answer, revision, activeMs } = saving
  await checkClip(db, id, questionId, answer, now)
  const json = answer === null ? null : JSON.stringify(answer)
  const saved = await db.one<{ revision: number }>(SAVE, [id, questionId, json, revision, new Date(now), activeMs])
  if (saved) return saved.revision
  const attempt = (await db.in(QUIZ_ATTEMPT).one({ id })) ?? fail('not-found')
  if (!attempt.drawn.includes(questionId)) return fail('not-found')
  if (isOverAt(attempt, now))
    return fail('attempt-over', 'It has ended; this answer came too late and does not count. What was saved before counts.')
  const there = await db.in(QUIZ_ANSWER).one({ attemptId: id, questionId }, { only: ['answer', 'revision'] })
  // The same, sent again because the reply was lost: it is saved already.
  if (there && sameValue(there.answer, answer)) return there.revision
  return fail(
    'precondition-failed',
    'This question has been answered in another window of yours meanwhile. Both answers are there; choose one.',
  )
}

/** Hands an attempt in; one that is over already stays as it is. */
export async function handIn(parts: Parts, id: QuizAttemptId, now: number): Promise<Attempt> {
  return withAttempt(parts, id, now, async (tx, attempt) =>
    attempt.endedAt === null ? endAttempt(tx, parts, attempt, { ended: 'handed-in', at: now, now }) : attempt,
  )
}

/** Does something with an attempt that is held; it is ended first where its time is over. */
export async function withAttempt<T>(
  parts: Parts,
  id: QuizAttemptId,
  now: number,
  work: (tx: Db, attempt: Attempt) => Promise<T>,
): Promise<T> {
  return parts.database.transaction(async (tx) => {
    const { personId } = (await tx.in(QUIZ_ATTEMPT).one({ id }, { only: ['personId'] })) ?? fail('not-found')
    await oneAtATime(tx, personId)
    const attempt = (await tx.in(QUIZ_ATTEMPT).one({ id }, { lock: true })) ?? fail('not-found')
    return work(tx, await endIfOver(tx, parts, attempt, now))
  })
}
