import { JOBS, type JobData, type JobName } from '@jackdaw/core/jobs'
import type * as z from 'zod/mini'
import type { Db } from '../db'
import type { Parts } from '../http'

/** A job that is being carried out. */
export type Running = {
  /** When it was begun, epoch milliseconds, UTC. */
  now: number
  /** Does something to the database in one transaction with the job's being done: either both, or neither. The last thing that a job does.
   * @throws TakenOver when somebody else has begun it meanwhile; then nothing was done */
  finish: <T>(effect: (tx: Db) => Promise<T>) => Promise<T>
  /** Says how far it is. */
  progress: (done: number, of: number) => Promise<void>
}
/** How a kind of job is carried out. What it does outside of `finish` may be done twice, when whoever did it is stopped before the end. */
export type Job = { name: string; data: z.ZodMiniType; run: (data: unknown, running: Running) => Promise<void> }

/** Says how a kind of job is carried out. */
export const job =
  <N extends JobName>(name: N, run: (parts: Parts, data: JobData<N>, running: Running) => Promise<void>) =>
  (parts: Parts): Job => ({ name, data: JOBS[name].data, run: (data, running) => run(parts, data as JobData<N>, running) })

/** Somebody else has begun this job since: it had taken too long, or was stopped. */
export class TakenOver extends Error {}
