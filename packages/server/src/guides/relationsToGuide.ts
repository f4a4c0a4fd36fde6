import { guideItem } from '@jackdaw/core/items'
import type { RelationTo } from '@jackdaw/core/people'
import type { GuideId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Caller } from '../http'
import { relationsToItem } from '../items'
import { GUIDE, GUIDE_SHARE } from './model'

/** How a caller stands to a guide; `null` when there is none. */
export async function relationsToGuide(db: Db, caller: Caller, id: GuideId): Promise<ReadonlySet<RelationTo<'guide'>> | null> {
  const [guide, shared, asItem] = await Promise.all([
    db.in(GUIDE).one({ id }, { only: ['ownerId'] }),
    db.in(GUIDE_SHARE).one({ guideId: id, personId: caller.id }),
    relationsToItem(db, caller, guideItem(id)),
  ])
  if (!guide) return null
  return new Set([...(guide.ownerId === caller.id ? (['own'] as const) : []), ...(shared ? (['shared'] as const) : []), ...asItem])
}
