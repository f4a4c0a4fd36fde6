import { JOBS, type JobData, type JobName, type JobRules } from '@jackdaw/core/jobs'
import PgBoss from 'pg-boss'
import { v5 as uuidV5 } from 'uuid'
import type { Db } from '../db'

/** Where the jobs lie in the database, and the channel on which it is told that there are new ones. */
export const SCHEMA = 'jobs'
const DAYS = 86_400
/** How long what was done stays to be seen, and holds its key. */
const KEPT = { archiveCompletedAfterSeconds: 7 * DAYS, archiveFailedAfterSeconds: 30 * DAYS, deleteAfterDays: 1 }
/** By what keys become ids: any fixed UUID. */
const KEYS = '6f0e7c52-3f0b-4f5c-9a51-5c1a0e6f3d7b'

/** The queue, asked through a connection or transaction of ours. It is never started: what it would do by itself, the runner has it do. */
export const queueOver = (db: Db): PgBoss =>
  new PgBoss({
    schema: SCHEMA,
    ...KEPT,
    db: {
      executeSql: async (sql: string, values: unknown[] = []) => ({
        rows: await db.rows(
          sql,
          values.map((value) => (value === undefined ? null : isPlain(value) ? JSON.stringify(value) : value)),
        ),
      }),
    },
  })
const isPlain = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype

/** `key`: a job of this name and key is put in once, until seven days after it was done. */
type New = { data: object; key?: string }
/** `afterS`: not before so many seconds. */
type When = { afterS?: number }

/** Puts jobs in by rules that are given along. */
export async function putByRules(
  tx: Db,
  name: string,
  rules: Omit<JobRules, 'data' | 'words' | 'byHand'>,
  jobs: readonly New[],
  { afterS = 0 }: When = {},
): Promise<void> {
  if (jobs.length === 0) return
  const { lane, tries, pauseS, lastsAtMostS } = rules
  const rows = jobs.map(({ data, key }) => ({
    ...(key === undefined ? {} : { id: uuidV5(`${name} ${key}`, KEYS) }),
    name: lane,
    data: { name, data },
    ...(afterS > 0 ? { startAfter: String(afterS) } : {}),
    retryLimit: tries - 1,
    retryDelay: pauseS,
    retryBackoff: true,
    expireInSeconds: lastsAtMostS,
  }))
  await tx.transaction(async (within) => {
    await queueOver(within).insert(rows)
    await tellOfJobs(within, lane)
  })
}
/** Has whoever carries out jobs look at once, when the transaction is through. */
export const tellOfJobs = (tx: Db, lane: string): Promise<unknown> => tx.rows('select pg_notify($1, $2)', [SCHEMA, lane])

/** Puts jobs in. They are there when the transaction is through, and only then. */
export const putJobs = <N extends JobName>(
  tx: Db,
  name: N,
  jobs: readonly { data: JobData<N>; key?: string }[],
  when?: When,
): Promise<void> => putByRules(tx, name, JOBS[name], jobs, when)
/** Puts one in. */
export const putJob = <N extends JobName>(tx: Db, name: N, data: JobData<N>, key?: string): Promise<void> =>
  putJobs(tx, name, [key === undefined ? { data } : { data, key }])
