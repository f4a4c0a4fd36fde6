import { reasonOf } from '@jackdaw/core/shared'
import type { Logger } from 'pino'
import type { Database } from '../db'
import { TakenOver, type Job, type Running } from './job'
import { queueOver } from './putJob'

/** A job as it was taken out of the queue. */
export type Taken = { id: string; lane: string; name: string; data: unknown }
export type Carrier = { database: Database; clock: () => number; log: Logger; jobs: ReadonlyMap<string, Job> }

/** Takes the next job of a lane; `undefined` when none waits, or the database does not answer.
 * @param early also those that are to wait a while */
export async function takeJob({ database }: Carrier, lane: string, early = false): Promise<Taken | undefined> {
  const [found] = await queueOver(database).fetch<{ name: string; data: unknown }>(lane, { batchSize: 1, ignoreStartAfter: early })
  return found && { id: found.id, lane, name: found.data.name, data: found.data.data }
}

/** Carries a job out and writes down what came of it.
 * @returns whether it was done */
export async function carryOut(carrier: Carrier, taken: Taken): Promise<boolean> {
  const { database, clock, log, jobs } = carrier
  const { id, lane, name } = taken
  let finished = false
  const running: Running = {
    now: clock(),
    finish: async (effect) => {
      const result = await database.transaction(async (tx) => {
        const value = await effect(tx)
        // One that was taken over is not ours to end: the effect goes with it.
        const { affected } = (await queueOver(tx).complete(lane, id)) as unknown as { affected: number }
        if (affected === 0) throw new TakenOver(name)
        return value
      })
      finished = true
      return result
    },
    progress: async (done, of) =>
      void (await database.rows(`update jobs.job set output = $3 where name = $1 and id = $2 and state = 'active'`, [
        lane,
        id,
        JSON.stringify({ progress: { done, of } }),
      ])),
  }
  try {
    const known = jobs.get(name)
    if (!known) throw new Error(`this server knows no job "${name}"`)
    await known.run(known.data.parse(taken.data), running)
    if (!finished) await running.finish(async () => undefined)
    log.info({ job: name, ms: clock() - running.now }, 'job done')
    return true
  } catch (error) {
    if (error instanceof TakenOver) {
      log.warn({ job: name }, 'somebody else has begun this job')
      return false
    }
    log.warn({ job: name, reason: reasonOf(error) }, 'job failed')
    await giveBack(carrier, taken, reasonOf(error))
    return false
  }
}

/** Writes down why a job was not done; it is tried again, or has failed. When not even that can be written, it is taken over in time. */
export async function giveBack({ database, log }: Carrier, { lane, id, name }: Taken, why: string): Promise<void> {
  await queueOver(database)
    .fail(lane, id, { message: why })
    .catch((error: unknown) => log.error({ job: name, reason: reasonOf(error) }, 'a failed job could not be given back'))
}
