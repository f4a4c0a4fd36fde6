import type { ItemRef } from '@jackdaw/core/items'
import type { Db } from '../db'
import type { Caller } from '../http'

/** How a caller may stand to an item of whatever kind. */
export type RelationToItem = 'assigned' | 'open' | 'reports'

/** How a caller stands to an item that is there, as somebody to whom it can be given, or who has people report to them. Who may read it is
 * asked of published items only. */
export async function relationsToItem(db: Db, caller: Caller, { kind, id }: ItemRef): Promise<RelationToItem[]> {
  const row = await db.one<Record<RelationToItem, boolean>>(
    `select i.edition is not null and i.archived_at is null and exists (select 1 from assignment a where a.item_kind = i.kind and a.item_id = i.id and a.person_id = $3) as assigned,
       i.edition is not null and i.archived_at is null and i.open_to_all as open,
       $4 and exists (select 1 from reports_of($3) m where exists (select 1 from assignment a where a.item_kind = i.kind and a.item_id = i.id and a.person_id = m.person_id)
         or exists (select 1 from item_progress r where r.item_kind = i.kind and r.item_id = i.id and r.person_id = m.person_id)) as reports
     from item i where i.kind = $1 and i.id = $2`,
    [kind, id, caller.id, caller.hasReports],
  )
  return (['assigned', 'open', 'reports'] as const).filter((relation) => row?.[relation])
}
