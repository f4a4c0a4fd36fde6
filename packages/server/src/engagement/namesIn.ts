import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'
import { scopeParam, type Scope } from './scope'

type Item = { kind: ItemKind; id: ItemId; number: number; title: string }

/** How the item, the owner and the person that are looked at are called. Whoever may see some people only, is told of these, of items that they
 * have used, and of owners who work here. */
export async function namesIn(db: Db, scope: Scope) {
  const all = scope.among.reportsTo === null
  const usedByReports = `exists (select 1 from use_day u where u.item_kind = i.kind and u.item_id = i.id and u.person_id = any (array(select person_id from reports_of($1::jsonb ->> 'reportsTo'))))`
  const param = [scopeParam(scope)]
  const item = scope.item
    ? ((await db.one<Item>(
        `select i.kind, i.id, i.number, i.title from item i where i.id = $1::jsonb ->> 'item' and i.title is not null and ${all ? 'true' : usedByReports}`,
        param,
      )) ?? fail('not-found', 'There is nothing here of which use is counted.'))
    : null
  const named = async (which: 'owner' | 'person', mayBe: string) =>
    scope[which]
      ? ((await db.one<{ id: PersonId; name: string }>(
          `select id, name from person where id = $1::jsonb ->> '${which}' and ${all ? 'true' : mayBe}`,
          param,
        )) ?? fail('not-found', 'There is no such person here.'))
      : null
  const owner = await named('owner', 'active')
  const person = await named('person', `id = any (array(select person_id from reports_of($1::jsonb ->> 'reportsTo')))`)
  return { item: item && { ref: itemRefOf(item.kind, item.id), number: item.number, title: item.title }, owner, person }
}
