import type { BankId, PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { HandOver } from '../http'
import { BANK, QUIZ } from './model'

/** Quizzes and banks go over with their owner. */
export const handsOverQuizzes: HandOver = {
  kind: 'quizzes',
  heldBy: async (db, person) => [...(await idsOf(db, QUIZ, person)), ...(await idsOf(db, BANK, person))],
  async pass(tx, things, from, to) {
    return [...(await passed(tx, QUIZ, things as QuizId[], from, to)), ...(await passed(tx, BANK, things as BankId[], from, to))]
  },
}
type Owned = typeof QUIZ | typeof BANK
const idsOf = async (db: Db, of: Owned, ownerId: PersonId): Promise<string[]> =>
  (await db.in(of as typeof QUIZ).find({ ownerId }, { only: ['id'] })).map(({ id }) => id)
async function passed(tx: Db, of: Owned, things: readonly (QuizId | BankId)[], from: PersonId, to: PersonId): Promise<string[]> {
  const rows = tx.in(of as typeof QUIZ)
  const ids = (await rows.find({ id: things as QuizId[], ownerId: from }, { only: ['id'], lock: true })).map(({ id }) => id)
  await rows.update({ ownerId: to }, { id: ids })
  return ids
}
