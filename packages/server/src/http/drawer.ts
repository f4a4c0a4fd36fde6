import { existsSync } from 'node:fs'
import { Worker } from 'node:worker_threads'
import type { Logger } from 'pino'
import * as z from 'zod/mini'

/** Longer than this nobody waits for a picture: the page is drawn in the browser all the same. */
const PATIENCE_MS = 200
/** More than this do not wait in a row. */
const MOST_WAITING = 20

const Drawn = z.object({
  id: z.int(),
  still: z.nullable(z.object({ title: z.string(), html: z.string() })),
  failed: z.optional(z.string()),
})
/** A page as it looks, and its title. */
export type Still = { title: string; html: string }
type ToDraw = { path: string; language: string; answers: Record<string, unknown> }
/** Draws pages ahead of the browser, in a thread of its own. `null`: not in time, or not at all. */
export type Drawer = { draw: (page: ToDraw) => Promise<Still | null>; stop: () => Promise<void> }

/** @param file the script that draws, as the build wrote it; without it nothing is drawn
 * @param patienceMs how long a page may take */
export function startDrawer(file: string, log: Logger, patienceMs = PATIENCE_MS): Drawer | null {
  if (!existsSync(file)) return null
  const waiting = new Map<number, (still: Still | null) => void>()
  let worker: Worker | null = null
  let stopped = false
  let last = 0
  const begin = (): Worker => {
    const begun = new Worker(file, { env: { ...process.env, NODE_ENV: 'production' } })
    begun.unref()
    begun.on('message', (message: unknown) => {
      const { id, still, failed } = Drawn.parse(message)
      if (failed) log.warn({ reason: failed }, 'a page was not drawn ahead')
      waiting.get(id)?.(still)
    })
    begun.on('error', (error) => log.warn({ err: { message: error.message } }, 'whoever draws pages ahead has ended'))
    begun.on('exit', () => {
      if (worker === begun) worker = null
      for (const answer of waiting.values()) answer(null)
    })
    return begun
  }
  worker = begin()
  return {
    draw: (page) =>
      new Promise((resolve) => {
        if (stopped || waiting.size >= MOST_WAITING) return resolve(null)
        const id = ++last
        const timer = setTimeout(() => answer(null), patienceMs)
        const answer = (still: Still | null) => {
          clearTimeout(timer)
          waiting.delete(id)
          resolve(still)
        }
        waiting.set(id, answer)
        worker ??= begin()
        worker.postMessage({ id, ...page })
      }),
    stop: async () => {
      stopped = true
      await worker?.terminate()
    },
  }
}
