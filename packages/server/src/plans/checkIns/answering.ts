import { aboutCheckIn } from '@jackdaw/core/inbox'
import { unanswered, type Answer, type Side } from '@jackdaw/core/plans'
import { sameValue, type CheckInId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, failField, type Parts } from '../../http'
import { notify, settle } from '../../inbox'
import { PERSON } from '../../people'
import { CHECK_IN, CHECK_IN_ANSWERS } from '../model'

const nameOf = async (tx: Db, id: PersonId): Promise<string> => (await tx.in(PERSON).one({ id }, { only: ['name'] }))?.name ?? ''

/** Writes down what one of the two answers; anew as long as the other has not answered.
 * @returns whether both have now
 * @throws `already-answered` when both had, `check-in-closed`, `invalid` when an answer is missing */
export async function answerCheckIn(parts: Parts, id: CheckInId, answers: readonly Answer[], by: PersonId, now: number): Promise<boolean> {
  return parts.database.transaction(async (tx) => {
    const checkIn = (await tx.in(CHECK_IN).one({ id }, { lock: true })) ?? fail('not-found')
    const { personId, managerId, name, questions, closedAt } = checkIn
    // Whom it was taken from while they wrote is not asked any more.
    if (by !== personId && by !== managerId) fail('not-found')
    const side: Side = by === personId ? 'person' : 'manager'
    const given = await tx.in(CHECK_IN_ANSWERS).find({ checkInId: id })
    const mine = given.find((each) => each.side === side)
    const isSame = mine !== undefined && sameValue(mine.answers, answers)
    if (given.length === 2 && isSame) return true
    if (given.length === 2)
      fail('already-answered', 'Both have answered meanwhile, so the answers stay as they are. Load the page again to see them.')
    if (closedAt !== null) fail('check-in-closed', 'The plan has ended, and this check-in is not asked any more. Nothing was sent.')
    if (answers.some(({ question }) => !questions.some((each) => each.id === question)))
      failField('body/answers', 'One of these questions is not asked. Load the page again.')
    if (new Set(answers.map(({ question }) => question)).size < answers.length)
      failField('body/answers', 'A question is answered twice. Load the page again.')
    if (unanswered(questions, answers).length > 0)
      failField('body/answers', 'Answer every question. A dash will do where you have nothing to say.')
    await tx.in(CHECK_IN_ANSWERS).insertAll([{ checkInId: id, side, personId: by, answers, at: now }], { inPlaceOf: ['answers', 'at'] })
    await settle(tx, 'check-in', aboutCheckIn(id), by, now)
    const other = side === 'person' ? managerId : personId
    const both = given.some((each) => each.side !== side)
    if (both && other !== null)
      await notify(tx, parts, 'checked-in', aboutCheckIn(id), [{ personId: other, data: { name, other: await nameOf(tx, by) } }], now)
    return both
  })
}
