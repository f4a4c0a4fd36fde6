const SLICE_MS = 8
type Scheduler = { postTask(run: () => void, options: { priority: 'background' }): Promise<void> }
const { scheduler } = globalThis as { scheduler: Scheduler }

/** Does long work when the page has nothing better to do, in short slices between which the page's own work goes first.
 * @param stale whether the page has changed meanwhile and the work is of no use any more
 * @returns `null` when it became stale */
export function idly<T>(work: Generator<void, T>, stale: () => boolean): Promise<T | null> {
  return new Promise((resolve) => {
    const slice = () => {
      if (stale()) return resolve(null)
      const until = performance.now() + SLICE_MS
      do {
        const step = work.next()
        if (step.done) return resolve(step.value)
      } while (performance.now() < until)
      next()
    }
    const next = () => void scheduler.postTask(slice, { priority: 'background' })
    next()
  })
}
