import { fork, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { Rect } from '@jackdaw/core/guides'
import { NOT_A_PICTURE, pictureType } from './pictureType'
import type { AnswerMessage, JobKind, JobMessage, Jobs, Outcome } from './jobs'

const MB = 1024 * 1024
export type DecodingLimits = {
  processes: number
  dataBytes: number
  heapMb: number
  waitingJobs: number
  jobsAProcess: number
  heldBytes: number
  timeMs: Readonly<Record<JobKind, number>>
}
/** Limits of one process. What it holds after a job decides whether it is used again. */
export const DECODING_LIMITS: DecodingLimits = {
  processes: 2,
  dataBytes: 1_400 * MB,
  heapMb: 700,
  waitingJobs: 400,
  jobsAProcess: 300,
  heldBytes: 350 * MB,
  timeMs: { picture: 30_000, fill: 60_000, markdown: 45_000, settle: 45_000, copy: 45_000, table: 45_000, holidays: 20_000 },
}

const PRLIMIT = '/usr/bin/prlimit'
type Job = { kind: JobKind; asked: Jobs[JobKind]['asked']; done: (outcome: Outcome<JobKind>) => void }
type Busy = { job: Job; n: number; timer: NodeJS.Timeout }

const tooMuch = { ok: false, words: 'The file takes too much time or memory to be read. Nothing of it was kept.' } as const
const crowded = { ok: false, words: 'Too many files are being read just now. Nothing of it was kept; try again in a minute.' } as const

/** One process that does one job at a time. It ends with its job where that takes too long, and takes nothing else along. */
class Worker {
  private child: ChildProcess | null = null
  private busy: Busy | null = null
  private jobs = 0

  constructor(
    private readonly script: string,
    private readonly free: () => void,
    private readonly limits: DecodingLimits,
  ) {}

  get isFree(): boolean {
    return this.busy === null
  }
  take(job: Job): void {
    const child = (this.child ??= this.start())
    const n = ++this.jobs
    const timer = setTimeout(() => this.end(tooMuch), this.limits.timeMs[job.kind])
    this.busy = { job, n, timer }
    child.ref()
    const message: Omit<JobMessage, 'asked'> & Pick<Job, 'asked'> = { n, kind: job.kind, asked: job.asked }
    child.send(message, (error) => error && this.end(tooMuch))
  }
  stop(): void {
    this.end(crowded)
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
    child.on('message', (answer: AnswerMessage) => this.answered(child, answer))
    child.on('error', () => child === this.child && this.end(tooMuch))
    child.on('exit', () => child === this.child && this.end(tooMuch))
    child.unref()
    child.channel?.unref()
    return child
  }
  private answered(child: ChildProcess, { n, outcome, rss }: AnswerMessage): void {
    if (child !== this.child || this.busy?.n !== n) return
    if (rss > this.limits.heldBytes || this.jobs >= this.limits.jobsAProcess) return this.end(outcome)
    this.settle(outcome)
  }
  private settle(outcome: Outcome<JobKind>): void {
    const { busy } = this
    this.busy = null
    this.child?.unref()
    if (!busy) return
    clearTimeout(busy.timer)
    busy.job.done(outcome)
    this.free()
  }
  /** Ends the process; the next job gets a new one. */
  private end(outcome: Outcome<JobKind>): void {
    const { child } = this
    this.child = null
    child?.removeAllListeners()
    child?.on('error', () => undefined)
    child?.kill('SIGKILL')
    this.settle(outcome)
  }
}

/** Reads strangers' files in processes of their own, which are held to limits of memory and time. */
export class Decoder {
  private readonly workers: Worker[]
  private readonly waiting: Job[] = []

  /** @param script the built process, see `process.ts` */
  constructor(
    script: URL,
    private readonly limits: DecodingLimits = DECODING_LIMITS,
  ) {
    this.workers = Array.from({ length: limits.processes }, () => new Worker(fileURLToPath(script), () => this.next(), limits))
  }

  /** Reads a picture and writes it anew, with its smaller ones. */
  async picture(bytes: Uint8Array): Promise<Outcome<'picture'>> {
    // What is no picture by its first bytes does not even get there.
    return pictureType(bytes) === null ? NOT_A_PICTURE : this.run('picture', { bytes })
  }
  /** Fills areas of a stored picture and makes all that is derived from it anew. @param areas in pixels of the picture */
  fill(full: Uint8Array, mediaType: string, areas: readonly Rect[]): Promise<Outcome<'fill'>> {
    return this.run('fill', { full, mediaType, areas })
  }
  /** Makes a draft from a Markdown text. */
  markdown(source: string, fileName: string): Promise<Outcome<'markdown'>> {
    return this.run('markdown', { source, fileName })
  }
  /** Settles which pictures of such a draft were there. */
  settle(draft: Jobs['settle']['asked']['draft'], found: readonly string[]): Promise<Outcome<'settle'>> {
    return this.run('settle', { draft, found })
  }
  /** Reads the first table of a file. */
  table(asked: Jobs['table']['asked']): Promise<Outcome<'table'>> {
    return this.run('table', asked)
  }
  /** Reads the days off of a calendar file. */
  holidays(asked: Jobs['holidays']['asked']): Promise<Outcome<'holidays'>> {
    return this.run('holidays', asked)
  }
  /** Makes another guide of a draft. */
  copy(asked: Jobs['copy']['asked']): Promise<Outcome<'copy'>> {
    return this.run('copy', asked)
  }
  /** Ends all processes. */
  stop(): void {
    this.waiting.splice(0).forEach((job) => job.done(crowded))
    this.workers.forEach((worker) => worker.stop())
  }

  private run<K extends JobKind>(kind: K, asked: Jobs[K]['asked']): Promise<Outcome<K>> {
    return new Promise((resolve) => {
      if (this.waiting.length >= this.limits.waitingJobs) return resolve(crowded)
      this.waiting.push({ kind, asked, done: (outcome) => resolve(outcome) })
      this.next()
    })
  }
  private next(): void {
    for (const worker of this.workers) {
      if (this.waiting.length === 0) return
      if (worker.isFree) worker.take(this.waiting.shift()!)
    }
  }
}
