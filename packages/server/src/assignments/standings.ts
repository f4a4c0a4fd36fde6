import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { columnsOf, doneSql } from '../items'

export type Standing = { person_id: PersonId; name: string; done: boolean }
/** Those who have the item already, and whether they are done with what counts now. */
export const standings = (db: Db, { kind, id }: ItemRef): Promise<Standing[]> =>
  db.rows<Standing>(
    `select p.id as person_id, p.name, ${doneSql(columnsOf('null', 'null'))} as done
     from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id join person p on p.id = a.person_id
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where a.item_kind = $1 and a.item_id = $2 order by p.name, p.id`,
    [kind, id],
  )
