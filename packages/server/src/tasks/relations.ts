import type { RelationTo } from '@jackdaw/core/people'
import type { HandInId, TaskId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Caller } from '../http'
import { relationsToItemSql, type RelationToItem } from '../items'

const TO_TASK = ['own', 'assigned', 'open', 'reports'] as const satisfies readonly RelationTo<'task'>[]
const TO_HAND_IN = ['self', 'asked', 'reports'] as const satisfies readonly RelationTo<'hand-in'>[]

/** How a caller stands to a task; `null` when there is none. */
export async function relationsToTask(db: Db, caller: Caller, id: TaskId): Promise<ReadonlySet<RelationTo<'task'>> | null> {
  const row = await db.one<Record<RelationToItem | 'own', boolean>>(
    `select t.owner_id = $2 as own, ${relationsToItemSql('i', '$2', '$3')} from task t left join item i on i.kind = 'task' and i.id = t.id where t.id = $1`,
    [id, caller.id, caller.hasReports],
  )
  return row ? new Set(TO_TASK.filter((relation) => row[relation])) : null
}

/** How a caller stands to what somebody has handed in; `null` when there is no such thing. */
export async function relationsToHandIn(db: Db, caller: Caller, id: HandInId): Promise<ReadonlySet<RelationTo<'hand-in'>> | null> {
  const row = await db.one<Record<RelationTo<'hand-in'>, boolean>>(
    `select h.person_id = $2 as self, exists (select 1 from hand_in_asked a where a.hand_in_id = h.id and a.person_id = $2) as asked,
       $3 and exists (select 1 from reports_of($2) m where m.person_id = h.person_id) as reports from hand_in h where h.id = $1`,
    [id, caller.id, caller.hasReports],
  )
  return row ? new Set(TO_HAND_IN.filter((relation) => row[relation])) : null
}
