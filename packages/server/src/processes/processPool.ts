import { fork, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

/** What is done in processes of their own, by kind: what goes in, and what comes back. */
export type Kinds = Record<string, { asked: unknown; done: object }>
/** Why something was not done, in words; `fault`: an error of ours, for the log. */
type Undone = { ok: false; words: string; fault?: string }
/** What came of a job: its result, or in words why there is none. */
export type OutcomeOf<J extends Kinds, K extends keyof J> = ({ ok: true } & J[K]['done']) | Undone
type AnyOutcome = ({ ok: true } & object) | Undone

/** A job on its way to a process, and what comes back: how far it is, or its answer. `rss`: bytes that the process holds after it. */
export type JobMessageOf<J extends Kinds> = { [K in keyof J & string]: { n: number; kind: K; asked: J[K]['asked'] } }[keyof J & string]
export type AnswerMessageOf<J extends Kinds> =
  { n: number; outcome: OutcomeOf<J, keyof J>; rss: number } | { n: number; progress: { done: number; of: number } }

/** Limits of one process. `heldBytes`: what it holds after a job decides whether it is used again; `stillMs`: how long it may go without saying how far it
 * is, where that is less than the whole time. */
export type ProcessLimits<K extends string = string> = {
  processes: number
  dataBytes: number
  heapMb: number
  waitingJobs: number
  jobsAProcess: number
  heldBytes: number
  timeMs: Readonly<Record<K, number>>
  stillMs?: Readonly<Partial<Record<K, number>>>
}
/** What is said when a job is ended, and when too many wait. */
export type PoolWords = { tooMuch: string; crowded: string }
type OnProgress = (done: number, of: number) => void

const PRLIMIT = '/usr/bin/prlimit'
type Job = { kind: string; asked: unknown; done: (outcome: AnyOutcome) => void; onProgress?: OnProgress | undefined }
type Busy = { job: Job; n: number; timer: NodeJS.Timeout; still?: NodeJS.Timeout | undefined }
type Answer = { n: number; outcome: AnyOutcome; rss: number } | { n: number; progress: { done: number; of: number } }

/** One process that does one job at a time. It ends with its job where that takes too long, and takes nothing else along. */
class Worker {
  private child: ChildProcess | null = null
  private busy: Busy | null = null
  private jobs = 0
  private readonly tooMuch: Undone

  constructor(
    private readonly script: string,
    private readonly free: () => void,
    private readonly limits: ProcessLimits,
    private readonly words: PoolWords,
  ) {
    this.tooMuch = { ok: false, words: words.tooMuch }
  }

  get isFree(): boolean {
    return this.busy === null
  }
  take(job: Job): void {
    const child = (this.child ??= this.start())
    const n = ++this.jobs
    const timer = setTimeout(() => this.end(this.tooMuch), this.limits.timeMs[job.kind])
    this.busy = { job, n, timer }
    this.hear(this.busy)
    child.ref()
    child.send({ n, kind: job.kind, asked: job.asked }, (error) => error && this.end(this.tooMuch))
  }
  stop(): void {
    this.end({ ok: false, words: this.words.crowded })
  }

  private start(): ChildProcess {
    const limited = process.platform === 'linux' && existsSync(PRLIMIT)
    const node = [`--max-old-space-size=${this.limits.heapMb}`, '--no-warnings']
    const child = fork(this.script, [], {
      ...(limited
        ? { execPath: PRLIMIT, execArgv: [`--data=${this.limits.dataBytes}`, '--core=0', process.execPath, ...node] }
        : { execArgv: node }),
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      // Nothing of the server's: no address of the database, no secret.
      env: { PATH: process.env['PATH'] ?? '' },
    })
    this.jobs = 0
    child.on('message', (answer: Answer) => this.answered(child, answer))
    child.on('error', () => child === this.child && this.end(this.tooMuch))
    child.on('exit', () => child === this.child && this.end(this.tooMuch))
    child.unref()
    child.channel?.unref()
    return child
  }
  private answered(child: ChildProcess, answer: Answer): void {
    if (child !== this.child || this.busy?.n !== answer.n) return
    if ('progress' in answer) {
      this.hear(this.busy)
      return this.busy.job.onProgress?.(answer.progress.done, answer.progress.of)
    }
    const { outcome, rss } = answer
    if (rss > this.limits.heldBytes || this.jobs >= this.limits.jobsAProcess) return this.end(outcome)
    this.settle(outcome)
  }
  /** Waits for the next word of the process. */
  private hear(busy: Busy): void {
    clearTimeout(busy.still)
    const stillMs = this.limits.stillMs?.[busy.job.kind]
    if (stillMs !== undefined) busy.still = setTimeout(() => this.end(this.tooMuch), stillMs)
  }
  private settle(outcome: AnyOutcome): void {
    const { busy } = this
    this.busy = null
    this.child?.unref()
    if (!busy) return
    clearTimeout(busy.timer)
    clearTimeout(busy.still)
    busy.job.done(outcome)
    this.free()
  }
  /** Ends the process; the next job gets a new one. */
  private end(outcome: AnyOutcome): void {
    const { child } = this
    this.child = null
    child?.removeAllListeners()
    child?.on('error', () => undefined)
    child?.kill('SIGKILL')
    this.settle(outcome)
  }
}

/** Processes that do one job each at a time, held to limits of memory and time. */
export class ProcessPool<J extends Kinds> {
  private readonly workers: Worker[]
  private readonly waiting: Job[] = []

  /** @param script the built process */
  constructor(
    script: URL,
    private readonly limits: ProcessLimits<keyof J & string>,
    private readonly words: PoolWords,
  ) {
    this.workers = Array.from({ length: limits.processes }, () => new Worker(fileURLToPath(script), () => this.next(), limits, words))
  }

  /** Has a job done. @param onProgress is told how far it is */
  run<K extends keyof J & string>(kind: K, asked: J[K]['asked'], onProgress?: OnProgress): Promise<OutcomeOf<J, K>> {
    return new Promise((resolve) => {
      if (this.waiting.length >= this.limits.waitingJobs) return resolve({ ok: false, words: this.words.crowded })
      this.waiting.push({ kind, asked, done: (outcome) => resolve(outcome as OutcomeOf<J, K>), onProgress })
      this.next()
    })
  }
  /** Ends all processes. */
  stop(): void {
    this.waiting.splice(0).forEach((job) => job.done({ ok: false, words: this.words.crowded }))
    this.workers.forEach((worker) => worker.stop())
  }

  private next(): void {
    for (const worker of this.workers) {
      if (this.waiting.length === 0) return
      if (worker.isFree) worker.take(this.waiting.shift()!)
    }
  }
}
