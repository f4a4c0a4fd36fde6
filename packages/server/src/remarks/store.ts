import type { NewRemark, Remark, RemarkId } from '@jackdaw/contracts/remarks'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { GUIDE } from '../guides'
import { fail, failField, said } from '../http'
import { EDITION_PART } from '../items'
import { REMARK } from './model'

/** Most remarks that may wait on one guide: more would not be read. */
const MOST_OPEN = 500
const MOST_LISTED = 50

/** Keeps a remark, once. */
export async function addRemark(db: Db, guideId: GuideId, personId: PersonId, remark: NewRemark, now: number): Promise<void> {
  await db.transaction(async (tx) => {
    // One after the other for a guide, so that the limit holds.
    await tx.in(GUIDE).one({ id: guideId }, { only: ['id'], lock: true })
    const { id, edition, stepId, way, words, device } = remark
    if (await tx.in(REMARK).one({ id }, { only: ['id'] })) return
    const of = { itemKind: 'guide', itemId: guideId } as const
    if ((await tx.in(REMARK).count({ ...of, doneAt: null })) >= MOST_OPEN)
      fail(
        'too-many-remarks',
        said('{{most}} remarks wait on this guide already. Its owner has to see to them first; tell them yourself.', { most: MOST_OPEN }),
      )
    if (!(await tx.in(EDITION_PART).one({ ...of, edition, partId: stepId }, { only: ['partId'] })))
      failField('/body/stepId', 'This edition has no such step. Load the guide again.')
    await tx.in(REMARK).insert({ ...of, id, edition, partId: stepId, personId, way, words, device, saidAt: now })
  })
}

type Row = Omit<Remark, 'by' | 'at'> & { person_id: PersonId; name: string; said_at: Date }
const OPEN = `r.id, r.item_id as "guideId", coalesce(i.title, g.title) as title, r.part_id as "stepId", s.name as step, s.position, r.edition, r.way, r.words, r.device,
    r.person_id, p.name, r.said_at`
const FROM = `from remark r join guide g on r.item_kind = 'guide' and g.id = r.item_id join item i on i.kind = r.item_kind and i.id = r.item_id join person p on p.id = r.person_id
  join edition_part s on s.item_kind = r.item_kind and s.item_id = r.item_id and s.edition = r.edition and s.part_id = r.part_id where r.done_at is null`
const remarkOf = ({ person_id, name, said_at, ...row }: Row): Remark => ({ ...row, by: { id: person_id, name }, at: said_at.getTime() })

/** The remarks on a guide that are not done yet. */
export const openRemarks = async (db: Db, guideId: GuideId): Promise<Remark[]> =>
  (await db.rows<Row>(`select ${OPEN} ${FROM} and r.item_id = $1 order by r.said_at, r.id`, [guideId])).map(remarkOf)

/** Those on all guides that somebody owns. */
export async function remarksForOwner(db: Db, ownerId: PersonId): Promise<{ rows: Remark[]; total: number }> {
  const rows = await db.rows<Row & { total: number }>(
    `select ${OPEN}, count(*) over ()::int as total ${FROM} and g.owner_id = $1 and i.archived_at is null order by r.said_at, r.id limit ${MOST_LISTED}`,
    [ownerId],
  )
  return { total: rows[0]?.total ?? 0, rows: rows.map(({ total: _, ...row }) => remarkOf(row)) }
}

/** Marks a remark as done, or takes that back. */
export async function settle(db: Db, guideId: GuideId, id: RemarkId, done: boolean, by: PersonId, now: number): Promise<void> {
  const found = await db
    .in(REMARK)
    .update({ doneAt: done ? now : null, doneBy: done ? by : null }, { id, itemKind: 'guide', itemId: guideId })
  if (found === 0) fail('not-found')
}
