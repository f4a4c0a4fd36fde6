// The thread that draws pages ahead of the browser. Built into dist/picture/ with everything that it draws.
import { parentPort } from 'node:worker_threads'
import { firstPicture, warmUp } from '../packages/web/src/firstPicture/firstPicture'

// Schemas are not needed to draw; they are checked without making code from text, as in the browser.
Object.assign(globalThis, { __zod_globalConfig: { jitless: true } })

let before = warmUp()
// One page after the other: each is drawn from the same places.
parentPort.on('message', ({ id, ...page }) => {
  before = before.then(async () => {
    try {
      parentPort.postMessage({ id, still: await firstPicture(page) })
    } catch (error) {
      parentPort.postMessage({ id, still: null, failed: error instanceof Error ? error.message : 'not drawn' })
    }
  })
})
