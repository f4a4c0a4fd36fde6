import type { Rect } from '@jackdaw/core/guides'
import { ProcessPool, type ProcessLimits } from '../processes'
import { NOT_A_PICTURE, pictureType } from './pictureType'
import type { JobKind, Jobs, Outcome } from './jobs'

const MB = 1024 * 1024
/** Limits of the processes in which strangers' files are read. */
export type DecodingLimits = ProcessLimits<JobKind>
/** Limits of one process. What it holds after a job decides whether it is used again. */
export const DECODING_LIMITS: DecodingLimits = {
  processes: 2,
  // Of addresses, of which Node.js reserves more than a gigabyte for a heap of the size below; what is really held is less than half of it.
  dataBytes: 2_400 * MB,
  heapMb: 700,
  waitingJobs: 400,
  jobsAProcess: 300,
  heldBytes: 260 * MB,
  timeMs: {
    picture: 30_000,
    fill: 60_000,
    markdown: 45_000,
    document: 60_000,
    'guide-file': 45_000,
    'settle-file': 45_000,
    settle: 45_000,
    copy: 45_000,
    table: 45_000,
    holidays: 20_000,
  },
  // A document says how far it is page by page: a large one may take its time, one that hangs may not.
  stillMs: { document: 9_500 },
}

const WORDS = {
  tooMuch: 'The file takes too much time or memory to be read. Nothing of it was kept.',
  crowded: 'Too many files are being read just now. Nothing of it was kept; try again in a minute.',
}

/** Reads strangers' files in processes of their own, which are held to limits of memory and time. */
export class Decoder {
  private readonly pool: ProcessPool<Jobs>

  /** @param script the built process, see `process.ts` */
  constructor(script: URL, limits: DecodingLimits = DECODING_LIMITS) {
    this.pool = new ProcessPool(script, limits, WORDS)
  }

  /** Reads a picture and writes it anew, with its smaller ones. */
  async picture(bytes: Uint8Array): Promise<Outcome<'picture'>> {
    // What is no picture by its first bytes does not even get there.
    return pictureType(bytes) === null ? NOT_A_PICTURE : this.pool.run('picture', { bytes })
  }
  /** Fills areas of a stored picture and makes all that is derived from it anew. @param areas in pixels of the picture */
  fill(full: Uint8Array, mediaType: string, areas: readonly Rect[]): Promise<Outcome<'fill'>> {
    return this.pool.run('fill', { full, mediaType, areas })
  }
  /** Makes a draft from a Markdown text. */
  markdown(source: string, fileName: string): Promise<Outcome<'markdown'>> {
    return this.pool.run('markdown', { source, fileName })
  }
  /** Settles which pictures of such a draft were there. */
  settle(draft: Jobs['settle']['asked']['draft'], found: readonly string[]): Promise<Outcome<'settle'>> {
    return this.pool.run('settle', { draft, found })
  }
  /** Reads a document into a draft. */
  document(asked: Jobs['document']['asked']): Promise<Outcome<'document'>> {
    return this.pool.run('document', asked)
  }
  /** Reads the text of a guide file. */
  guideFile(text: string): Promise<Outcome<'guide-file'>> {
    return this.pool.run('guide-file', { text })
  }
  /** Leaves out of such a guide what is not there. */
  settleFile(asked: Jobs['settle-file']['asked']): Promise<Outcome<'settle-file'>> {
    return this.pool.run('settle-file', asked)
  }
  /** Reads the first table of a file. */
  table(asked: Jobs['table']['asked']): Promise<Outcome<'table'>> {
    return this.pool.run('table', asked)
  }
  /** Reads the days off of a calendar file. */
  holidays(asked: Jobs['holidays']['asked']): Promise<Outcome<'holidays'>> {
    return this.pool.run('holidays', asked)
  }
  /** Makes another guide of a draft. */
  copy(asked: Jobs['copy']['asked']): Promise<Outcome<'copy'>> {
    return this.pool.run('copy', asked)
  }
  /** Ends all processes. */
  stop(): void {
    this.pool.stop()
  }
}
