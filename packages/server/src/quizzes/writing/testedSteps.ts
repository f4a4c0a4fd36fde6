import type { NamedStep } from '@jackdaw/contracts/quizzes'
import type { Question } from '@jackdaw/core/quizzes'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'

/** The steps that questions name, as far as they stand in the newest edition of a guide that somebody may read. */
export async function testedSteps(db: Db, questions: readonly Question[], personId: PersonId): Promise<NamedStep[]> {
  const steps = questions.flatMap((question) => question.steps)
  if (steps.length === 0) return []
  return db.rows<NamedStep>(
    `select i.id as "guideId", x.part_id as "stepId", x.name, i.title from item i join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition
     where i.kind = 'guide' and (i.id, x.part_id) in (select * from unnest($1::text[], $2::text[]))
       and exists (select 1 from item_access v where v.person_id = $3 and v.item_kind = i.kind and v.item_id = i.id)
     order by i.title, i.id, x.position`,
    [steps.map(({ guideId }) => guideId), steps.map(({ stepId }) => stepId), personId],
  )
}
