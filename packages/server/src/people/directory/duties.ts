import type { Duty, DutyId } from '@jackdaw/contracts/groups'
import type { DutyShown } from '@jackdaw/contracts/directory'
import type { GroupId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, failField } from '../../http'
import { DUTY, DUTY_ITEM, GROUP } from '../model'

type Row = {
  id: DutyId
  title: string
  about: string
  group_id: GroupId
  group: string
  linked: number
  guides: { id: GuideId; title: string }[] | null
}
/** The duties of groups, in their order, with the guides that the reader may see. */
export async function dutiesOf(db: Db, groups: readonly GroupId[], reader: PersonId): Promise<({ id: DutyId } & DutyShown)[]> {
  const rows = await db.rows<Row>(
    `select d.id, d.title, d.about, g.id as group_id, g.name as group, (select count(*)::int from duty_item x join item i on i.kind = x.item_kind and i.id = x.item_id and i.archived_at is null and i.edition is not null where x.duty_id = d.id) as linked,
       (select json_agg(json_build_object('id', i.id, 'title', i.title) order by x.position) from duty_item x join item i on i.kind = x.item_kind and i.id = x.item_id and i.archived_at is null and i.edition is not null
        where x.duty_id = d.id and x.item_kind = 'guide' and exists (select 1 from item_access a where a.person_id = $2 and a.item_kind = i.kind and a.item_id = i.id)) as guides
     from duty d join people_group g on g.id = d.group_id where d.group_id = any ($1) order by g.name, g.id, d.position`,
    [groups, reader],
  )
  return rows.map((row) => ({
    ...{ id: row.id, title: row.title, about: row.about, group: { id: row.group_id, name: row.group } },
    guides: row.guides ?? [],
    gap: row.linked === 0,
  }))
}

/** Writes the duties of a group, all of them in their order. A guide is linked by who may see it, once it is published; links to those that
 * they may not see stay.
 * @throws `not-found`, `group-closed`, `invalid` */
export async function saveDutiesOf(tx: Db, groupId: GroupId, duties: readonly Duty[], by: PersonId): Promise<void> {
  const [group] = await tx.in(GROUP).find({ id: groupId }, { lock: true })
  if (!group) return fail('not-found')
  if (group.closedAt !== null) fail('group-closed')
  if (new Set(duties.map(({ id }) => id)).size < duties.length) failField('/body/duties', 'One duty stands there twice.')
  const known = await tx.in(DUTY).find({ id: duties.map(({ id }) => id) })
  if (known.some((duty) => duty.groupId !== groupId)) failField('/body/duties', 'One of these duties belongs to another group.')
  const seen = await tx.rows<{ id: GuideId }>(
    "select i.id from item i where i.kind = 'guide' and i.edition is not null and exists (select 1 from item_access a where a.person_id = $1 and a.item_kind = i.kind and a.item_id = i.id)",
    [by],
  )
  const may = new Set(seen.map((row) => row.id))
  if (duties.some((duty) => duty.guides.some((id) => !may.has(id))))
    failField('/body/duties', 'One of these guides does not exist (any more).')
  const links = await tx.rows<{ duty_id: DutyId; item_id: GuideId }>(
    "select x.duty_id, x.item_id from duty_item x join duty d on d.id = x.duty_id where d.group_id = $1 and x.item_kind = 'guide' order by x.position",
    [groupId],
  )
  await tx.in(DUTY).remove({ groupId })
  await tx.in(DUTY).insertAll(duties.map(({ id, title, about }, position) => ({ id, groupId, position, title, about })))
  await tx.in(DUTY_ITEM).insertAll(
    duties.flatMap(({ id, guides }) => {
      const unseen = links.filter((link) => link.duty_id === id && !may.has(link.item_id)).map((link) => link.item_id)
      return [...new Set([...guides, ...unseen])].map((itemId, position) => ({ dutyId: id, itemKind: 'guide' as const, itemId, position }))
    }),
  )
}
