import { sendGuestEvents } from '@jackdaw/contracts/sharing'
import type { UsageEvent } from '@jackdaw/core/players'
import type { GuestVisitId } from '@jackdaw/core/shared'
import { ApiProblem, call, Unreachable } from '../api'
import type { Teller } from '../players/readBy'

const SOON_MS = 900
const AGAIN_MS = 5_000
const BATCH = 50
/** What is kept while nothing can be sent; a guest who is without a network for longer is counted as far as that. */
const MOST_KEPT = 500

/** Tells what a guest does, as long as their page is open: nothing is left in the browser of somebody whom nobody knows. */
export class GuestTeller implements Teller {
  private waiting: UsageEvent[] = []
  private sending = false
  private timer: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly token: string,
    private readonly visit: GuestVisitId,
  ) {}

  record = (event: UsageEvent): void => {
    if (this.waiting.length < MOST_KEPT) this.waiting.push(event)
    this.soon(SOON_MS)
  }
  flush = (): void => void this.send(false)

  /** Begins to tell. @returns what ends it */
  start(): () => void {
    const hidden = () => document.visibilityState === 'hidden' && void this.send(true)
    document.addEventListener('visibilitychange', hidden)
    return () => {
      document.removeEventListener('visibilitychange', hidden)
      clearTimeout(this.timer)
    }
  }

  private soon(afterMs: number): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.send(false), afterMs)
  }
  private async send(keepalive: boolean): Promise<void> {
    if (this.sending || this.waiting.length === 0) return
    this.sending = true
    const events = this.waiting.slice(0, BATCH)
    try {
      await call(sendGuestEvents, { params: { token: this.token }, body: { visit: this.visit, sentAt: Date.now(), events }, keepalive })
      this.waiting = this.waiting.slice(events.length)
      this.sending = false
      if (this.waiting.length > 0 && !keepalive) await this.send(false)
    } catch (error) {
      this.sending = false
      const status = error instanceof ApiProblem ? error.problem.status : null
      if (status === null && !(error instanceof Unreachable)) throw error
      // What the server will never take is not sent again; the page says by itself that a link has ended.
      if (status !== null && status < 500 && status !== 429) this.waiting = this.waiting.slice(events.length)
      else this.soon(AGAIN_MS)
    }
  }
}
