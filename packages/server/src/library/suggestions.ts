import type { SuggestedGuide, SuggestedStep } from '@jackdaw/contracts/library'
import type { GuideId, PersonId, StepId } from '@jackdaw/core/shared'
import type { Db } from '../db'

const MOST = 8

/** Guides the person may see, by the title that they may see: that of the draft for those who edit it, else the published one. */
const MINE = `
  select g.id, g.number, i.edition,
    case when exists (select 1 from item_access x where x.item_kind = i.kind and x.item_id = i.id and x.person_id = $1 and x.why in ('own', 'shared', 'any'))
      then g.title else i.title end as title
  from guide g join item i on i.kind = 'guide' and i.id = g.id
  where i.archived_at is null and exists (select 1 from item_access x where x.item_kind = i.kind and x.item_id = i.id and x.person_id = $1)`

/** What fits while somebody types: guides whose number it is come first, then those whose title begins with it, then the others.
 * @param find at least one character */
export async function findSuggestions(
  db: Db,
  personId: PersonId,
  find: string,
): Promise<{ guides: SuggestedGuide[]; steps: SuggestedStep[] }> {
  const number = /^#?\d{1,9}$/.test(find) ? Number(find.replace('#', '')) : null
  const [guides, steps] = await Promise.all([
    db.rows<{ id: GuideId; number: number; title: string; edition: number | null }>(
      `with mine as (${MINE}) select * from mine where position(plain($2) in plain(title)) > 0 or number = $3
       order by (number is not distinct from $3) desc, position(plain($2) in plain(title)) <> 1, title, number limit ${MOST}`,
      [personId, find, number],
    ),
    db.rows<{ guide_id: GuideId; title: string; step_id: StepId; position: number; name: string }>(
      `with mine as (${MINE}) select m.id as guide_id, m.title, s.part_id as step_id, s.position, s.name
       from mine m join edition_part s on s.item_kind = 'guide' and s.item_id = m.id and s.edition = m.edition
       where position(plain($2) in plain(s.name)) > 0
       order by position(plain($2) in plain(s.name)) <> 1, m.title, s.position limit ${MOST}`,
      [personId, find],
    ),
  ])
  return {
    guides,
    steps: steps.map(({ guide_id, step_id, ...row }) => ({ ...row, guideId: guide_id, stepId: step_id })),
  }
}
