import { JOBS, type JobName } from '@jackdaw/core/jobs'
import { keysOf } from '@jackdaw/core/shared'
import pino from 'pino'
import * as z from 'zod/mini'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { DOMAINS } from '../domains'
import { smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'
import type { Job, Running } from './job'
import { putByRules, putJob } from './putJob'
import { Runner, type RunnerTimes } from './runner'

let server: TestServer
let company: Company
let admin: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  admin = await company.as('admin')
  await server.parts.database.rows('create table effect (n integer)')
})
afterAll(() => server.close())
beforeEach(async () => {
  await server.parts.database.rows('truncate effect, jobs.job')
})

const RULES = { lane: 'short', tries: 3, pauseS: 0, lastsAtMostS: 60 } as const
const N = z.object({ n: z.int() })
const put = (n: number, key?: string) => putByRules(server.parts.database, 'trial', RULES, [{ data: { n }, ...(key ? { key } : {}) }])
const effects = async () => (await server.parts.database.rows<{ n: number }>('select n from effect order by n')).map((row) => row.n)
const note =
  (n: number) =>
  async (tx: { rows: TestServer['parts']['database']['rows'] }): Promise<void> =>
    void (await tx.rows('insert into effect values ($1)', [n]))
/** A runner that knows one job. */
function runner(run: (n: number, running: Running) => Promise<void>, times?: Partial<RunnerTimes>): Runner {
  const job: Job = { name: 'trial', data: N, run: (data, running) => run((data as { n: number }).n, running) }
  const carrier = { ...server.parts, log: pino({ level: 'silent' }), jobs: new Map([['trial', job]]) }
  return new Runner(carrier, server.parts.config.databaseUrl, { pollMs: 50, tidyMs: 60_000, graceMs: 500, ...times })
}
const until = async (holds: () => Promise<boolean> | boolean): Promise<void> => {
  while (!(await holds())) await new Promise((resolve) => setTimeout(resolve, 10))
}

describe('a job', () => {
  it('is there when its transaction is through, and only then', async () => {
    const broken = server.parts.database.transaction(async (tx) => {
      await putByRules(tx, 'trial', RULES, [{ data: { n: 1 } }])
      throw new Error('no')
    })
    await expect(broken).rejects.toThrow('no')
    await put(2)
    expect(await runner((n, { finish }) => finish(note(n))).drain()).toBe(1)
    expect(await effects()).toEqual([2])
  })
  it('is done once for a key, however often it is put in', async () => {
    await Promise.all([put(1, 'a'), put(1, 'a'), put(2, 'b')])
    const one = runner((n, { finish }) => finish(note(n)))
    await one.drain()
    await put(1, 'a')
    await one.drain()
    expect(await effects()).toEqual([1, 2])
  })
  it('is tried again, and has failed with its reason when it was tried often enough; an admin can have it tried again', async () => {
    await put(1)
    let tries = 0
    const failing = runner(async () => {
      tries++
      throw new Error('the printer is out of paper')
    })
    await failing.drain()
    expect(tries).toBe(3)
    const { rows, counts } = await admin.json('get', '/api/jobs?state=failed')
    expect(counts).toEqual({ waiting: 0, running: 0, failed: 1, done: 0 })
    expect(rows).toMatchObject([{ name: 'trial', tries: 3, reason: 'the printer is out of paper' }])
    await admin.json('post', `/api/jobs/${rows[0].id}/retry`, undefined, 204)
    expect((await admin.send('post', `/api/jobs/${rows[0].id}/retry`)).status).toBe(409)
    await runner((n, { finish }) => finish(note(n))).drain()
    expect(await effects()).toEqual([1])
    expect((await admin.json('get', '/api/jobs?state=done')).rows).toMatchObject([{ name: 'trial', reason: null }])
  })
  it('has no effect through whoever has lost it', async () => {
    await put(1)
    const { database } = server.parts
    const slow = runner(async (n, { finish }) => {
      // Somebody else takes it over, and does it.
      await database.rows(`update jobs.job set state = 'retry'`)
      await runner((m, other) => other.finish(note(m + 10))).drain()
      await finish(note(n))
    })
    await slow.drain()
    expect(await effects()).toEqual([11])
  })
  it('that was begun and never ended is begun anew when its time is up', async () => {
    await put(1)
    await server.parts.database.rows(
      `update jobs.job set state = 'active', started_on = now() - interval '2 minutes', expire_in = interval '1 minute'`,
    )
    const one = runner((n, { finish }) => finish(note(n)), { tidyMs: 30 })
    await one.start()
    await until(async () => (await effects()).length > 0)
    await one.stop()
    expect(await effects()).toEqual([1])
  })
  it('is begun at once by a runner that waits, and given back by one that is stopped', async () => {
    let begun = false
    const stuck = runner(
      async (n, { finish }) => {
        begun = true
        await new Promise<never>(() => undefined)
        await finish(note(n))
      },
      { pollMs: 60_000, graceMs: 50 },
    )
    await stuck.start()
    await put(1)
    await until(() => begun)
    await stuck.stop()
    expect((await admin.json('get', '/api/jobs?state=waiting')).rows).toMatchObject([{ reason: 'The server was stopped.' }])
    await runner((n, { finish }) => finish(note(n))).drain()
    expect(await effects()).toEqual([1])
  })
  it('says how far it is while it runs', async () => {
    await put(1)
    let seen: unknown
    await runner(async (_n, { progress }) => {
      await progress(2, 5)
      seen = (await admin.json('get', '/api/jobs?state=running')).rows
    }).drain()
    expect(seen).toMatchObject([{ progress: { done: 2, of: 5 } }])
  })
})

describe('the jobs of the domains', () => {
  it('are all carried out by somebody', () => {
    const known = DOMAINS.flatMap((domain) => domain.jobs ?? []).map((each) => each(server.parts).name)
    expect(known.sort()).toEqual(keysOf(JOBS).sort())
  })
  it('are put in by an admin once while they wait, and done', async () => {
    const byHand = keysOf(JOBS).filter((name) => JOBS[name].byHand)
    for (const name of [...byHand, ...byHand]) await admin.json('post', '/api/jobs', { name }, 204)
    expect((await admin.send('post', '/api/jobs', { name: 'send-mail' satisfies JobName })).status).toBe(422)
    expect(await server.runner.drain()).toBe(byHand.length)
    expect((await admin.json('get', '/api/jobs')).counts).toEqual({ waiting: 0, running: 0, failed: 0, done: byHand.length })
  })
  it('refuse data that are not theirs', async () => {
    await putJob(server.parts.database, 'send-mail', { entryId: 'no id' } as never)
    await server.runner.drain()
    expect((await admin.json('get', '/api/jobs')).counts.failed).toBe(1)
  })
})
