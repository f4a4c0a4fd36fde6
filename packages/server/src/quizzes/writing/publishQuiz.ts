import { createHash } from 'node:crypto'
import { quizItem } from '@jackdaw/core/items'
import { clipsOf, picturesOf, questionsAsked, questionsOf, QuizEdition } from '@jackdaw/core/quizzes'
import { canonicalJsonInTurns, type PersonId, type QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { noteClipUse, notePictureUse } from '../../files'
import { fail, othersFirst } from '../../http'
import { addEdition, EDITION, findEdition, ITEM, revisionOfEdition } from '../../items'
import { QUIZ_POOL } from '../model'
import { banksOf, findingsWith, poolsOf, type DrawnBank } from './banksOf'
import { heldQuiz } from './writeQuiz'

type Publishing = { revision: number; changeNote: string; again: boolean; by: PersonId; now: number }

/** Whether an edition draws from its banks as they are now. */
async function drawsFromThese(tx: Db, quizId: QuizId, edition: number, banks: readonly DrawnBank[]): Promise<boolean> {
  const pools = await tx.in(QUIZ_POOL).find({ quizId, edition })
  return banks.every(({ bankId, revision }) => pools.some((pool) => pool.bankId === bankId && pool.revision === revision))
}

/** Freezes the draft, with the questions of its banks, as the next edition; a draft that is the newest edition already stays that one.
 * @returns its number, and whether it is new
 * @throws `not-publishable` with the first thing that stops it */
export async function publishQuiz(
  tx: Db,
  id: QuizId,
  { revision, changeNote, again, by, now }: Publishing,
): Promise<{ number: number; isNew: boolean }> {
  const item = quizItem(id)
  const quiz = await heldQuiz(tx, id)
  const row = (await tx.in(ITEM).one(item)) ?? fail('not-found')
  if (row.archivedAt !== null) fail('item-archived', 'Take the quiz out of the archive to publish it.')
  if (quiz.revision !== revision)
    fail('draft-moved-on', 'Somebody has changed this quiz while it was open here. Look at it again, then publish.')
  const { document } = quiz
  const banks = await banksOf(tx, document)
  const stop = findingsWith(document, banks).find(({ stops }) => stops)
  if (stop) fail('not-publishable', stop.into ? { words: stop.words, into: stop.into } : stop.words)
  const isSame = row.edition !== null && (await revisionOfEdition(tx, item, row.edition)) === revision
  if (row.edition !== null && isSame && (await drawsFromThese(tx, id, row.edition, banks))) return { number: row.edition, isNew: false }
  const number = (row.edition ?? 0) + 1
  const edition: QuizEdition = { document, pools: poolsOf(document, banks), version: 1 }
  const bytes = await canonicalJsonInTurns(edition, LEVELS, othersFirst)
  await addEdition(tx, item, {
    ...{ number, revision, bytes, hash: createHash('sha256').update(bytes).digest('hex'), title: document.title, changeNote },
    ...{ mustReread: again, minutes: minutesFor(edition), parts: [], by, now },
  })
  await tx.in(QUIZ_POOL).insertAll(banks.map(({ bankId, revision: of }) => ({ quizId: id, edition: number, bankId, revision: of })))
  const questions = [...questionsOf(edition).values()]
  await notePictureUse(tx, item, number, questions.flatMap(picturesOf))
  await noteClipUse(
    tx,
    item,
    number,
    questions.flatMap(clipsOf).map((clip) => clip.id),
  )
  return { number, isNew: true }
}

/** How deep the questions of an edition lie: its document, the parts, a part; its pools, one of them, the questions. */
const LEVELS = 4

/** Minutes that a quiz is reckoned to take: its time limit, or one for each question. */
const minutesFor = ({ document }: QuizEdition): number => document.timeLimitMinutes ?? Math.max(1, questionsAsked(document.parts))

const kept = new Map<string, QuizEdition>()
const MOST_KEPT = 50
/** What an edition of a quiz says. Editions never change, so that those used last are remembered, by their hash.
 * @throws `not-found` when there is none */
export async function editionOf(db: Db, id: QuizId, number: number): Promise<QuizEdition> {
  const { hash } = (await db.in(EDITION).one({ itemKind: 'quiz', itemId: id, number }, { only: ['hash'] })) ?? fail('not-found')
  const known = kept.get(hash)
  if (known) return known
  const { bytes } = (await findEdition(db, quizItem(id), number)) ?? fail('not-found')
  const edition = QuizEdition.parse(JSON.parse(bytes))
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!)
  kept.set(hash, edition)
  return edition
}
