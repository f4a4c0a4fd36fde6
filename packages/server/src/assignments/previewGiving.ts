import type { BodyOf, ResponseOf } from '@jackdaw/contracts/endpoint'
import type { previewGiving } from '@jackdaw/contracts/assignments'
import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { idsOf, membersOf } from '../audiences'
import type { Db } from '../db'
import { columnsOf, doneSql } from '../items'

/** Whom an audience would reach with an item, and what each of them has of it already. */
export async function previewOf(
  db: Db,
  { kind, id }: ItemRef,
  audience: BodyOf<typeof previewGiving>['audience'],
  now: number,
): Promise<ResponseOf<typeof previewGiving>> {
  const [{ people }, all] = [await membersOf(db, audience, '', now), await idsOf(db, audience, now)]
  const has = await db.rows<{ person: PersonId; done: boolean }>(
    `select person_id as person, ${doneSql(columnsOf('null', 'null'))} as done
     from (select * from assignment where item_kind = $1 and item_id = $2) a full join (select * from item_progress where item_kind = $1 and item_id = $2) r using (person_id)
     join item i on i.kind = $1 and i.id = $2`,
    [kind, id],
  )
  const standing = new Map(has.flatMap(({ person, done }) => (all.has(person) ? [[person, done ? 'done' : 'has'] as const] : [])))
  const done = [...standing.values()].filter((each) => each === 'done').length
  return {
    counts: { people: all.size, new: all.size - standing.size, has: standing.size - done, done },
    people: people.map(({ id: person, name, site }) => ({ id: person, name, site, now: standing.get(person) ?? 'new' })),
  }
}
