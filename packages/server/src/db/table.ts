import {
  DataTypes,
  type Attributes,
  type CreationAttributes,
  type Model,
  type ModelAttributeColumnOptions,
  type ModelAttributes,
  type ModelStatic,
  type Order,
  type Sequelize,
  type Transaction,
  type WhereOptions,
} from 'sequelize'

/** A table as its domain declares it: the class of its rows, and its columns, made anew for each database that they are defined for. */
export type Table<M extends Model> = { name: string; row: ModelStatic<M>; columns: () => ModelAttributes<M, Attributes<M>> }
/** Declares a table. Its name and those of its columns in the database are the ones here in small letters with underscores. */
export const table = <M extends Model>(name: string, row: ModelStatic<M>, columns: () => ModelAttributes<M, Attributes<M>>): Table<M> => ({
  name,
  row,
  columns,
})

type Column = ModelAttributeColumnOptions<Model>
const notNull = (type: Column['type'], more: Partial<Column> = {}): Column => ({ type, allowNull: false, ...more })
/** Kinds of columns. */
export const text = (): Column => notNull(DataTypes.TEXT)
export const whole = (): Column => notNull(DataTypes.INTEGER)
/** A number with a fraction. */
export const real = (): Column => notNull(DataTypes.DOUBLE)
export const small = (): Column => notNull(DataTypes.SMALLINT)
export const truth = (): Column => notNull(DataTypes.BOOLEAN)
export const uuid = (): Column => notNull(DataTypes.UUID)
export const json = (): Column => notNull(DataTypes.JSONB)
export const wholes = (): Column => notNull(DataTypes.ARRAY(DataTypes.INTEGER))
export const texts = (): Column => notNull(DataTypes.ARRAY(DataTypes.TEXT))
/** The number of a transaction of the database, as a text of digits. */
export const xid = (): Column => notNull('xid8')
/** A local date, `YYYY-MM-DD`. */
export const day = (): Column => notNull(DataTypes.DATEONLY)
/** A whole number beyond 32 bits, read as a number. */
export const big = (): Column =>
  notNull(DataTypes.BIGINT, {
    get(this: Model, ...[key]: string[]) {
      const value: unknown = this.getDataValue(key!)
      return value === null || value === undefined ? value : Number(value)
    },
  })
/** An instant: `timestamptz` in the database, epoch milliseconds (UTC) in the code. */
export const instant = (): Column =>
  notNull(DataTypes.DATE, {
    get(this: Model, ...[key]: string[]) {
      const value: unknown = this.getDataValue(key!)
      return value instanceof Date ? value.getTime() : value
    },
  })
/** A column that may hold nothing. */
export const optional = (column: Column): Column => ({ ...column, allowNull: true })
/** A column of the primary key. */
export const key = (column: Column): Column => ({ ...column, primaryKey: true })
/** A column whose value the database makes. */
export const counted = (column: Column): Column => ({ ...column, autoIncrement: true })
/** A column with a value that the database sets where none is given. */
export const usually = (column: Column, value: string | number | boolean): Column => ({ ...column, defaultValue: value })

type Find<A, K extends keyof A> = {
  /** Only these columns. */
  only?: readonly K[]
  order?: Order
  limit?: number
  /** Hold the rows until the end of the transaction. */
  lock?: boolean
}
/** What to do where a row with the same key is there already. */
type OnConflict<A> = { inPlaceOf?: readonly (keyof A & string)[]; skip?: boolean }

/** The rows of a table, in or outside a transaction. They come as plain values. */
export interface Rows<M extends Model, A extends object = Attributes<M>> {
  find<K extends keyof A = keyof A>(where: WhereOptions<A>, find?: Find<A, K>): Promise<Pick<A, K>[]>
  /** The first row, or `undefined`. */
  one<K extends keyof A = keyof A>(where: WhereOptions<A>, find?: Find<A, K>): Promise<Pick<A, K> | undefined>
  count(where: WhereOptions<A>): Promise<number>
  /** @returns the row with what the database has set */
  insert(values: CreationAttributes<M>): Promise<A>
  /** @param on `inPlaceOf`: columns that are written anew where the key is there already; `skip`: such rows are left as they are */
  insertAll(values: readonly CreationAttributes<M>[], on?: OnConflict<A>): Promise<void>
  /** @returns how many rows there were */
  update(values: Partial<A>, where: WhereOptions<A>): Promise<number>
  /** @returns how many rows there were */
  remove(where: WhereOptions<A>): Promise<number>
}

/** The tables of one database: each is defined for it when it is first asked for. */
export class Tables {
  private readonly defined = new Map<string, ModelStatic<Model>>()
  constructor(private readonly sequelize: Sequelize) {}

  private modelOf<M extends Model>({ name, row, columns }: Table<M>): ModelStatic<M> {
    const known = this.defined.get(name)
    if (known) return known as ModelStatic<M>
    const model = class extends (row as ModelStatic<Model>) {} as ModelStatic<M>
    model.init(columns(), { sequelize: this.sequelize, tableName: name, modelName: name, underscored: true, timestamps: false })
    this.defined.set(name, model)
    return model
  }

  rowsOf<M extends Model>(of: Table<M>, transaction?: Transaction): Rows<M> {
    type A = Attributes<M>
    const model = this.modelOf(of)
    const within = transaction ? { transaction } : {}
    const plain = (row: M): A => row.get({ plain: true })
    const find = async (where: WhereOptions<A>, { only, lock, ...rest }: Find<A, keyof A> = {}): Promise<A[]> => {
      const columns = only ? { attributes: only as string[] } : {}
      const held = lock && transaction ? { lock: transaction.LOCK.UPDATE } : {}
      return (await model.findAll({ where, ...columns, ...held, ...rest, ...within })).map(plain)
    }
    const rows: Rows<M> = {
      find,
      one: async (where: WhereOptions<A>, how: Find<A, keyof A> = {}) => (await find(where, { limit: 1, ...how }))[0],
      count: (where) => model.count({ where, ...within }),
      insert: async (values) => plain(await model.create(values, within)),
      insertAll: async (values, { inPlaceOf, skip } = {}) => {
        if (values.length === 0) return
        const on = { ...(inPlaceOf ? { updateOnDuplicate: [...inPlaceOf] } : {}), ...(skip ? { ignoreDuplicates: true } : {}) }
        await model.bulkCreate(values, { ...within, ...on, returning: false })
      },
      update: async (values, where) => (await model.update(values, { where, ...within }))[0],
      remove: (where) => model.destroy({ where, ...within }),
    }
    return rows
  }
}
