import type { AnswerTo } from '@jackdaw/core/quizzes'
import type { ClipId, QuestionId } from '@jackdaw/core/shared'
import type { FileClip } from '../../../clips/fileClip'
import type { SendingReply } from './repliesHere'

/** What a reply session needs of the world. */
export type ReplyPorts = {
  /** Tells the server of a clip that is to come. */
  begin: (id: QuestionId, clip: FileClip) => Promise<ClipId>
  /** Sends the bytes of a clip from where it has come to. `onSent`: is told how many have come. */
  send: (clipId: ClipId, file: Blob, onSent: (bytes: number) => void, signal: AbortSignal) => Promise<void>
  /** Keeps a reply in case that the page is lost, until it is dropped. */
  keep: (id: QuestionId, clip: FileClip, clipId: ClipId | null) => Promise<unknown>
  drop: (id: QuestionId) => Promise<unknown>
  /** All of a reply is there: it is the answer. */
  come: (id: QuestionId, answer: AnswerTo<'recorded'>) => void
  changed: (sendings: ReadonlyMap<QuestionId, SendingReply>) => void
}

type Sending = SendingReply & { clipId: ClipId | null; end: AbortController }

/** The recorded replies of an attempt on their way: of a question one at a time, each kept until it has come, and gone on with where it broke off. */
export class ReplySession {
  private sendings: ReadonlyMap<QuestionId, Sending> = new Map()
  constructor(private readonly ports: ReplyPorts) {}

  /** Sends a reply; one to the same question that is still on its way is given up. @param clipId of one that an earlier page has begun to send */
  send(id: QuestionId, clip: FileClip, clipId: ClipId | null = null): Promise<void> {
    this.sendings.get(id)?.end.abort()
    const sending: Sending = { clip, clipId, sent: 0, error: null, end: new AbortController() }
    this.put(id, sending)
    return this.run(id, sending)
  }
  /** Goes on with one that has come to a stop. */
  again(id: QuestionId): Promise<void> {
    const stopped = this.sendings.get(id)
    return stopped ? this.send(id, stopped.clip, stopped.clipId) : Promise.resolve()
  }
  /** Goes on with all that have. */
  async againAll(): Promise<void> {
    const stopped = [...this.sendings].filter(([, { error }]) => error !== null)
    await Promise.all(stopped.map(([id]) => this.again(id)))
  }
  /** Gives one up. */
  async drop(id: QuestionId): Promise<void> {
    this.sendings.get(id)?.end.abort()
    this.put(id, null)
    await this.ports.drop(id)
  }

  private put(id: QuestionId, sending: Sending | null): void {
    const next = new Map(this.sendings)
    if (sending) next.set(id, sending)
    else next.delete(id)
    this.sendings = next
    this.ports.changed(next)
  }
  private async run(id: QuestionId, { clip, clipId: begun, end }: Sending): Promise<void> {
    /** Says how far it is, unless something else has taken its place. */
    const now = (more: Partial<Sending>): boolean => {
      const here = this.sendings.get(id)
      if (here?.end !== end) return false
      this.put(id, { ...here, ...more })
      return true
    }
    try {
      await this.ports.keep(id, clip, begun)
      const clipId = begun ?? (await this.ports.begin(id, clip))
      if (!now({ clipId })) return
      if (begun === null) await this.ports.keep(id, clip, clipId)
      if (end.signal.aborted) return
      await this.ports.send(clipId, clip.file, (bytes) => void now({ sent: bytes / clip.file.size }), end.signal)
      if (!now({ sent: 1 })) return
      this.ports.come(id, { clipId, kind: clip.kind, durationMs: clip.durationMs })
      this.put(id, null)
      await this.ports.drop(id)
    } catch (error) {
      now({ error })
    }
  }
}
