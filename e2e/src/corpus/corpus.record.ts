import { mkdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { RawAction } from '@jackdaw/core/recording'
import { afterAll, beforeAll, describe, it } from 'vitest'
import { startApp, type App } from '../app'
import { Hand } from '../hand'
import { servePages } from '../pageServer'
import { openRecorder, sleep, startOrderBook, type Recorder } from '../recorder'
import { REST_OF_ORDER_BOOK } from './orderBook'
import { ORDERS } from './orders'
import { OTHER_PAGES } from './otherPages'

/** Records the corpus anew: `RECORD_CORPUS=all`, or a part of a name. Not a test: it writes the files that the rules are tested with. */
const wanted = process.env['RECORD_CORPUS']
const FOLDER = join(process.cwd(), 'packages/core/src/recording/corpus')

let app: App
let recorder: Recorder
let pages: Awaited<ReturnType<typeof servePages>>
beforeAll(async () => {
  if (!wanted) return
  app = await startApp()
  pages = await servePages()
  recorder = await openRecorder(app.address)
  await recorder.pair()
  await mkdir(FOLDER, { recursive: true })
})
afterAll(async () => {
  await recorder?.close()
  await pages?.close()
  await app?.close()
})

/** What the extension has kept, without pictures and boxes of text: the rules do not read them. */
const kept = async (): Promise<RawAction[]> => {
  const worker = await recorder.worker()
  const all = (await worker.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const open = indexedDB.open('recorder', 1)
        open.onerror = () => reject(open.error as Error)
        open.onsuccess = () => {
          const get = open.result.transaction('actions').objectStore('actions').getAll()
          get.onsuccess = () => {
            open.result.close()
            resolve(get.result)
          }
        }
      }),
  )) as { action: RawAction }[]
  return all.map(({ action }) => ({ ...action, textBoxes: undefined, otherShots: undefined })).sort((a, b) => a.at - b.at)
}

describe.runIf(wanted)('the corpus', () => {
  const all = [
    ...[...ORDERS, ...REST_OF_ORDER_BOOK].map((each) => ({ ...each, book: true })),
    ...OTHER_PAGES.map((each) => ({ ...each, book: false })),
  ]
  it.each(all.filter((each) => wanted === 'all' || new RegExp(wanted ?? '').test(each.name)))('$name', async (scenario) => {
    const book = await startOrderBook()
    const bench = {
      book: book.address,
      pages: `http://localhost:${pages.port}`,
      other: `http://127.0.0.1:${pages.port}`,
      newTab: async (address: string) => {
        const page = await recorder.browser.newPage()
        await page.goto(address)
        return page
      },
    }
    try {
      const page = await recorder.record(`${scenario.book ? bench.book : `${bench.pages}/`}${scenario.at}`, {
        language: scenario.language ?? 'en',
      })
      await sleep(900)
      await scenario.work(new Hand(page), bench)
      await page.mouse.move(2, 2)
      await sleep(500)
      await recorder.panel({ panel: 'wish', wish: 'pause' })
      await sleep(400)
      const actions = await kept()
      const entry = {
        name: scenario.name,
        ...(scenario.aside ? { aside: true } : {}),
        language: scenario.language ?? 'en',
        want: scenario.want,
        actions,
      }
      await writeFile(join(FOLDER, `${scenario.name}.json`), `${JSON.stringify(entry)}\n`)
    } finally {
      await recorder.panel({ panel: 'wish', wish: 'discard' })
      for (const each of await recorder.browser.pages())
        if (each.url().startsWith('http') && !each.url().startsWith(app.address)) await each.close()
      book.close()
    }
  })
})
