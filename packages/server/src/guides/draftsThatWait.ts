import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'

const MOST_LISTED = 50

/** A draft in which something waits: what is flagged as not ready, or changes of somebody that met those of others. */
export type WaitingDrafts = {
  notReady: { id: GuideId; title: string; parts: number }[]
  clashes: { id: GuideId; title: string; personId: PersonId; person: string; count: number }[]
}

/** The drafts of the whole company in which something waits, by title, at most 50 of each. */
export async function draftsThatWait(db: Db): Promise<WaitingDrafts> {
  const ofGuide = `join guide g on g.id = d.guide_id join item i on i.kind = 'guide' and i.id = g.id and i.archived_at is null`
  const [notReady, clashes] = await Promise.all([
    db.rows<WaitingDrafts['notReady'][number]>(
      `select g.id, g.title, d.not_ready as parts from draft d ${ofGuide} where d.not_ready > 0 order by g.title, g.id limit ${MOST_LISTED}`,
    ),
    db.rows<WaitingDrafts['clashes'][number]>(
      `select g.id, g.title, p.id as "personId", p.name as person, count(*)::int as count from draft_clash d ${ofGuide} join person p on p.id = d.person_id and p.active
       group by g.id, p.id order by g.title, g.id, p.name limit ${MOST_LISTED}`,
    ),
  ])
  return { notReady, clashes }
}
