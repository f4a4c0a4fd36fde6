import { JOBS, turnAt, type JobName, type JobRules } from '@jackdaw/core/jobs'
import { entriesOf, reasonOf } from '@jackdaw/core/shared'
import pg from 'pg'
import { carryOut, giveBack, takeJob, type Carrier, type Taken } from './carryOut'
import { putJob, queueOver, SCHEMA } from './putJob'

/** How many jobs of each lane one process carries out at a time. */
const AT_ONCE = { short: 2, long: 1 } as const
const LANES = ['short', 'long'] as const
type Lane = (typeof LANES)[number]

export type RunnerTimes = {
  /** How long a lane that found nothing waits, unless it is told of a new job. */
  pollMs: number
  /** How often it is looked after jobs that were begun and never ended, and what has become due. */
  tidyMs: number
  /** How long a stop waits for what is being done. */
  graceMs: number
}
const USUAL: RunnerTimes = { pollMs: 5_000, tidyMs: 20_000, graceMs: 6_000 }

/** Carries out the jobs that wait in the database. Any number of them may run, in one process or in many. */
export class Runner {
  private stopping = false
  private readonly waiting = new Map<() => void, Lane>()
  private readonly underWay = new Map<string, Taken>()
  private loops: Promise<void>[] = []
  private ear: pg.Client | null = null
  private tidying: NodeJS.Timeout | undefined

  constructor(
    private readonly carrier: Carrier,
    private readonly address: string,
    private readonly times: RunnerTimes = USUAL,
  ) {}

  /** Begins to carry out jobs. */
  async start(): Promise<void> {
    await this.listen()
    this.loops = LANES.flatMap((lane) => Array.from({ length: AT_ONCE[lane] }, () => this.work(lane)))
    const tidy = () => void this.tidy()
    this.tidying = setInterval(tidy, this.times.tidyMs)
    tidy()
  }

  /** Takes no new job, waits a while for those under way, and gives back what does not end. */
  async stop(): Promise<void> {
    this.stopping = true
    clearInterval(this.tidying)
    for (const wake of this.waiting.keys()) wake()
    let timer: NodeJS.Timeout | undefined
    const grace = new Promise<void>((resolve) => (timer = setTimeout(resolve, this.times.graceMs)))
    await Promise.race([Promise.all(this.loops), grace])
    clearTimeout(timer)
    await Promise.all([...this.underWay.values()].map((taken) => giveBack(this.carrier, taken, 'The server was stopped.')))
    await this.ear?.end().catch(() => undefined)
  }

  /** Carries out everything that waits now, also what is to wait a while, one after the other.
   * @returns how many were done */
  async drain(): Promise<number> {
    let done = 0
    for (const lane of LANES)
      for (let taken = await takeJob(this.carrier, lane, true); taken; taken = await takeJob(this.carrier, lane, true))
        if (await carryOut(this.carrier, taken)) done++
    return done
  }

  private async work(lane: Lane): Promise<void> {
    while (!this.stopping) {
      const taken = await takeJob(this.carrier, lane)
      if (!taken) await this.untilTold(lane)
      else {
        this.underWay.set(taken.id, taken)
        await carryOut(this.carrier, taken)
        this.underWay.delete(taken.id)
      }
    }
  }

  private untilTold(lane: Lane): Promise<void> {
    if (this.stopping) return Promise.resolve()
    return new Promise((resolve) => {
      const wake = () => {
        clearTimeout(timer)
        this.waiting.delete(wake)
        resolve()
      }
      const timer = setTimeout(wake, this.times.pollMs)
      this.waiting.set(wake, lane)
    })
  }

  /** Hears of new jobs. Without it they are found a little later; a lost connection is made anew with the next tidying. */
  private async listen(): Promise<void> {
    const ear = new pg.Client({ connectionString: this.address, application_name: 'jackdaw-jobs' })
    const lost = (error: unknown) => {
      if (this.ear === ear) this.ear = null
      if (!this.stopping) this.carrier.log.warn({ reason: reasonOf(error) }, 'no longer told of new jobs')
    }
    ear.on('error', lost)
    ear.on('notification', ({ payload }) => {
      for (const [wake, lane] of this.waiting) if (lane === payload) wake()
    })
    try {
      await ear.connect()
      await ear.query(`listen ${SCHEMA}`)
      this.ear = ear
    } catch (error) {
      lost(error)
      await ear.end().catch(() => undefined)
    }
  }

  /** Puts in what has become due, and looks after jobs that were begun and never ended. Every server does so; the keys keep it at once each. */
  private async tidy(): Promise<void> {
    const { database, clock, log } = this.carrier
    try {
      if (!this.ear) await this.listen()
      for (const [name, rules] of entriesOf<Record<JobName, JobRules>>(JOBS))
        if (rules.every && this.carrier.jobs.has(name)) await putJob(database, name, {} as never, `turn ${turnAt(rules.every, clock())}`)
      await database.transaction(async (tx) => {
        await queueOver(tx).maintain()
      })
    } catch (error) {
      log.warn({ reason: reasonOf(error) }, 'jobs could not be looked after')
    }
  }
}
