import type { PersonId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** Those of some quizzes that can be taken by people to whom they are given, and that somebody may see. */
export async function takableQuizzes(db: Db, ids: readonly QuizId[], personId: PersonId): Promise<ReadonlySet<QuizId>> {
  if (ids.length === 0) return new Set()
  const rows = await db.rows<{ id: QuizId }>(
    `select i.id from item i where i.kind = 'quiz' and i.id = any ($1) and i.edition is not null and i.archived_at is null
       and exists (select 1 from item_access v where v.person_id = $2 and v.item_kind = i.kind and v.item_id = i.id)`,
    [[...new Set(ids)], personId],
  )
  return new Set(rows.map(({ id }) => id))
}

/** Of some quizzes, those that a guide may not come to hold by somebody: they may not see them, and they never stood in its draft. What did may be
 * brought back, by undoing. */
export async function foreignQuizzes(db: Db, guideId: string, ids: readonly QuizId[], personId: PersonId): Promise<ReadonlySet<QuizId>> {
  if (ids.length === 0) return new Set()
  const rows = await db.rows<{ id: QuizId }>(
    `select x.id from unnest($1::text[]) x (id)
     where not exists (select 1 from item_access v where v.person_id = $2 and v.item_kind = 'quiz' and v.item_id = x.id)
       and not exists (select 1 from draft d where d.guide_id = $3 and position(x.id in d.document::text) > 0)
       and not exists (select 1 from draft_change c where c.guide_id = $3 and position(x.id in c.changes::text) > 0)`,
    [[...new Set(ids)], personId, guideId],
  )
  return new Set(rows.map(({ id }) => id))
}
