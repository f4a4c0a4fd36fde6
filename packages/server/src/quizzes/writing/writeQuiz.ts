import { ITEM_KINDS, quizItem } from '@jackdaw/core/items'
import { gradersIn, type Question, type QuizDocument, type QuizFinding } from '@jackdaw/core/quizzes'
import type { PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, failField } from '../../http'
import { ITEM } from '../../items'
import { PERSON } from '../../people'
import { QUIZ, type QuizRow } from '../model'
import { banksOf, findingsWith } from './banksOf'
import { checkQuizFiles } from './checkFiles'

/** A quiz that is there, held until the end of the transaction.
 * @throws `not-found` */
export const heldQuiz = async (tx: Db, id: QuizId): Promise<QuizRow> =>
  ((await tx.in(QUIZ).one({ id }, { lock: true })) as QuizRow | undefined) ?? fail('not-found')

/** The questions that stand in a quiz itself. */
export const ownQuestions = ({ parts }: QuizDocument): Question[] =>
  parts.flatMap((part) => (part.part === 'question' ? [part.question] : []))

/** Refuses a document that names what cannot be meant.
 * @param id the quiz whose pictures and clips it may show; `null` for one that is still to be made
 * @param before what it said before: what it named then it may go on naming */
async function check(db: Db, id: QuizId | null, document: QuizDocument, before: QuizDocument | null): Promise<void> {
  await checkQuizFiles(db, id, ownQuestions(document))
  await checkPeople(db, 'body/document/tell', toldIn(document), before === null ? [] : toldIn(before))
  await checkPeople(db, 'body/document/graders/people', document.graders.people, before === null ? [] : gradersIn(before.graders))
  const { third } = document.graders
  if (third !== null) await checkPeople(db, 'body/document/graders/third', [third], before === null ? [] : gradersIn(before.graders))
  const known = new Set(before?.parts.flatMap((part) => (part.part === 'draw' ? [part.bankId] : [])))
  const banks = await banksOf(db, document)
  const gone = document.parts.some(
    (part) => part.part === 'draw' && !known.has(part.bankId) && !banks.some((bank) => bank.bankId === part.bankId),
  )
  if (gone) failField('body/document/parts', 'A bank from which it draws is not there. Choose another one.')
}

const toldIn = ({ tell }: QuizDocument): PersonId[] => tell.map(({ personId }) => personId)
/** Refuses people who stand there twice, and such as do not work here unless they were named before. */
async function checkPeople(db: Db, pointer: string, people: readonly PersonId[], before: readonly PersonId[]): Promise<void> {
  if (new Set(people).size < people.length) failField(pointer, 'Somebody stands there twice.')
  const added = people.filter((id) => !before.includes(id))
  if (added.length > 0 && (await db.in(PERSON).count({ id: added, active: true })) < added.length)
    failField(pointer, 'Somebody who is named does not work here. Take them out.')
}

/** Makes a quiz with its draft. */
export async function createQuiz(
  db: Db,
  { id, document, ownerId, now }: { id: QuizId; document: QuizDocument; ownerId: PersonId; now: number },
): Promise<void> {
  await check(db, null, document, null)
  await db.transaction(async (tx) => {
    const { number } = await tx.in(QUIZ).insert({ id, ownerId, revision: 1, document, createdAt: now, changedAt: now, changedBy: ownerId })
    await tx.in(ITEM).insert({ ...quizItem(id), number, claimSuffices: ITEM_KINDS.quiz.claimSuffices })
  })
}

/** Writes the draft anew.
 * @returns its revision, and what is to be said about it
 * @throws `draft-moved-on` when somebody has changed it meanwhile */
export async function saveQuiz(
  db: Db,
  id: QuizId,
  { revision, document }: { revision: number; document: QuizDocument },
  by: PersonId,
  now: number,
): Promise<{ revision: number; findings: QuizFinding[] }> {
  return db.transaction(async (tx) => {
    const was = await heldQuiz(tx, id)
    await check(tx, id, document, was.document)
    if (was.revision !== revision)
      fail('draft-moved-on', 'Somebody has changed this quiz while it was open here. Copy what you wrote, and load it again.')
    await tx.in(QUIZ).update({ document, revision: revision + 1, changedAt: now, changedBy: by }, { id })
    return { revision: revision + 1, findings: findingsWith(document, await banksOf(tx, document)) }
  })
}
