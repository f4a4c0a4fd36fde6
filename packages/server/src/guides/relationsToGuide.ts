import { THINGS, type RelationTo } from '@jackdaw/core/people'
import type { GuideId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Caller } from '../http'

/** How a caller stands to a guide; `null` when there is none. Staff relations hold for published guides only. */
export async function relationsToGuide(db: Db, caller: Caller, id: GuideId): Promise<ReadonlySet<RelationTo<'guide'>> | null> {
  const row = await db.one<Record<RelationTo<'guide'>, boolean>>(
    `select g.owner_id = $2 as own,
       exists (select 1 from guide_share s where s.guide_id = g.id and s.person_id = $2) as shared,
       g.newest_edition is not null and g.archived_at is null and exists (select 1 from assignment a where a.item_kind = 'guide' and a.item_id = g.id and a.person_id = $2) as assigned,
       g.newest_edition is not null and g.archived_at is null and g.open_to_all as open,
       $3 and exists (select 1 from reports_of($2) m where exists (select 1 from assignment a where a.item_kind = 'guide' and a.item_id = g.id and a.person_id = m.person_id)
         or exists (select 1 from reading r where r.guide_id = g.id and r.person_id = m.person_id)
         or exists (select 1 from way_use u where u.guide_id = g.id and u.person_id = m.person_id)) as reports
     from guide g where g.id = $1`,
    [id, caller.id, caller.hasReports],
  )
  if (!row) return null
  return new Set(THINGS.guide.relations.filter((relation) => row[relation]))
}
