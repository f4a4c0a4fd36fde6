import { LINES_OF_WORK, type LineOfWorkId } from '@jackdaw/core/people'
import type { DutyId } from '@jackdaw/contracts/groups'
import type { GroupId, GroupKindId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { failField, type Parts } from '../../http'
import { addGroup } from '../changing/groups'
import { DUTY, GROUP } from '../model'

/** What is taken of what is common in a line of work. */
type Suggested = { lineOfWork: LineOfWorkId; role: string; duty: string | null }

/** Makes a role that is common in a line of work, unless there is one of its name, and adds a duty to it, unless it has one of its title. */
export async function takeSuggested(tx: Db, { newId }: Parts, asked: Suggested, now: number): Promise<GroupId> {
  const line = LINES_OF_WORK.find(({ id }) => id === asked.lineOfWork)
  const role = line?.roles.find(({ name }) => name === asked.role) ?? failField('/body/role', 'There is no such role among them.')
  const duty = role.duties.find(({ title }) => title === asked.duty)
  if (asked.duty !== null && !duty) failField('/body/duty', 'There is no such duty among them.')
  // Two who take the same at the same moment wait for one another.
  await tx.rows("select 1 from group_kind where id = 'role' for update")
  const there = await tx.one<{ id: GroupId }>(
    "select id from people_group where kind_id = 'role' and closed_at is null and lower(name) = lower($1) limit 1",
    [role.name],
  )
  const id = there?.id ?? newId<GroupId>()
  if (!there) await addGroup(tx, id, 'role' as GroupKindId, { name: role.name, about: '', zone: null, leaderId: null }, now)
  if (!duty) return id
  await tx.in(GROUP).find({ id }, { lock: true })
  const duties = await tx.in(DUTY).find({ groupId: id })
  if (!duties.some(({ title }) => title === duty.title))
    await tx
      .in(DUTY)
      .insert({ id: newId<DutyId>(), groupId: id, position: Math.max(-1, ...duties.map(({ position }) => position)) + 1, ...duty })
  return id
}
