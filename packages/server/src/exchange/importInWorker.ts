import { Worker } from 'node:worker_threads'
import type { ImportedDraft } from '@jackdaw/core/exchange'

const GIVES_UP_AFTER_MS = 60_000

/** Reads Markdown in a thread of its own, so that a large text does not hold up other requests.
 * @param workerUrl the built thread, see `importWorker.ts`
 * @throws Error when it takes more than a minute or runs out of memory */
export function importInWorker(workerUrl: URL, source: string, fileName: string): Promise<ImportedDraft> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(workerUrl, {
      workerData: { source, fileName },
      resourceLimits: { maxOldGenerationSizeMb: 768, stackSizeMb: 8 },
    })
    const timer = setTimeout(() => {
      reject(new Error('reading the text takes too long'))
      void worker.terminate()
    }, GIVES_UP_AFTER_MS)
    worker.once('message', resolve)
    worker.once('error', reject)
    worker.once('exit', (code) => {
      clearTimeout(timer)
      reject(new Error(`the thread that reads the text ended with ${code}`))
    })
  })
}
