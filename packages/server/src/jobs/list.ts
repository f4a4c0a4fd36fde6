import type { JobRow, JobState } from '@jackdaw/contracts/jobs'
import { JOBS, type JobName } from '@jackdaw/core/jobs'
import type { Db } from '../db'
import { fail, failField } from '../http'
import { putJob, queueOver, tellOfJobs } from './putJob'

const MOST_LISTED = 200
/** Our word for the queue's own state; one that was cancelled has ended as well. */
const STATE = `case when state in ('created', 'retry') then 'waiting' when state = 'active' then 'running' when state = 'failed' then 'failed' else 'done' end`

type Row = {
  id: string
  name: string
  state: JobState
  begun: number
  created_on: Date
  started_on: Date | null
  completed_on: Date | null
  start_after: Date
  output: { message?: unknown; value?: { message?: unknown }; progress?: { done: number; of: number } } | null
}
const rowOf = ({ id, name, state, begun, output, ...row }: Row): JobRow => {
  const reason = state === 'done' ? undefined : (output?.message ?? output?.value?.message)
  return {
    id,
    name,
    state,
    tries: begun,
    putAt: row.created_on.getTime(),
    startedAt: row.started_on?.getTime() ?? null,
    endedAt: row.completed_on?.getTime() ?? null,
    nextAt: state === 'waiting' ? row.start_after.getTime() : null,
    reason: typeof reason === 'string' ? reason : null,
    progress: (state === 'running' && output?.progress) || null,
  }
}

/** The newest jobs in a state, at most 200, and how many there are in each. */
export async function listJobsIn(
  db: Db,
  { state, name }: { state?: JobState | undefined; name?: JobName | undefined },
): Promise<{ rows: JobRow[]; counts: Record<JobState, number> }> {
  const [rows, counted] = await Promise.all([
    db.rows<Row>(
      `select * from (
         select id, data ->> 'name' as name, ${STATE} as state, case when started_on is null then 0 else retry_count + 1 end as begun,
           created_on, started_on, completed_on, start_after, output from jobs.job) job
       where ($1::text is null or state = $1) and ($2::text is null or name = $2)
       order by coalesce(completed_on, started_on, created_on) desc, id limit ${MOST_LISTED}`,
      [state ?? null, name ?? null],
    ),
    db.rows<{ state: JobState; n: number }>(
      `select ${STATE} as state, count(*)::int as n from jobs.job where ($1::text is null or data ->> 'name' = $1) group by 1`,
      [name ?? null],
    ),
  ])
  const counts = { waiting: 0, running: 0, failed: 0, done: 0, ...Object.fromEntries(counted.map(({ state: of, n }) => [of, n])) }
  return { rows: rows.map(rowOf), counts }
}

/** Has a job that failed tried again. */
export async function tryAgain(db: Db, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    const row = await tx.one<{ lane: string; state: string }>('select name as lane, state from jobs.job where id = $1 for update', [id])
    if (!row) return fail('not-found')
    if (row.state !== 'failed') fail('job-not-failed', 'It waits, runs or is done already.')
    await queueOver(tx).retry(row.lane, id)
    await tellOfJobs(tx, row.lane)
  })
}

/** Has something done now. While one waits already, there is no second. */
export async function startNow(db: Db, name: JobName): Promise<void> {
  const { byHand, lane } = JOBS[name]
  if (!byHand) failField('/body/name', 'This is done when there is a reason for it, not by hand.')
  await db.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock(hashtextextended($1, 2))', [name])
    const waits = await tx.one(`select 1 from jobs.job where name = $1 and data ->> 'name' = $2 and state = 'created'`, [lane, name])
    if (!waits) await putJob(tx, name, {} as never)
  })
}
