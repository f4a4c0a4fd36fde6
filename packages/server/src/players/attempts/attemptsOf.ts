import type { SoloAttempt, SoloResult } from '@jackdaw/contracts/players'
import { readDocument } from '@jackdaw/core/guides'
import type { AttemptId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import type { Parts } from '../../http'
import { ATTEMPT } from '../model'
import { attemptsLeft, newestEdition, ownAttempt, resultOf, viewOf, type Attempt } from './attempt'
import { expire } from './endAttempt'

/** One's own attempt as it stands. */
export const findAttempt = (
  { database, events }: Parts,
  guideId: GuideId,
  attemptId: AttemptId,
  personId: PersonId,
  now: number,
): Promise<SoloAttempt> =>
  database.transaction(async (tx) => {
    const attempt = await ownAttempt(tx, guideId, attemptId, personId)
    const late = attempt.row.ended === null && attempt.row.expiresAt <= now
    return viewOf(tx, late ? { ...attempt, row: await expire({ tx, events }, attempt) } : attempt, null)
  })

/** The rows of somebody's attempts at a guide, the newest first. */
const rowsOf = (db: Db, guideId: GuideId, personId: PersonId, most: number): Promise<Attempt[]> =>
  db.in(ATTEMPT).find({ itemKind: 'guide', itemId: guideId, personId }, { order: [['number', 'DESC']], limit: most })

/** The attempts of a person at a guide that have ended, the newest first. */
export async function attemptsOfPerson(
  db: Db,
  guideId: GuideId,
  personId: PersonId,
): Promise<{ number: number; edition: number; result: SoloResult }[]> {
  const rows = await rowsOf(db, guideId, personId, 200)
  return rows.flatMap((row) => {
    const result = resultOf(row)
    return result ? [{ number: row.number, edition: row.edition, result }] : []
  })
}

/** What somebody has done at a guide in Solo. */
export async function attemptsOf(db: Db, guideId: GuideId, personId: PersonId, now: number) {
  const { edition } = await newestEdition(db, guideId)
  const { solo, title } = readDocument(JSON.parse(edition.bytes))
  const rows = await rowsOf(db, guideId, personId, 50)
  return {
    open: rows.find((row) => row.ended === null && row.expiresAt > now)?.id ?? null,
    attemptsLeft: await attemptsLeft(db, guideId, personId, solo.attempts),
    passMark: solo.passMark,
    triesPerStep: solo.triesPerStep,
    task: solo.task,
    title,
    done: rows.flatMap((row) => {
      const result = resultOf(row)
      return result ? [{ attemptId: row.id, number: row.number, edition: row.edition, result }] : []
    }),
  }
}
