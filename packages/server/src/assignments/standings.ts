import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { columnsOf, doneSql } from '../items'

export type Standing = { person_id: PersonId; name: string; done: boolean }
/** Those who have the item already because it was published to them, and whether they are done with what counts now. */
export const standings = (db: Db, { kind, id }: ItemRef): Promise<Standing[]> =>
  db.rows<Standing>(
    `select p.id as person_id, p.name, ${doneSql(columnsOf('null', 'null'))} as done
     from giving g join assignment a on a.item_kind = g.item_kind and a.item_id = g.item_id
     join assignment_reason s on s.assignment_id = a.id and s.kind = 'giving' and s.ref = g.id
     join item i on i.kind = a.item_kind and i.id = a.item_id join person p on p.id = a.person_id
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where g.item_kind = $1 and g.item_id = $2 and g.publishing order by p.name, p.id`,
    [kind, id],
  )
