import type { DutyId } from '@jackdaw/contracts/groups'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { Language, Level, Permission } from '@jackdaw/core/people'
import type { GroupId, GroupKindId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, counted, day, instant, key, optional, table, text, texts, truth, usually, whole } from '../db'

/** Somebody who works here, or did. */
export class PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  declare id: PersonId
  declare name: string
  declare mail: string | null
  declare passwordHash: string | null
  declare level: Level
  declare permissions: Permission[]
  declare siteId: GroupId
  declare managerId: PersonId | null
  declare active: boolean
  declare createdAt: number
  declare language: CreationOptional<Language>
  declare readsAsPage: CreationOptional<boolean>
  /** Since when site, manager, level and being here are as they are. */
  declare changedAt: number
  declare number: string | null
  declare jobTitle: CreationOptional<string>
  declare telephone: CreationOptional<string>
  declare faceHash: string | null
  declare startedOn: LocalDate | null
  /** Whether the password was given to them for one time. */
  declare passwordGiven: CreationOptional<boolean>
  /** By what they are found: name, job title and number, without case and accents. */
  declare sought: CreationOptional<string>
}
export const PERSON = table('person', PersonRow, () => ({
  id: key(text()),
  name: text(),
  mail: optional(text()),
  passwordHash: optional(text()),
  level: text(),
  permissions: texts(),
  siteId: text(),
  managerId: optional(text()),
  active: truth(),
  createdAt: instant(),
  language: usually(text(), 'en'),
  readsAsPage: usually(truth(), false),
  changedAt: instant(),
  number: optional(text()),
  jobTitle: usually(text(), ''),
  telephone: usually(text(), ''),
  faceHash: optional(text()),
  startedOn: optional(day()),
  passwordGiven: usually(truth(), false),
  sought: usually(text(), ''),
}))

/** What somebody was until they became something else. */
export class PersonPastRow extends Model<InferAttributes<PersonPastRow>, InferCreationAttributes<PersonPastRow>> {
  declare id: CreationOptional<number>
  declare personId: PersonId
  declare since: number
  declare until: number
  declare siteId: GroupId
  declare managerId: PersonId | null
  declare level: Level
  declare active: boolean
}
export const PERSON_PAST = table('person_past', PersonPastRow, () => ({
  id: counted(key(big())),
  personId: text(),
  since: instant(),
  until: instant(),
  siteId: text(),
  managerId: optional(text()),
  level: text(),
  active: truth(),
}))

/** A kind of groups: those that every company has, and its own. */
export class GroupKindRow extends Model<InferAttributes<GroupKindRow>, InferCreationAttributes<GroupKindRow>> {
  declare id: GroupKindId
  declare name: string
  declare builtIn: CreationOptional<boolean>
}
export const GROUP_KIND = table('group_kind', GroupKindRow, () => ({ id: key(text()), name: text(), builtIn: usually(truth(), false) }))

/** A group of people of whatever kind; a site has a time zone (IANA), no other has. */
export class GroupRow extends Model<InferAttributes<GroupRow>, InferCreationAttributes<GroupRow>> {
  declare id: GroupId
  declare kindId: GroupKindId
  declare name: string
  declare about: CreationOptional<string>
  declare zone: string | null
  declare leaderId: PersonId | null
  declare createdAt: number
  declare closedAt: number | null
}
export const GROUP = table('people_group', GroupRow, () => ({
  id: key(text()),
  kindId: text(),
  name: text(),
  about: usually(text(), ''),
  zone: optional(text()),
  leaderId: optional(text()),
  createdAt: instant(),
  closedAt: optional(instant()),
}))

/** That somebody is in a group, or was until some time. */
export class MembershipRow extends Model<InferAttributes<MembershipRow>, InferCreationAttributes<MembershipRow>> {
  declare id: CreationOptional<number>
  declare personId: PersonId
  declare groupId: GroupId
  declare since: number
  declare until: number | null
}
export const MEMBERSHIP = table('membership', MembershipRow, () => ({
  id: counted(key(big())),
  personId: text(),
  groupId: text(),
  since: instant(),
  until: optional(instant()),
}))

/** What whoever is in a group has to do. */
export class DutyRow extends Model<InferAttributes<DutyRow>, InferCreationAttributes<DutyRow>> {
  declare id: DutyId
  declare groupId: GroupId
  declare position: number
  declare title: string
  declare about: string
}
export const DUTY = table('duty', DutyRow, () => ({ id: key(text()), groupId: text(), position: whole(), title: text(), about: text() }))

/** That an item tells how a duty is done. */
export class DutyItemRow extends Model<InferAttributes<DutyItemRow>, InferCreationAttributes<DutyItemRow>> {
  declare dutyId: DutyId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare position: number
}
export const DUTY_ITEM = table('duty_item', DutyItemRow, () => ({
  dutyId: key(text()),
  itemKind: key(text()),
  itemId: key(text()),
  position: whole(),
}))

/** That somebody's rights were changed, and by whom. */
export class RightsChangeRow extends Model<InferAttributes<RightsChangeRow>, InferCreationAttributes<RightsChangeRow>> {
  declare id: CreationOptional<number>
  declare personId: PersonId
  declare byId: PersonId | null
  declare at: number
  declare levelBefore: Level
  declare levelAfter: Level
  declare granted: Permission[]
  declare withdrawn: Permission[]
}
export const RIGHTS_CHANGE = table('rights_change', RightsChangeRow, () => ({
  id: counted(key(big())),
  personId: text(),
  byId: optional(text()),
  at: instant(),
  levelBefore: text(),
  levelAfter: text(),
  granted: texts(),
  withdrawn: texts(),
}))

/** That somebody is invited to choose a password, and when the mail with the link leaves or has left. */
export class InvitationRow extends Model<InferAttributes<InvitationRow>, InferCreationAttributes<InvitationRow>> {
  declare personId: PersonId
  declare byId: PersonId
  declare createdAt: number
  declare sendAt: number | null
  declare sentAt: number | null
  declare withdrawnAt: number | null
}
export const INVITATION = table('invitation', InvitationRow, () => ({
  personId: key(text()),
  byId: text(),
  createdAt: instant(),
  sendAt: optional(instant()),
  sentAt: optional(instant()),
  withdrawnAt: optional(instant()),
}))

/** That somebody is away, from a day until a day, both included. */
export class AbsenceRow extends Model<InferAttributes<AbsenceRow>, InferCreationAttributes<AbsenceRow>> {
  declare id: CreationOptional<number>
  declare personId: PersonId
  declare fromOn: LocalDate
  declare untilOn: LocalDate
  declare byId: PersonId
  declare createdAt: number
}
export const ABSENCE = table('absence', AbsenceRow, () => ({
  id: counted(key(big())),
  personId: text(),
  fromOn: day(),
  untilOn: day(),
  byId: text(),
  createdAt: instant(),
}))

/** What a leaver had, and to whom it went. */
export class HandoverRow extends Model<InferAttributes<HandoverRow>, InferCreationAttributes<HandoverRow>> {
  declare personId: PersonId
  declare kind: string
  declare thingId: string
  declare toId: PersonId
  declare at: number
}
export const HANDOVER = table('handover', HandoverRow, () => ({
  personId: key(text()),
  kind: key(text()),
  thingId: key(text()),
  toId: text(),
  at: instant(),
}))

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
