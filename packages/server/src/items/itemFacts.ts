import type { ItemFacts } from '@jackdaw/contracts/items'
import { itemRefOf, type ItemId, type ItemKind, type ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'

type Row = { kind: ItemKind; id: ItemId; number: number; title: string | null; minutes: number; usable: boolean }
const FACTS = 'i.kind, i.id, i.number, i.title, i.minutes, i.edition is not null and i.archived_at is null as usable from item i'
const shown = ({ kind, id, number, title, minutes, usable }: Row): ItemFacts => ({
  ...{ item: itemRefOf(kind, id), number, title: title ?? '', minutes: Math.max(1, minutes), usable },
})

/** What is to be known of items; such as are not there are left out. */
export const factsOf = async (db: Db, items: readonly ItemRef[]): Promise<ItemFacts[]> =>
  (await db.rows<Row>(`select ${FACTS} where i.id = any ($1)`, [items.map(({ id }) => id)])).map(shown)

const MOST_FOUND = 30
/** Published items that somebody may give, by a part of their title: those that begin with it first. */
export const findItems = async (db: Db, find: string, personId: PersonId): Promise<ItemFacts[]> =>
  (
    await db.rows<Row>(
      `select ${FACTS} where i.edition is not null and i.archived_at is null and ($1 = '' or position(plain($1) in plain(i.title)) > 0)
         and exists (select 1 from item_access v where v.person_id = $2 and v.item_kind = i.kind and v.item_id = i.id and v.why in ('own', 'shared', 'any'))
       order by position(plain($1) in plain(i.title)) <> 1, i.title, i.kind, i.number limit ${MOST_FOUND}`,
      [find, personId],
    )
  ).map(shown)
