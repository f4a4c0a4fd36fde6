import { Model, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { json, key, table, text } from '../db'

/** A setting of the company, or a fact about this installation. */
export class SettingRow extends Model<InferAttributes<SettingRow>, InferCreationAttributes<SettingRow>> {
  declare key: string
  declare value: unknown
}
export const SETTING = table('setting', SettingRow, () => ({ key: key(text()), value: json() }))
