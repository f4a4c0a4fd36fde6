import { JOBS } from '@jackdaw/core/jobs'
import { keysOf } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** What has become of a job. `waiting`: also one that failed and will be tried again; then it has a reason. */
export const JobState = z.enum(['waiting', 'running', 'failed', 'done'])
/** Read by {@link JobState}. */
export type JobState = z.infer<typeof JobState>

/** A job. Times are epoch milliseconds, UTC. `tries`: how often it has been begun. `nextAt`: when it is tried next, of one that waits. */
export const JobRow = z.object({
  id: z.uuid(),
  name: z.string(),
  state: JobState,
  tries: z.int(),
  putAt: z.int(),
  startedAt: z.nullable(z.int()),
  endedAt: z.nullable(z.int()),
  nextAt: z.nullable(z.int()),
  reason: z.nullable(z.string()),
  progress: z.nullable(z.object({ done: z.int(), of: z.int() })),
})
/** Read by {@link JobRow}. */
export type JobRow = z.infer<typeof JobRow>

const JobId = z.object({ jobId: z.uuid() })

/** The newest jobs in a state, and how many there are in each. */
export const listJobs = endpoint({
  method: 'get',
  path: '/api/jobs',
  access: { may: 'jobs.manage' },
  query: z.object({ state: z.optional(JobState), name: z.optional(z.enum(keysOf(JOBS))) }),
  response: z.object({ rows: z.array(JobRow), counts: z.record(JobState, z.int()) }),
  problems: ['invalid'],
})
/** Has a job that failed tried again. */
export const retryJob = endpoint({
  method: 'post',
  path: '/api/jobs/:jobId/retry',
  access: { may: 'jobs.manage' },
  params: JobId,
  problems: ['not-found', 'job-not-failed'],
})
/** What is to be done now. */
export const JobStart = z.object({ name: z.enum(keysOf(JOBS)) })
/** Has something done now that is else done when it is due. While one waits already, there is no second. */
export const startJob = endpoint({
  method: 'post',
  path: '/api/jobs',
  access: { may: 'jobs.manage' },
  body: JobStart,
  problems: ['invalid'],
})
