import type { AudienceRule } from '@jackdaw/core/audiences'
import type { AudienceId, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, json, key, optional, table, text, usually } from '../db'

/** A set of people, told as a rule. Without a name it belongs to the one thing that uses it. */
export class AudienceRow extends Model<InferAttributes<AudienceRow>, InferCreationAttributes<AudienceRow>> {
  declare id: AudienceId
  declare name: string | null
  declare about: CreationOptional<string>
  declare rule: AudienceRule
  /** When a rule that is taken as of a day stops following. */
  declare asOfAt: number | null
  declare createdBy: PersonId
  declare createdAt: number
  declare changedAt: number
  declare archivedAt: number | null
}
export const AUDIENCE = table('audience', AudienceRow, () => ({
  id: key(text()),
  name: optional(text()),
  about: usually(text(), ''),
  rule: json(),
  asOfAt: optional(instant()),
  createdBy: text(),
  createdAt: instant(),
  changedAt: instant(),
  archivedAt: optional(instant()),
}))

/** That somebody belongs to an audience. */
export class AudienceMemberRow extends Model<InferAttributes<AudienceMemberRow>, InferCreationAttributes<AudienceMemberRow>> {
  declare audienceId: AudienceId
  declare personId: PersonId
  declare since: number
}
export const AUDIENCE_MEMBER = table('audience_member', AudienceMemberRow, () => ({
  audienceId: key(text()),
  personId: key(text()),
  since: instant(),
}))
