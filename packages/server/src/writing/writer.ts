import { ProcessPool, type OutcomeOf, type ProcessLimits } from '../processes'
import type { WritingJobs } from './jobs'

const MB = 1024 * 1024
/** Limits of the process in which files are written: one at a time, so that many who ask at once wait for each other. */
const LIMITS: ProcessLimits<keyof WritingJobs> = {
  processes: 1,
  // Of addresses, of which Node.js reserves more than a gigabyte for a heap of the size below.
  dataBytes: 2_600 * MB,
  heapMb: 700,
  waitingJobs: 50,
  jobsAProcess: 100,
  heldBytes: 350 * MB,
  timeMs: { pdf: 600_000, word: 600_000, page: 600_000, markdown: 600_000, 'guide-file': 300_000 },
}
const WORDS = {
  tooMuch: 'Writing it takes too much time or memory. Choose fewer guides, or a section.',
  crowded: 'Too many files are being written just now. Try again in a few minutes.',
}

/** Writes guides as files, in a process of its own. */
export class Writer {
  private readonly pool: ProcessPool<WritingJobs>

  /** @param script the built process, see `process.ts` */
  constructor(script: URL, limits: ProcessLimits<keyof WritingJobs> = LIMITS) {
    this.pool = new ProcessPool(script, limits, WORDS)
  }
  /** @param onProgress is told how far it is */
  write<K extends keyof WritingJobs>(
    kind: K,
    asked: WritingJobs[K]['asked'],
    onProgress: (done: number, of: number) => void,
  ): Promise<OutcomeOf<WritingJobs, K>> {
    return this.pool.run(kind, asked, onProgress)
  }
  /** Ends the process. */
  stop(): void {
    this.pool.stop()
  }
}
