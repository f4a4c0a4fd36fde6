import { QueryTypes, Sequelize, type Transaction } from 'sequelize'

/** A way to ask the database, in or outside a transaction. SQL takes bound parameters `$1`, `$2`, …, never pasted values. */
export interface Db {
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

function over(sequelize: Sequelize, transaction?: Transaction): Db {
  const db: Db = {
    rows: <T>(sql: string, bind: unknown[] = []) =>
      sequelize.query(sql, { bind, type: QueryTypes.SELECT, raw: true, ...(transaction ? { transaction } : {}) }) as unknown as Promise<
        T[]
      >,
    one: async <T>(sql: string, bind: unknown[] = []) => (await db.rows<T>(sql, bind))[0],
    transaction: (work) => (transaction ? work(db) : sequelize.transaction((t) => work(over(sequelize, t)))),
  }
  return db
}

/** Opens a pool on a PostgreSQL database.
 * @param connections at most so many at once */
export function openDatabase(url: string, connections: number): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: connections, min: 0, idle: 30_000, acquire: 20_000 },
    dialectOptions: { application_name: 'jackdaw' },
  })
  return { ...over(sequelize), sequelize, close: () => sequelize.close() }
}
