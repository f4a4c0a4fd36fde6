import { LEVEL_PRESETS, newcomer } from '@jackdaw/core/people'
import type { GroupId, GroupKindId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { chooseFirstPassword } from '../signingIn/accounts'
import type { Parts } from '../../http'
import { PERSON } from '../model'
import { changePeople, holdAll } from './changePeople'
import { addGroup } from './groups'

type Founding = { site: { name: string; zone: string | null }; admin: { name: string; mail: string; password: string } }

/** Whether nobody is here, nor ever was. */
export const isEmpty = async (db: Db): Promise<boolean> => (await db.in(PERSON).count({})) === 0

/** Begins a company: its first site, and its first admin.
 * @returns whether it did; not where somebody is here already */
export async function found(tx: Db, parts: Parts, { site, admin }: Founding, now: number): Promise<boolean> {
  await holdAll(tx)
  if (!(await isEmpty(tx))) return false
  const [siteId, id] = [parts.newId<GroupId>(), parts.newId<PersonId>()]
  const { password, ...facts } = admin
  await addGroup(tx, siteId, 'site' as GroupKindId, { ...site, about: '', leaderId: null }, now)
  await changePeople(tx, parts, {
    ids: [],
    by: null,
    now,
    into: () => [{ ...newcomer(id, facts.name, siteId), ...facts, level: 'admin', permissions: LEVEL_PRESETS.admin }],
  })
  await chooseFirstPassword(tx, id, password, '/body/admin/password')
  return true
}
