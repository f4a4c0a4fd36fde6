import type { NewRemark, Remark, RemarkId } from '@jackdaw/contracts/remarks'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail, failField } from '../http'

/** Most remarks that may wait on one guide: more would not be read. */
const MOST_OPEN = 500
const MOST_LISTED = 50

/** Keeps a remark, once. */
export async function addRemark(db: Db, guideId: GuideId, personId: PersonId, remark: NewRemark, now: number): Promise<void> {
  await db.transaction(async (tx) => {
    // One after the other for a guide, so that the limit holds.
    await tx.rows('select 1 from guide where id = $1 for update', [guideId])
    if (await tx.one('select 1 from remark where id = $1', [remark.id])) return
    const { waiting } = (await tx.one<{ waiting: number }>(
      'select count(*)::int as waiting from remark where guide_id = $1 and done_at is null',
      [guideId],
    ))!
    if (waiting >= MOST_OPEN)
      fail('too-many-remarks', `${MOST_OPEN} remarks wait on this guide already. Its owner has to see to them first; tell them yourself.`)
    const { id, edition, stepId, way, words, device } = remark
    const added = await tx.rows(
      `insert into remark (id, guide_id, edition, step_id, person_id, way, words, device, said_at)
       select $1, $2, $3, $4, $5, $6, $7, $8, $9 where exists (select 1 from edition_step s where s.guide_id = $2 and s.edition = $3 and s.step_id = $4) returning id`,
      [id, guideId, edition, stepId, personId, way, words, device, new Date(now)],
    )
    if (added.length === 0) failField('/body/stepId', 'This edition has no such step. Load the guide again.')
  })
}

type Row = Omit<Remark, 'by' | 'at'> & { person_id: PersonId; name: string; said_at: Date }
/** The remarks that are not done. @param more columns besides */
const open = (
  more = '',
) => `select r.id, r.guide_id as "guideId", coalesce(g.published_title, g.title) as title, r.step_id as "stepId", s.name as step, s.position, r.edition, r.way, r.words, r.device,
    r.person_id, p.name, r.said_at${more}
  from remark r join guide g on g.id = r.guide_id join person p on p.id = r.person_id
  join edition_step s on s.guide_id = r.guide_id and s.edition = r.edition and s.step_id = r.step_id where r.done_at is null`
const remarkOf = ({ person_id, name, said_at, ...row }: Row): Remark => ({ ...row, by: { id: person_id, name }, at: said_at.getTime() })

/** The remarks on a guide that are not done yet. */
export const openRemarks = async (db: Db, guideId: GuideId): Promise<Remark[]> =>
  (await db.rows<Row>(`${open()} and r.guide_id = $1 order by r.said_at, r.id`, [guideId])).map(remarkOf)

/** Those on all guides that somebody owns. */
export async function remarksForOwner(db: Db, ownerId: PersonId): Promise<{ rows: Remark[]; total: number }> {
  const rows = await db.rows<Row & { total: number }>(
    `${open(', count(*) over ()::int as total')} and g.owner_id = $1 and g.archived_at is null order by r.said_at, r.id limit ${MOST_LISTED}`,
    [ownerId],
  )
  return { total: rows[0]?.total ?? 0, rows: rows.map(({ total: _, ...row }) => remarkOf(row)) }
}

/** Marks a remark as done, or takes that back. */
export async function settle(db: Db, guideId: GuideId, id: RemarkId, done: boolean, by: PersonId, now: number): Promise<void> {
  const [found] = await db.rows('update remark set done_at = $3, done_by = $4 where id = $1 and guide_id = $2 returning id', [
    id,
    guideId,
    done ? new Date(now) : null,
    done ? by : null,
  ])
  if (!found) fail('not-found')
}
