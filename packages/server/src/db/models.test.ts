import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { DataTypes, Model } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newDatabase } from '../testing/testServer'
import { openDatabase, type Database } from './index'
import type { Table } from './table'

/** Tables that other programs read and write: sessions, and the list of migrations. */
const OF_OTHERS = ['migration', 'session']
const SOURCE = join(process.cwd(), 'packages/server/src')

const isTable = (value: unknown): value is Table<Model> =>
  typeof value === 'object' && value !== null && 'columns' in value && 'row' in value
/** The tables that domains declare, with the domain that does. */
async function declared(): Promise<{ domain: string; table: Table<Model> }[]> {
  const files = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' }).filter((file) => /(^|\/)model\.ts$/.test(file))
  const found = await Promise.all(
    files.map(async (file) => {
      const module = (await import(pathToFileURL(join(SOURCE, file)).href)) as Record<string, unknown>
      return Object.values(module)
        .filter(isTable)
        .map((table) => ({ domain: file.split('/')[0]!, table }))
    }),
  )
  return found.flat()
}

let database: Database
beforeAll(async () => {
  database = openDatabase(await newDatabase(), 1)
})
afterAll(() => database.close())

const TYPES: [abstract: string, stored: string][] = [
  ['TEXT', 'text'],
  ['DOUBLE PRECISION', 'double precision'],
  ['INTEGER', 'integer'],
  ['SMALLINT', 'smallint'],
  ['BIGINT', 'bigint'],
  ['BOOLEAN', 'boolean'],
  ['UUID', 'uuid'],
  ['JSONB', 'jsonb'],
  ['ARRAY', 'ARRAY'],
  ['DATEONLY', 'date'],
  ['DATE', 'timestamp with time zone'],
]
const storedType = (type: unknown): string =>
  typeof type === 'string'
    ? type
    : (TYPES.find(([name]) => type instanceof DataTypes[name as 'TEXT'] || (type as { key?: string }).key === name)?.[1] ?? '?')
const underscored = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)

describe('the models', () => {
  it('say of every column what the migrations have made of it', async () => {
    const columns = await database.rows<{ table: string; column: string; type: string; nullable: boolean }>(
      `select table_name as table, column_name as column, data_type as type, is_nullable = 'YES' as nullable from information_schema.columns
       where table_schema = 'public' and table_name in (select relname from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'p') and not relispartition) order by 1, 2`,
    )
    const keys = await database.rows<{ table: string; column: string }>(
      `select k.table_name as table, k.column_name as column from information_schema.table_constraints c join information_schema.key_column_usage k using (constraint_schema, constraint_name)
       where c.constraint_type = 'PRIMARY KEY' and c.table_schema = 'public'`,
    )
    const isKey = new Set(keys.map(({ table, column }) => `${table} ${column}`))
    const stored = columns
      .filter(({ table }) => !OF_OTHERS.includes(table))
      .map((each) => ({ ...each, key: isKey.has(`${each.table} ${each.column}`) }))
    const said = (await declared()).flatMap(({ table }) =>
      Object.entries(table.columns()).map(([name, column]) => {
        const { type, allowNull, primaryKey } = column as { type: unknown; allowNull?: boolean; primaryKey?: boolean }
        return {
          table: table.name,
          column: underscored(name),
          type: storedType(type),
          nullable: allowNull ?? true,
          key: primaryKey ?? false,
        }
      }),
    )
    const order = (a: { table: string; column: string }, b: typeof a) => `${a.table} ${a.column}`.localeCompare(`${b.table} ${b.column}`)
    expect(said.sort(order)).toEqual(stored.sort(order))
  })
  it('compare ids by their bytes, and words as their readers do', async () => {
    const columns = await database.rows<{ name: string; bytes: boolean }>(
      `select table_name || '.' || column_name as name, collation_name is not distinct from 'C' as bytes from information_schema.columns
       where table_schema = 'public' and data_type = 'text' and table_name <> 'migration' order by 1`,
    )
    const isId = (name: string) => /[._](id|by|kind|hash|ref|verb|way)$/.test(name)
    expect(columns.filter(({ name, bytes }) => isId(name) !== bytes)).toEqual([])
  })
  it('declare each table once', async () => {
    const names = (await declared()).map(({ table }) => table.name)
    expect([...new Set(names)].sort()).toEqual(names.sort())
  })
  it('are read and written in the transaction of whoever asks', async () => {
    const found = (await declared()).find(({ table }) => table.name === 'setting')
    const settings = found?.table as Table<Model<any, any>>
    const broken = database.transaction(async (tx) => {
      await tx.in(settings).insert({ key: 'a', value: 'Welder' })
      expect(await tx.in(settings).count({})).toBe(1)
      throw new Error('no')
    })
    await expect(broken).rejects.toThrow('no')
    expect(await database.in(settings).find({})).toEqual([])
    await database.in(settings).insertAll([{ key: 'a', value: 'Welder' }])
    await database.in(settings).insertAll([{ key: 'a', value: 'Fitter' }], { inPlaceOf: ['value'] })
    await database.in(settings).insertAll([{ key: 'a', value: 'Cook' }], { skip: true })
    expect(await database.in(settings).find({}, { only: ['value'] })).toEqual([{ value: 'Fitter' }])
  })
})
