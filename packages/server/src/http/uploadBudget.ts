import type { Request, RequestHandler, Response } from 'express'
import { fail } from './fail'

/** How many bytes of uploads one server holds at a time. */
const BUDGET_BYTES = 256 * 1024 * 1024
/** How long an upload waits for room before it is told to come again. */
const PATIENCE_MS = 20_000
/** What is smaller does not wait. */
const SMALL_BYTES = 256 * 1024

type Waiting = { bytes: number; go: () => void }

/** Lets large uploads in as there is room for them; the others wait at the door, unread. */
export class UploadBudget {
  private used = 0
  private readonly queue: Waiting[] = []

  constructor(private readonly budgetBytes = BUDGET_BYTES) {}

  /** Waits for room. @returns gives the room back; may be called more than once */
  async take(bytes: number, patienceMs = PATIENCE_MS): Promise<() => void> {
    const wanted = Math.min(bytes, this.budgetBytes)
    if (this.used + wanted > this.budgetBytes || this.queue.length > 0) await this.wait(wanted, patienceMs)
    else this.used += wanted
    let held = true
    return () => {
      if (!held) return
      held = false
      this.used -= wanted
      this.letIn()
    }
  }

  /** Layer in front of the reader of an upload: holds room from before its first byte until it is answered. */
  layer(maxBytes: number): RequestHandler {
    return async (req: Request, res: Response, next) => {
      const told = Number(req.headers['content-length'])
      const bytes = Number.isSafeInteger(told) && told >= 0 ? Math.min(told, maxBytes) : maxBytes
      if (bytes > SMALL_BYTES) res.once('close', await this.take(bytes))
      next()
    }
  }

  private wait(bytes: number, patienceMs: number): Promise<void> {
    return new Promise((resolve, reject) => {
      const waiting: Waiting = {
        bytes,
        go: () => {
          clearTimeout(timer)
          resolve()
        },
      }
      const timer = setTimeout(() => {
        this.queue.splice(this.queue.indexOf(waiting), 1)
        try {
          fail('busy', 'Many large files are being sent just now. Nothing was stored; try again in a minute.', [], 60)
        } catch (error) {
          reject(error)
        }
      }, patienceMs)
      this.queue.push(waiting)
    })
  }
  private letIn(): void {
    for (let next = this.queue[0]; next && this.used + next.bytes <= this.budgetBytes; next = this.queue[0]) {
      this.queue.shift()
      this.used += next.bytes
      next.go()
    }
  }
}
