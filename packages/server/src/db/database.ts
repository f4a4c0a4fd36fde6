import { QueryTypes, Sequelize, type Model, type Transaction } from 'sequelize'
import { driver } from './keptPlan'
import { Tables, type Rows, type Table } from './table'

/** A way to ask the database, in or outside a transaction. Rows of one table are read and written through {@link Db.in}; queries over sets,
 * locks and roll-ups are SQL with bound parameters `$1`, `$2`, …, never pasted values. */
export interface Db {
  /** The rows of a table that a domain declares in its `model.ts`. */
  in<M extends Model>(table: Table<M>): Rows<M>
  rows<T>(sql: string, bind?: unknown[]): Promise<T[]>
  /** The first row, or `undefined`. */
  one<T>(sql: string, bind?: unknown[]): Promise<T | undefined>
  /** Runs `work` in a transaction; joins the one that is already running. */
  transaction<T>(work: (tx: Db) => Promise<T>): Promise<T>
}

/** The pool of connections. */
export interface Database extends Db {
  readonly sequelize: Sequelize
  close(): Promise<void>
}

function over(sequelize: Sequelize, tables: Tables, transaction?: Transaction): Db {
  const db: Db = {
    in: (table) => tables.rowsOf(table, transaction),
    rows: <T>(sql: string, bind: unknown[] = []) =>
      sequelize.query(sql, { bind, type: QueryTypes.SELECT, raw: true, ...(transaction ? { transaction } : {}) }) as Promise<T[]>,
    one: async <T>(sql: string, bind: unknown[] = []) => (await db.rows<T>(sql, bind))[0],
    transaction: (work) => (transaction ? work(db) : sequelize.transaction((t) => work(over(sequelize, tables, t)))),
  }
  return db
}

/** Opens a pool on a PostgreSQL database.
 * @param connections at most so many at once */
export function openDatabase(url: string, connections: number): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: driver,
    logging: false,
    pool: { max: connections, min: 0, idle: 30_000, acquire: 20_000 },
    // Compiling a plan takes longer than any of our queries runs.
    dialectOptions: { application_name: 'jackdaw', options: '-c jit=off -c work_mem=16MB' },
  })
  return { ...over(sequelize, new Tables(sequelize)), sequelize, close: () => sequelize.close() }
}
