import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { DueRule } from '@jackdaw/core/assignments'
import type { AudienceRule } from '@jackdaw/core/audiences'
import { guideItem } from '@jackdaw/core/items'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { freezeEdition } from '../guides'
import { failField } from '../http'
import type { Telling } from '../inbox'
import { ITEM, ITEM_PROGRESS } from '../items'
import { PERSON, ROLE, TEAM } from '../people'
import { assign } from './assign'
import { ITEM_AUDIENCE } from './model'
import { tellReaders } from './tellReaders'

export type PublishRequest = {
  revision: number
  changeNote: string
  mustReread: boolean
  audience: AudienceRule
  openToAll: boolean
  due: DueRule
  /** Whether those who are to read it are told. */
  tell?: boolean | undefined
}

async function refuseUnknown(tx: Db, { audience }: PublishRequest): Promise<void> {
  const known = {
    teams: await tx.in(TEAM).count({ id: audience.teams }),
    roles: await tx.in(ROLE).count({ id: audience.roles }),
    people: await tx.in(PERSON).count({ id: audience.people }),
  }
  for (const kind of ['teams', 'roles', 'people'] as const)
    if (known[kind] < new Set<string>(audience[kind]).size)
      failField(`/body/audience/${kind}`, 'One of these does not exist any more. Load the page again.')
}

/** Publishes a guide: freezes the draft as an edition and gives it to its audience, both or neither. */
export async function publish(
  db: Db,
  telling: Telling,
  guideId: GuideId,
  request: PublishRequest,
  by: PersonId,
  now: number,
): Promise<{ edition: number; people: number }> {
  return db.transaction(async (tx) => {
    const item = guideItem(guideId)
    await refuseUnknown(tx, request)
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
    await tx
      .in(ITEM_AUDIENCE)
      .insertAll([{ itemKind: kind, itemId: id, rule: request.audience, due: request.due }], { inPlaceOf: ['rule', 'due'] })
    // The required edition has just been raised, so those who were done show as not done: they are the ones to be dated anew.
    const renewed =
      isNew && request.mustReread
        ? await tx.in(ITEM_PROGRESS).find({ itemKind: kind, itemId: id, finishedEdition: { [Op.ne]: null } }, { only: ['personId'] })
        : []
    const assigned = await assign(tx, telling.newId, {
      item,
      audience: request.audience,
      due: request.due,
      by,
      now,
      renewFor: new Set(renewed.map((row) => row.personId)),
    })
    if (request.tell !== false) await tellReaders(tx, telling, item, assigned, by, now)
    return { edition: number, people: assigned.people }
  })
}
