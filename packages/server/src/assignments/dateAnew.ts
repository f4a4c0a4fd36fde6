import type { ItemRef } from '@jackdaw/core/items'
import type { GroupId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts, PeopleFollower } from '../http'
import { columnsOf, doneSql } from '../items'
import { settle } from './settle'

/** Counts anew by when people are to have done what they have not done yet: after somebody was away, came to another site, or a calendar was changed. */
export async function dateAnew(tx: Db, people: readonly PersonId[], item?: ItemRef): Promise<void> {
  if (people.length === 0) return
  const lines = await tx.rows<{ id: string }>(
    `select a.id from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where a.person_id = any ($1) and ($2::text is null or a.item_kind = $2 and a.item_id = $3) and (a.due_on is not null or a.moved_on is not null)
       and not ${doneSql(columnsOf('null', 'null'))}`,
    [people, item?.kind ?? null, item?.id ?? null],
  )
  await settle(
    tx,
    lines.map(({ id }) => id),
  )
}

/** The same of those whose days count anew after a change. */
export const dateChanged: PeopleFollower = (tx, _parts, { dated }) => dateAnew(tx, dated)

/** People whose days are counted in one transaction. */
const TOGETHER = 500
/** The same of everybody at a site. */
export async function dateSiteAnew({ database }: Parts, siteId: GroupId): Promise<void> {
  const people = await database.rows<{ id: PersonId }>('select id from person where site_id = $1 and active order by id', [siteId])
  for (let at = 0; at < people.length; at += TOGETHER)
    await database.transaction((tx) =>
      dateAnew(
        tx,
        people.slice(at, at + TOGETHER).map(({ id }) => id),
      ),
    )
}
