import type { ApplicationScope } from '@jackdaw/contracts/applications'
import type { ApplicationId, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, key, optional, table, text, texts } from '../db'

/** An application that is connected; `endedAt`: since when it may do nothing any more. */
export class ApplicationRow extends Model<InferAttributes<ApplicationRow>, InferCreationAttributes<ApplicationRow>> {
  declare id: ApplicationId
  declare name: string
  declare scopes: ApplicationScope[]
  declare tokenHash: string
  declare ownerId: PersonId
  declare madeAt: number
  declare usedAt: CreationOptional<number | null>
  declare endedAt: CreationOptional<number | null>
}
export const APPLICATION = table('application', ApplicationRow, () => ({
  id: key(text()),
  name: text(),
  scopes: texts(),
  tokenHash: text(),
  ownerId: text(),
  madeAt: instant(),
  usedAt: optional(instant()),
  endedAt: optional(instant()),
}))

/** What an application told of somebody. */
export class ToldActRow extends Model<InferAttributes<ToldActRow>, InferCreationAttributes<ToldActRow>> {
  declare applicationId: ApplicationId
  declare id: string
  declare personId: PersonId
  declare name: string
  declare at: number
  declare receivedAt: number
}
export const TOLD_ACT = table('told_act', ToldActRow, () => ({
  applicationId: key(text()),
  id: key(text()),
  personId: text(),
  name: text(),
  at: instant(),
  receivedAt: instant(),
}))
