import type { GuideId, NewId, PersonId } from '@jackdaw/core/shared'
import type { DueRule } from '@jackdaw/core/assignments'
import type { AudienceRule } from '@jackdaw/core/audiences'
import type { Db } from '../db'
import { freezeEdition } from '../guides'
import { failField } from '../http'
import { assign } from './assign'

export type PublishRequest = {
  revision: number
  changeNote: string
  mustReread: boolean
  audience: AudienceRule
  openToAll: boolean
  due: DueRule
}

async function refuseUnknown(tx: Db, { audience }: PublishRequest): Promise<void> {
  const known = await tx.one<{ teams: number; roles: number; people: number }>(
    `select (select count(*)::int from team where id = any ($1)) as teams, (select count(*)::int from role where id = any ($2)) as roles, (select count(*)::int from person where id = any ($3)) as people`,
    [audience.teams, audience.roles, audience.people],
  )
  for (const kind of ['teams', 'roles', 'people'] as const)
    if (known![kind] < new Set<string>(audience[kind]).size)
      failField(`/body/audience/${kind}`, 'One of these does not exist any more. Load the page again.')
}

/** Publishes a guide: freezes the draft as an edition and gives it to its audience, both or neither. */
export async function publish(
  db: Db,
  newId: NewId,
  guideId: GuideId,
  request: PublishRequest,
  by: PersonId,
  now: number,
): Promise<{ edition: number; people: number }> {
  return db.transaction(async (tx) => {
    await refuseUnknown(tx, request)
    const { number, isNew } = await freezeEdition(tx, {
      guideId,
      revision: request.revision,
      changeNote: request.changeNote,
      mustReread: request.mustReread,
      by,
      now,
    })
    await tx.rows('update guide set open_to_all = $2 where id = $1', [guideId, request.openToAll])
    await tx.rows(
      'insert into guide_audience (guide_id, rule, due) values ($1, $2, $3) on conflict (guide_id) do update set rule = excluded.rule, due = excluded.due',
      [guideId, JSON.stringify(request.audience), JSON.stringify(request.due)],
    )
    // The required edition has just been raised, so those who were done show as not done: they are the ones to be dated anew.
    const renewed =
      isNew && request.mustReread
        ? await tx.rows<{ person_id: string }>(
            `select r.person_id from reading r where r.guide_id = $1 and r.finished_edition is not null`,
            [guideId],
          )
        : []
    const people = await assign(tx, newId, {
      guideId,
      audience: request.audience,
      due: request.due,
      by,
      now,
      renewFor: new Set(renewed.map((row) => row.person_id)),
    })
    return { edition: number, people }
  })
}
