import type { RelationTo } from '@jackdaw/core/people'
import type { GuideId } from '@jackdaw/core/shared'
import { keepPlan, type Db } from '../db'
import type { Caller } from '../http'
import { relationsToItemSql, type RelationToItem } from '../items'

const RELATIONS = ['own', 'shared', 'assigned', 'open', 'reports'] as const satisfies readonly RelationTo<'guide'>[]

const RELATIONS_TO_GUIDE = keepPlan(
  'relations-to-guide',
  `select g.owner_id = $2 as own, exists (select 1 from guide_share s where s.guide_id = g.id and s.person_id = $2) as shared, ${relationsToItemSql('i', '$2', '$3')}
   from guide g left join item i on i.kind = 'guide' and i.id = g.id where g.id = $1`,
)

/** How a caller stands to a guide; `null` when there is none. Asked before every request for a guide, and so one query. */
export async function relationsToGuide(db: Db, caller: Caller, id: GuideId): Promise<ReadonlySet<RelationTo<'guide'>> | null> {
  const row = await db.one<Record<RelationToItem | 'own' | 'shared', boolean>>(RELATIONS_TO_GUIDE, [id, caller.id, caller.hasReports])
  return row ? new Set(RELATIONS.filter((relation) => row[relation])) : null
}
