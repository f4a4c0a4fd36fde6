import type { Language, Level, Permission } from '@jackdaw/core/people'
import type { DepartmentId, PersonId, RoleId, SiteId, TeamId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, key, optional, table, text, texts, truth, usually, whole } from '../db'

/** Somebody who works here, or did. */
export class PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  declare id: PersonId
  declare name: string
  declare mail: string
  declare passwordHash: string
  declare level: Level
  declare permissions: Permission[]
  declare siteId: SiteId
  declare departmentId: DepartmentId
  declare managerId: PersonId | null
  declare active: boolean
  declare createdAt: number
  declare language: CreationOptional<Language>
}
export const PERSON = table('person', PersonRow, () => ({
  id: key(text()),
  name: text(),
  mail: text(),
  passwordHash: text(),
  level: text(),
  permissions: texts(),
  siteId: text(),
  departmentId: text(),
  managerId: optional(text()),
  active: truth(),
  createdAt: instant(),
  language: usually(text(), 'en'),
}))

/** A place where people work, with its time zone (IANA). */
export class SiteRow extends Model<InferAttributes<SiteRow>, InferCreationAttributes<SiteRow>> {
  declare id: SiteId
  declare name: string
  declare zone: string
}
export const SITE = table('site', SiteRow, () => ({ id: key(text()), name: text(), zone: text() }))

export class DepartmentRow extends Model<InferAttributes<DepartmentRow>, InferCreationAttributes<DepartmentRow>> {
  declare id: DepartmentId
  declare name: string
}
export const DEPARTMENT = table('department', DepartmentRow, () => ({ id: key(text()), name: text() }))

export class TeamRow extends Model<InferAttributes<TeamRow>, InferCreationAttributes<TeamRow>> {
  declare id: TeamId
  declare name: string
}
export const TEAM = table('team', TeamRow, () => ({ id: key(text()), name: text() }))

export class RoleRow extends Model<InferAttributes<RoleRow>, InferCreationAttributes<RoleRow>> {
  declare id: RoleId
  declare name: string
}
export const ROLE = table('role', RoleRow, () => ({ id: key(text()), name: text() }))

/** That somebody is in a team. */
export class PersonTeamRow extends Model<InferAttributes<PersonTeamRow>, InferCreationAttributes<PersonTeamRow>> {
  declare personId: PersonId
  declare teamId: TeamId
}
export const PERSON_TEAM = table('person_team', PersonTeamRow, () => ({ personId: key(text()), teamId: key(text()) }))

/** That somebody has a role. */
export class PersonRoleRow extends Model<InferAttributes<PersonRoleRow>, InferCreationAttributes<PersonRoleRow>> {
  declare personId: PersonId
  declare roleId: RoleId
}
export const PERSON_ROLE = table('person_role', PersonRoleRow, () => ({ personId: key(text()), roleId: key(text()) }))

/** A browser with which somebody has signed in before. */
export class KnownDeviceRow extends Model<InferAttributes<KnownDeviceRow>, InferCreationAttributes<KnownDeviceRow>> {
  declare hash: string
  declare personId: PersonId
  declare seenAt: number
}
export const KNOWN_DEVICE = table('known_device', KnownDeviceRow, () => ({ hash: key(text()), personId: key(text()), seenAt: instant() }))

/** How often signing in has failed for an account, an address, a device. */
export class SignInFailureRow extends Model<InferAttributes<SignInFailureRow>, InferCreationAttributes<SignInFailureRow>> {
  declare key: string
  declare failures: number
  declare lastAt: number
}
export const SIGN_IN_FAILURE = table('sign_in_failure', SignInFailureRow, () => ({
  key: key(text()),
  failures: whole(),
  lastAt: instant(),
}))

/** What whoever shows a token may do, once. */
export class OneTimeTokenRow extends Model<InferAttributes<OneTimeTokenRow>, InferCreationAttributes<OneTimeTokenRow>> {
  declare hash: string
  declare purpose: string
  declare personId: PersonId
  declare detail: string
  declare expiresAt: number
}
export const ONE_TIME_TOKEN = table('one_time_token', OneTimeTokenRow, () => ({
  hash: key(text()),
  purpose: text(),
  personId: text(),
  detail: text(),
  expiresAt: instant(),
}))
