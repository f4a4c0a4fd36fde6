import { LEVEL_PRESETS, type Level } from '@jackdaw/core/people'
import type { PersonId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { hashPassword } from './password'

type NewPerson = {
  id: PersonId
  name: string
  mail: string
  level: Level
  siteId: string
  departmentId: string
  teamIds: string[]
  roleIds: string[]
  managerId: PersonId | null
}
type Named = { id: string; name: string }
type Groups = { sites: (Named & { zone: string })[]; departments: Named[]; teams: Named[]; roles: Named[] }

/** Loads people and groups of the demo company. */
export function demoPeople({ database: db }: Parts) {
  const insertAll = async (table: string, columns: string[], rows: readonly Record<string, unknown>[]): Promise<void> => {
    if (rows.length === 0) return
    await db.rows(
      `insert into ${table} (${columns.join(', ')}) select ${columns.map((column) => `r.${column}`).join(', ')} from jsonb_populate_recordset(null::${table}, $1::jsonb) r`,
      [JSON.stringify(rows)],
    )
  }
  return {
    async addGroups(groups: Groups): Promise<void> {
      await insertAll('site', ['id', 'name', 'zone'], groups.sites)
      for (const kind of ['department', 'team', 'role'] as const) await insertAll(kind, ['id', 'name'], groups[`${kind}s`])
    },
    /** Managers come before those who report to them. */
    async addPeople(people: readonly NewPerson[], password: string, now: number): Promise<void> {
      const hash = await hashPassword(password)
      await insertAll(
        'person',
        ['id', 'name', 'mail', 'password_hash', 'level', 'permissions', 'site_id', 'department_id', 'manager_id', 'active', 'created_at'],
        people.map((person) => ({
          id: person.id,
          name: person.name,
          mail: person.mail,
          password_hash: hash,
          level: person.level,
          permissions: LEVEL_PRESETS[person.level],
          site_id: person.siteId,
          department_id: person.departmentId,
          manager_id: person.managerId,
          active: true,
          created_at: new Date(now).toISOString(),
        })),
      )
      await insertAll(
        'person_team',
        ['person_id', 'team_id'],
        people.flatMap((person) => person.teamIds.map((id) => ({ person_id: person.id, team_id: id }))),
      )
      await insertAll(
        'person_role',
        ['person_id', 'role_id'],
        people.flatMap((person) => person.roleIds.map((id) => ({ person_id: person.id, role_id: id }))),
      )
    },
  }
}
