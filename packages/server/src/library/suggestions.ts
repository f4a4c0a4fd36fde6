import type { SuggestedGuide, SuggestedStep } from '@jackdaw/contracts/library'
import type { GuideId, PersonId, StepId } from '@jackdaw/core/shared'
import type { Db } from '../db'

const MOST = 8

/** Guides the person may see, by the title that they may see: that of the draft for those who edit it, else the published one. */
const MINE = `
  select g.id, g.number, g.newest_edition,
    case when exists (select 1 from guide_access x where x.guide_id = g.id and x.person_id = $1 and x.why in ('own', 'shared', 'any'))
      then g.title else g.published_title end as title
  from guide g where g.archived_at is null and exists (select 1 from guide_access x where x.guide_id = g.id and x.person_id = $1)`

/** What fits while somebody types: guides whose number it is come first, then those whose title begins with it, then the others.
 * @param find at least one character */
export async function findSuggestions(
  db: Db,
  personId: PersonId,
  find: string,
): Promise<{ guides: SuggestedGuide[]; steps: SuggestedStep[] }> {
  const number = /^#?\d{1,9}$/.test(find) ? Number(find.replace('#', '')) : null
  const [guides, steps] = await Promise.all([
    db.rows<{ id: GuideId; number: number; title: string; newest_edition: number | null }>(
      `with mine as (${MINE}) select * from mine where position(plain($2) in plain(title)) > 0 or number = $3
       order by (number is not distinct from $3) desc, position(plain($2) in plain(title)) <> 1, title, number limit ${MOST}`,
      [personId, find, number],
    ),
    db.rows<{ guide_id: GuideId; title: string; step_id: StepId; position: number; name: string }>(
      `with mine as (${MINE}) select s.guide_id, m.title, s.step_id, s.position, s.name
       from mine m join edition_step s on s.guide_id = m.id and s.edition = m.newest_edition
       where position(plain($2) in plain(s.name)) > 0
       order by position(plain($2) in plain(s.name)) <> 1, m.title, s.position limit ${MOST}`,
      [personId, find],
    ),
  ])
  return {
    guides: guides.map(({ newest_edition, ...row }) => ({ ...row, edition: newest_edition })),
    steps: steps.map(({ guide_id, step_id, ...row }) => ({ ...row, guideId: guide_id, stepId: step_id })),
  }
}
