import { MEMBERS_PAGE, type GroupRow, type getGroup } from '@jackdaw/contracts/groups'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { may } from '@jackdaw/core/people'
import { localDateAt, type GroupId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, type Caller } from '../../http'
import { GROUP, GROUP_KIND, PERSON } from '../model'
import { dutiesOf } from './duties'

/** All groups that there are: team, role, department and site first, then the company's own kinds. */
export async function groupRows(db: Db): Promise<GroupRow[]> {
  const rows = await db.rows<Omit<GroupRow, 'leader'> & { leader_id: PersonId | null; leader: string | null }>(
    `select g.id, g.kind_id as kind, k.name as "kindName", g.name, p.id as leader_id, p.name as leader,
       (select count(*)::int from membership m where m.group_id = g.id and m.until is null) as people,
       (select coalesce(json_agg(json_build_object('id', x.id, 'name', x.name)), '[]') from (select q.id, q.name from membership m join person q on q.id = m.person_id
         where m.group_id = g.id and m.until is null order by q.name, q.id limit 5) x) as some,
       (select count(*)::int from duty d where d.group_id = g.id) as duties,
       (select count(*)::int from duty d where d.group_id = g.id and not exists (select 1 from duty_item x join item i on i.kind = x.item_kind and i.id = x.item_id and i.archived_at is null and i.edition is not null where x.duty_id = d.id)) as gaps
     from people_group g join group_kind k on k.id = g.kind_id left join person p on p.id = g.leader_id and p.active where g.closed_at is null
     order by array_position(array['team', 'role', 'department', 'site'], g.kind_id), k.name, g.name`,
  )
  return rows.map(({ leader_id, leader, ...row }) => ({
    ...row,
    leader: leader_id === null ? null : { id: leader_id, name: leader ?? '' },
  }))
}

/** A group's page. */
export async function groupShown(db: Db, id: GroupId, page: number, caller: Caller): Promise<ResponseOf<typeof getGroup>> {
  const group = await db.in(GROUP).one({ id })
  if (!group) return fail('not-found')
  const kind = await db.in(GROUP_KIND).one({ id: group.kindId })
  const leader =
    group.leaderId === null ? undefined : await db.in(PERSON).one({ id: group.leaderId, active: true }, { only: ['id', 'name'] })
  const rows = await db.rows<{ id: PersonId; name: string; face: string | null; jobTitle: string; since: Date; total: number }>(
    `select p.id, p.name, left(p.face_hash, 16) as face, p.job_title as "jobTitle", m.since, count(*) over ()::int as total from membership m join person p on p.id = m.person_id
     where m.group_id = $1 and m.until is null order by p.name, p.id limit ${MEMBERS_PAGE} offset $2`,
    [id, (page - 1) * MEMBERS_PAGE],
  )
  return {
    ...{ id, kind: group.kindId, kindName: kind?.name ?? '', name: group.name, about: group.about, zone: group.zone },
    closedOn: group.closedAt === null ? null : localDateAt(group.closedAt, caller.zone),
    leader: leader ?? null,
    people: rows[0]?.total ?? 0,
    members: rows.map(({ total: _, since, ...row }) => ({ ...row, since: localDateAt(since.getTime(), caller.zone) })),
    duties: await dutiesOf(db, [id], caller.id),
    mayChange: may(caller.permissions, 'group.change', new Set()),
  }
}
