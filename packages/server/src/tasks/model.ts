import type { GroupId, HandInId, PersonId, PictureId, TaskId } from '@jackdaw/core/shared'
import type { Confirmer, Evidence, HandInAnswer, TaskDocument } from '@jackdaw/core/tasks'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { counted, instant, json, key, optional, table, text, whole } from '../db'

/** A task as its author writes it. */
export class TaskRow extends Model<InferAttributes<TaskRow>, InferCreationAttributes<TaskRow>> {
  declare id: TaskId
  declare number: CreationOptional<number>
  declare ownerId: PersonId
  declare revision: number
  declare document: TaskDocument
  declare createdAt: number
  declare changedAt: number
  declare changedBy: PersonId
}
export const TASK = table('task', TaskRow, () => ({
  id: key(text()),
  number: counted(whole()),
  ownerId: text(),
  revision: whole(),
  document: json(),
  createdAt: instant(),
  changedAt: instant(),
  changedBy: text(),
}))

/** What of an edition of a task has to be asked in queries. */
export class TaskEditionRow extends Model<InferAttributes<TaskEditionRow>, InferCreationAttributes<TaskEditionRow>> {
  declare taskId: TaskId
  declare edition: number
  declare confirmer: Confirmer['by']
  declare roleId: GroupId | null
  declare evidence: Evidence
}
export const TASK_EDITION = table('task_edition', TaskEditionRow, () => ({
  taskId: key(text()),
  edition: key(whole()),
  confirmer: text(),
  roleId: optional(text()),
  evidence: text(),
}))

/** What somebody has handed in of a task; there is at most one that waits for an answer. */
export class HandInRow extends Model<InferAttributes<HandInRow>, InferCreationAttributes<HandInRow>> {
  declare id: HandInId
  declare taskId: TaskId
  declare edition: number
  declare personId: PersonId
  declare words: string
  declare pictureId: PictureId | null
  declare at: number
  declare answer: CreationOptional<HandInAnswer | null>
  declare answeredAt: CreationOptional<number | null>
  declare answeredBy: CreationOptional<PersonId | null>
  declare reason: string
}
export const HAND_IN = table('hand_in', HandInRow, () => ({
  id: key(text()),
  taskId: text(),
  edition: whole(),
  personId: text(),
  words: text(),
  pictureId: optional(text()),
  at: instant(),
  answer: optional(text()),
  answeredAt: optional(instant()),
  answeredBy: optional(text()),
  reason: text(),
}))

/** Who is asked to confirm what was handed in. */
export class HandInAskedRow extends Model<InferAttributes<HandInAskedRow>, InferCreationAttributes<HandInAskedRow>> {
  declare handInId: HandInId
  declare personId: PersonId
}
export const HAND_IN_ASKED = table('hand_in_asked', HandInAskedRow, () => ({ handInId: key(text()), personId: key(text()) }))
