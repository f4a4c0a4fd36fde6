import type { FoundAgain } from '@jackdaw/contracts/reading'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'

type List = 'favourites' | 'usedLast' | 'fresh'
type Row = { list: List; kind: ItemKind; id: ItemId; title: string; minutes: number; at: Date }

/** So many stand in each list, and so long an edition counts as new. */
const LISTED = 6
const NEW_MS = 14 * 86_400_000

const SHOWN = 'i.archived_at is null and i.edition is not null'
const MAY_READ = 'exists (select 1 from item_access v where v.person_id = $1 and v.item_kind = i.kind and v.item_id = i.id)'
const list = (name: List, from: string, at: string, where: string): string =>
  `(select '${name}' as list, i.kind, i.id, i.title, i.minutes, ${at} as at from ${from} where ${SHOWN} and ${where} order by ${at} desc, i.id limit ${LISTED})`
const FOUND = keepPlan(
  'found-again',
  [
    list('favourites', 'favourite f join item i on i.kind = f.item_kind and i.id = f.item_id', 'f.at', `f.person_id = $1 and ${MAY_READ}`),
    list(
      'usedLast',
      'item_progress r join item i on i.kind = r.item_kind and i.id = r.item_id',
      'r.last_at',
      `r.person_id = $1 and r.last_at is not null and ${MAY_READ}`,
    ),
    // What is open to all, or given to be looked up; what is to be done stands in the list of that.
    list(
      'fresh',
      'item i join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition left join assignment a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = $1',
      'e.published_at',
      `e.published_at > $2 and e.published_by <> $1 and (a.use <> 'to-do' or a.id is null and i.open_to_all)
        and not exists (select 1 from item_progress r where r.item_kind = i.kind and r.item_id = i.id and r.person_id = $1 and r.last_at >= e.published_at)`,
    ),
  ].join(' union all '),
)

/** What somebody finds again, and what is new for them without having to be done. */
export async function foundAgain(db: Db, personId: PersonId, now: number): Promise<Record<List, FoundAgain[]>> {
  const rows = await db.rows<Row>(FOUND, [personId, new Date(now - NEW_MS)])
  const of = (name: List) =>
    rows.flatMap(({ list: where, kind, id, title, minutes, at }) =>
      where === name ? [{ item: itemRefOf(kind, id), title, minutes, at: at.getTime() }] : [],
    )
  return { favourites: of('favourites'), usedLast: of('usedLast'), fresh: of('fresh') }
}
