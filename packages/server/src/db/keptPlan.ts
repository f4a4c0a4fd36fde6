import pg from 'pg'

const MARK = /^\/\* plan kept as ([\w-]+) \*\//

/** Marks a statement that is asked so often, and looks for so little, that working out how costs more than doing it: each connection prepares
 * it once under this name, and the database keeps its plan. Not for statements whose best plan depends on what is asked, nor for such as are
 * put together differently from call to call. */
export const keepPlan = (name: string, sql: string): string => `/* plan kept as ${name} */ ${sql.trim()}`

type Query = (text: unknown, ...more: unknown[]) => unknown
/** A connection that prepares the statements that {@link keepPlan} has marked. Prepared statements have names in the driver, of which Sequelize
 * knows nothing. */
class Connection extends pg.Client {
  override query = ((text: unknown, ...more: unknown[]) => {
    const name = typeof text === 'string' && MARK.exec(text)?.[1]
    const query = super.query.bind(this) as Query
    return name ? query({ text, name, values: more[0] }, ...more.slice(1)) : query(text, ...more)
  }) as pg.Client['query']
}

/** The driver with such connections. */
export const driver = { ...pg, Client: Connection }
