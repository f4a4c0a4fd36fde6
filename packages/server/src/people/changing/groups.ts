import type { GroupId, GroupKindId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { fail, failField, said, type Parts } from '../../http'
import { GROUP, GROUP_KIND, PERSON } from '../model'
import { changePeople, type ChangedBy } from './changePeople'

/** What a group is said to be. `zone`: IANA, of a site and only of one. */
export type GroupFacts = { name: string; about: string; zone: string | null; leaderId: PersonId | null }

async function refuseGroup(tx: Db, kindId: GroupKindId, { name, zone, leaderId }: GroupFacts, except?: GroupId): Promise<void> {
  if ((kindId === 'site') !== (zone !== null)) failField('/body/zone', 'A site has a time zone, no other group has.')
  const same = await tx.one<{ id: GroupId }>(
    'select id from people_group where kind_id = $1 and lower(name) = lower($2) and closed_at is null and id is distinct from $3',
    [kindId, name, except ?? null],
  )
  if (same)
    fail('already-taken', said('There is a group “{{name}}” of this kind already.', { name }), [{ pointer: '/body/name', detail: 'Taken' }])
  if (leaderId !== null && (await tx.in(PERSON).count({ id: leaderId, active: true })) === 0)
    failField('/body/leaderId', 'Whoever is to lead it does not work here (any more).')
}

/** Makes a group.
 * @throws `already-taken` when there is one of this name and kind; `invalid` */
export async function addGroup(tx: Db, id: GroupId, kindId: GroupKindId, facts: GroupFacts, now: number): Promise<void> {
  if ((await tx.in(GROUP_KIND).count({ id: kindId })) === 0) failField('/body/kind', 'There is no such kind of groups (any more).')
  await refuseGroup(tx, kindId, facts)
  await tx.in(GROUP).insert({ id, kindId, ...facts, createdAt: now, closedAt: null })
}

/** Changes what a group is said to be; who is in it stays. */
export async function changeGroup(tx: Db, id: GroupId, facts: GroupFacts): Promise<void> {
  const [group] = await tx.in(GROUP).find({ id }, { lock: true })
  if (!group) return fail('not-found')
  if (group.closedAt !== null) fail('group-closed')
  await refuseGroup(tx, group.kindId, facts, id)
  await tx.in(GROUP).update(facts, { id })
}

/** Puts people into a group and takes others out of it. */
export async function changeMembers(
  tx: Db,
  parts: Parts,
  { group, join, leave, by, now }: { group: GroupId; join: readonly PersonId[]; leave: readonly PersonId[]; by: ChangedBy; now: number },
): Promise<number> {
  const found = await tx.in(GROUP).one({ id: group })
  if (!found) return fail('not-found')
  if (found.closedAt !== null) fail('group-closed')
  const changed = await changePeople(tx, parts, {
    ids: [...join, ...leave],
    by,
    now,
    into: (states) => {
      if (join.some((id) => !states.get(id)?.active)) failField('/body/join', 'One of them does not work here (any more).')
      const primary = leave.map((id) => states.get(id)).find((state) => state?.siteId === group)
      if (primary)
        fail('site-in-use', said('{{name}} has their primary place of work there; give them another one first.', { name: primary.name }))
      return [...states.values()].map((state) => ({
        ...state,
        groups: join.includes(state.id) ? [...state.groups, group] : state.groups.filter((id) => id !== group),
      }))
    },
  })
  return changed.length
}

/** Closes a group: nobody is in it any more, and who was stays known. Of a site the people go to another one.
 * @param moveTo the site to which the people go whose primary site it is; has to be given while there are any */
export async function closeGroup(
  tx: Db,
  parts: Parts,
  { group: id, moveTo, by, now }: { group: GroupId; moveTo: GroupId | null; by: ChangedBy; now: number },
): Promise<void> {
  const [group] = await tx.in(GROUP).find({ id }, { lock: true })
  if (!group) return fail('not-found')
  if (group.closedAt !== null) return
  const members = await tx.rows<{ person_id: PersonId }>('select person_id from membership where group_id = $1 and until is null', [id])
  await changePeople(tx, parts, {
    ids: members.map((row) => row.person_id),
    by,
    now,
    into: (states) => {
      const primary = [...states.values()].filter((state) => state.siteId === id)
      if (primary.length > 0 && (moveTo === null || moveTo === id))
        fail('site-in-use', said('{{count}} people work there. Say to which site they go.', { count: primary.length }))
      return [...states.values()].map((state) => ({
        ...state,
        siteId: state.siteId === id ? moveTo! : state.siteId,
        groups: state.groups.filter((each) => each !== id),
      }))
    },
  })
  await tx.in(GROUP).update({ closedAt: now }, { id })
}

/** Makes a kind of groups of the company's own. */
export async function addGroupKind(tx: Db, id: GroupKindId, name: string): Promise<void> {
  const same = await tx.one('select 1 from group_kind where lower(name) = lower($1)', [name])
  if (same) fail('already-taken', said('There is a kind “{{name}}” already.', { name }), [{ pointer: '/body/name', detail: 'Taken' }])
  await tx.in(GROUP_KIND).insert({ id, name })
}
