import { LEVEL_PRESETS, type Level } from '@jackdaw/core/people'
import type { DepartmentId, PersonId, RoleId, SiteId, TeamId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { DEPARTMENT, PERSON, PERSON_ROLE, PERSON_TEAM, ROLE, SITE, TEAM } from './model'
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
export const demoPeople = ({ database: db }: Parts) => ({
  async addGroups({ sites, departments, teams, roles }: Groups): Promise<void> {
    await db.in(SITE).insertAll(sites.map(({ id, name, zone }) => ({ id: id as SiteId, name, zone })))
    await db.in(DEPARTMENT).insertAll(departments.map(({ id, name }) => ({ id: id as DepartmentId, name })))
    await db.in(TEAM).insertAll(teams.map(({ id, name }) => ({ id: id as TeamId, name })))
    await db.in(ROLE).insertAll(roles.map(({ id, name }) => ({ id: id as RoleId, name })))
  },
  /** Managers come before those who report to them. */
  async addPeople(people: readonly NewPerson[], password: string, now: number): Promise<void> {
    const passwordHash = await hashPassword(password)
    await db.in(PERSON).insertAll(
      people.map(({ id, name, mail, level, siteId, departmentId, managerId }) => ({
        id,
        name,
        mail,
        passwordHash,
        level,
        permissions: [...LEVEL_PRESETS[level]],
        siteId: siteId as SiteId,
        departmentId: departmentId as DepartmentId,
        managerId,
        active: true,
        createdAt: now,
      })),
    )
    await db
      .in(PERSON_TEAM)
      .insertAll(people.flatMap(({ id, teamIds }) => teamIds.map((team) => ({ personId: id, teamId: team as TeamId }))))
    await db
      .in(PERSON_ROLE)
      .insertAll(people.flatMap(({ id, roleIds }) => roleIds.map((role) => ({ personId: id, roleId: role as RoleId }))))
  },
})
