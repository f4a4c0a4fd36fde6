import { mkdir, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, it } from 'vitest'
import { startApp, type App } from '../app'
import { Hand } from '../hand'
import { keptRecording } from '../keptRecording'
import { openRecorder, startOrderBook, type Recorder } from '../recorder'

/** Records the guides of the demo anew: `RECORD_DEMO=yes`. Not a test: it writes the files from which the demo is loaded. */
const wanted = process.env['RECORD_DEMO'] === 'yes'
const FOLDER = join(process.cwd(), 'demo/recordings')

let app: App
let book: Awaited<ReturnType<typeof startOrderBook>>
let recorder: Recorder
beforeAll(async () => {
  if (!wanted) return
  app = await startApp()
  book = await startOrderBook()
  recorder = await openRecorder(app.address)
  await recorder.pair()
})
afterAll(async () => {
  await recorder?.close()
  book?.close()
  await app?.close()
})

const WORK: Record<string, { at: string; work: (hand: Hand) => Promise<void> }> = {
  'enter-a-standing-order': {
    at: '/standing-orders',
    work: async (hand) => {
      await hand.click('link=New standing order')
      await hand.choose('Customer', '40218')
      await hand.click('Tue')
      await hand.click('Fri')
      await hand.choose('Herb', 'Thyme')
      await hand.choose('Crate', 'M')
      await hand.type('Crates', '6')
      await hand.click('First delivery: choose a day')
      await hand.click('Fri 13 March')
      await hand.click('Save standing order')
    },
  },
  'book-a-delivery-slot': {
    at: '/orders',
    work: async (hand) => {
      await hand.click('link=Deliveries')
      await hand.click('07:00, Dock 2: free')
      await hand.type('Haulier', 'Two Rivers')
      await hand.type('Pallets', '5')
      await hand.click('Chilled')
      await hand.click('Tail lift')
      await hand.click('button=Book')
    },
  },
}

describe.runIf(wanted)('the recordings of the demo', () => {
  it.each(Object.keys(WORK))('%s', async (name) => {
    const { at, work } = WORK[name]!
    const page = await recorder.record(book.address + at)
    const hand = new Hand(page, 1_000)
    await hand.rest(1_500)
    await work(hand)
    await recorder.panel({ panel: 'wish', wish: 'pause' })
    await hand.rest()
    const { actions, shots } = await keptRecording(recorder)
    const folder = join(FOLDER, name)
    await rm(folder, { recursive: true, force: true })
    await mkdir(folder, { recursive: true })
    // The pages were on a port of the moment; in the demo the Order Book is where it always is.
    const text = JSON.stringify({ language: 'en', actions }, null, 1).replaceAll(book.address, 'http://127.0.0.1:4410')
    await writeFile(join(folder, 'recording.json'), `${text}\n`)
    for (const [id, bytes] of shots) await writeFile(join(folder, `${id}.webp`), bytes)
    await recorder.panel({ panel: 'wish', wish: 'discard' })
    await page.close()
  })
})
