import type { RightsChange } from '@jackdaw/contracts/account'
import type { Level, Permission } from '@jackdaw/core/people'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'

const PAGE = 100
type Row = {
  at: Date
  person_id: PersonId
  person: string
  by_id: PersonId | null
  by: string | null
  level_before: Level
  level_after: Level
  granted: Permission[]
  withdrawn: Permission[]
}

/** Changes of rights, newest first. @param before only those before this instant, epoch milliseconds */
export async function rightsChanges(db: Db, before?: number): Promise<{ rows: RightsChange[]; more: boolean }> {
  const rows = await db.rows<Row>(
    `select c.at, p.id as person_id, p.name as person, b.id as by_id, b.name as by, c.level_before, c.level_after, c.granted, c.withdrawn
     from rights_change c join person p on p.id = c.person_id left join person b on b.id = c.by_id where $1::timestamptz is null or c.at < $1 order by c.at desc, c.id desc limit ${PAGE + 1}`,
    [before === undefined ? null : new Date(before)],
  )
  return {
    more: rows.length > PAGE,
    rows: rows.slice(0, PAGE).map((row) => ({
      at: row.at.getTime(),
      person: { id: row.person_id, name: row.person },
      by: row.by_id === null ? null : { id: row.by_id, name: row.by ?? '' },
      levelBefore: row.level_before,
      levelAfter: row.level_after,
      granted: row.granted,
      withdrawn: row.withdrawn,
    })),
  }
}
