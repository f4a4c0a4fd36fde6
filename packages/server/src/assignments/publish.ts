import type { GivingId, GuideId, PersonId, QuizId, TaskId } from '@jackdaw/core/shared'
import type { DueRule } from '@jackdaw/core/assignments'
import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import { guideItem, quizItem, taskItem, type ItemRef } from '@jackdaw/core/items'
import { Op } from 'sequelize'
import { audienceFor, dropUnused } from '../audiences'
import type { Db } from '../db'
import { freezeEdition } from '../guides'
import { fail, type Parts } from '../http'
import type { Telling } from '../inbox'
import { EDITION, holdingEdition, ITEM, ITEM_PROGRESS, withdrawEdition } from '../items'
import { askGradersAnew, publishQuiz } from '../quizzes'
import { publishTask } from '../tasks'
import { assign } from './assign'
import { peopleOf } from './givings'
import { lockItem } from './lockItems'
import { GIVING } from './model'
import { tellReaders } from './tellReaders'

export type PublishRequest = {
  revision: number
  changeNote: string
  mustReread: boolean
  audience: AudienceChoice
  openToAll: boolean
  due: DueRule
  /** Whether those who are to read it are told. */
  tell?: boolean | undefined
}

/** Publishes a guide: freezes the draft as an edition and gives it to its audience, both or neither.
 * @param mail by what mail leaves that tells of it; `null` for none */
export async function publish(
  parts: Parts,
  mail: Telling['mail'],
  guideId: GuideId,
  request: PublishRequest,
  by: PersonId,
  now: number,
): Promise<{ edition: number; people: number }> {
  return parts.database.transaction(async (tx) => {
    const item = guideItem(guideId)
    await lockItem(tx, item)
    const { number, isNew } = await freezeEdition(tx, {
      guideId,
      revision: request.revision,
      changeNote: request.changeNote,
      mustReread: request.mustReread,
      by,
      now,
    })
    const { kind, id } = item
    await tx.in(ITEM).update({ openToAll: request.openToAll }, { kind, id })
    const was = await tx.in(GIVING).one({ itemKind: kind, itemId: id, publishing: true })
    const audienceId = await audienceFor(tx, parts, request.audience, was?.audienceId ?? null, by, now)
    const giving = { audienceId, due: request.due, givenBy: by }
    const givingId = was?.id ?? parts.newId<GivingId>()
    if (was) await tx.in(GIVING).update(giving, { id: givingId })
    else {
      const of = { id: givingId, itemKind: kind, itemId: id, publishing: true }
      await tx.in(GIVING).insert({ ...of, ...giving, use: 'to-do', givenAt: now })
    }
    if (was && was.audienceId !== audienceId) await dropUnused(tx, was.audienceId)
    await giveAnew(tx, parts, item, { again: isNew && request.mustReread, mail, tell: request.tell !== false }, now)
    return { edition: number, people: await peopleOf(tx, givingId) }
  })
}

type Anew = { again: boolean; mail: Telling['mail']; tell: boolean }
/** Brings up to date who has an item that was just published. @param anew `again`: whoever is done has to do it once more, and is given time for it */
async function giveAnew(tx: Db, parts: Parts, item: ItemRef, { again, mail, tell }: Anew, now: number): Promise<void> {
  // The required edition has just been raised, so those who were done show as not done: they are the ones to be dated anew.
  const renewed = again
    ? await tx.in(ITEM_PROGRESS).find({ itemKind: item.kind, itemId: item.id, finishedEdition: { [Op.ne]: null } }, { only: ['personId'] })
    : []
  const changes = await assign(tx, parts.newId, { item }, now, new Set(renewed.map((row) => row.personId)))
  if (tell) await tellReaders(tx, { ...parts, mail }, changes, now)
}

/** What somebody says who publishes a draft. `revision`: the state that they have seen; `again`: whoever is done has to do it once more. */
type Publishing = { revision: number; changeNote: string; again: boolean }
/** Freezes a draft as the next edition. */
type Freeze<Id> = (tx: Db, id: Id, publishing: Publishing & { by: PersonId; now: number }) => Promise<{ number: number; isNew: boolean }>

/** Publishes what is not published to somebody at once: freezes what it says as an edition, and tells those who have to do it once more. @returns the number of the edition */
async function publishToPeople<R extends ItemRef>(
  parts: Parts,
  item: R,
  freeze: Freeze<R['id']>,
  publishing: Publishing,
  by: PersonId,
  now: number,
): Promise<number> {
  return parts.database.transaction(async (tx) => {
    await lockItem(tx, item)
    const { number, isNew } = await freeze(tx, item.id, { ...publishing, by, now })
    await giveAnew(tx, parts, item, { again: isNew && publishing.again, mail: parts.mail, tell: true }, now)
    return number
  })
}
/** Publishes a task. @returns the number of the edition */
export const publishTaskToPeople = (parts: Parts, id: TaskId, publishing: Publishing, by: PersonId, now: number): Promise<number> =>
  publishToPeople(parts, taskItem(id), publishTask, publishing, by, now)
/** Publishes a quiz. @returns the number of the edition */
export function publishQuizToPeople(parts: Parts, id: QuizId, publishing: Publishing, by: PersonId, now: number): Promise<number> {
  // The new edition may name others who judge replies: what waits already is theirs then.
  const freeze: Freeze<QuizId> = async (tx, quiz, saying) => {
    const made = await publishQuiz(tx, quiz, saying)
    if (made.isNew) await askGradersAnew(tx, parts, quiz, now)
    return made
  }
  return publishToPeople(parts, quizItem(id), freeze, publishing, by, now)
}

/** Withdraws an edition of a guide; what is to be done of it is what the edition says that holds then. @returns its number */
export async function withdraw(
  parts: Parts,
  id: GuideId,
  number: number,
  { by, why, now }: { by: PersonId; why: string; now: number },
): Promise<number> {
  return parts.database.transaction(async (tx) => {
    const item = guideItem(id)
    await lockItem(tx, item)
    const edition = await tx.in(EDITION).one({ itemKind: item.kind, itemId: id, number }, { only: ['withdrawnAt'] })
    if (!edition) return fail('not-found')
    // Said twice it is done once.
    if (edition.withdrawnAt !== null) return (await holdingEdition(tx, item, number))?.edition ?? number
    const holds = await withdrawEdition(tx, item, number, { by, why, now })
    if (holds === null)
      return fail(
        'no-other-edition',
        'Archive the guide: then nobody can read it. Or publish what holds instead, and withdraw this one after that.',
      )
    await giveAnew(tx, parts, item, { again: false, mail: null, tell: true }, now)
    return holds
  })
}
