import type { GivingId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { DueRule } from '@jackdaw/core/assignments'
import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import { guideItem } from '@jackdaw/core/items'
import { Op } from 'sequelize'
import { audienceFor, dropUnused } from '../audiences'
import { freezeEdition } from '../guides'
import type { Parts } from '../http'
import type { Telling } from '../inbox'
import { ITEM, ITEM_PROGRESS } from '../items'
import { assign } from './assign'
import { peopleOf } from './givings'
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
    // The required edition has just been raised, so those who were done show as not done: they are the ones to be dated anew.
    const renewed =
      isNew && request.mustReread
        ? await tx.in(ITEM_PROGRESS).find({ itemKind: kind, itemId: id, finishedEdition: { [Op.ne]: null } }, { only: ['personId'] })
        : []
    const changes = await assign(tx, parts.newId, { item }, now, new Set(renewed.map((row) => row.personId)))
    if (request.tell !== false) await tellReaders(tx, { ...parts, mail }, changes, now)
    return { edition: number, people: await peopleOf(tx, givingId) }
  })
}
