import type { FolderId, PersonId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, key, optional, table, text } from '../db'

/** A folder of the library. */
export class FolderRow extends Model<InferAttributes<FolderRow>, InferCreationAttributes<FolderRow>> {
  declare id: FolderId
  declare parentId: FolderId | null
  declare name: string
  declare archivedAt: CreationOptional<number | null>
  declare createdAt: number
  /** Since when anyone may open it without signing in, and who said so. */
  declare openedAt: CreationOptional<number | null>
  declare openedBy: CreationOptional<PersonId | null>
}
export const FOLDER = table('folder', FolderRow, () => ({
  id: key(text()),
  parentId: optional(text()),
  name: text(),
  archivedAt: optional(instant()),
  createdAt: instant(),
  openedAt: optional(instant()),
  openedBy: optional(text()),
}))
