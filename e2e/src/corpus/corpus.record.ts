import { appendFile, mkdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { linesOf, type RawAction } from '@jackdaw/core/recording'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, it } from 'vitest'
import { startApp, type App } from '../app'
import { Hand } from '../hand'
import { servePages } from '../pageServer'
import { keptRecording } from '../keptRecording'
import { openRecorder, sleep, startOrderBook, type Recorder } from '../recorder'
import { FURTHER_PAGES } from './furtherPages'
import { judgePictures, Sights } from './judgePictures'
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

/** Words that stand or are typed in the pages and that nobody may ever find in what is told. */
const SECRETS = [
  'Robledo',
  'Pike',
  '600 123',
  '600123',
  '12345678',
  'Harbour Street',
  'Długa',
  '555-2610',
  '4539 1488',
  '0343 6467',
  'hunter22',
]

/** Without boxes of text and further pictures: the rules do not read them. */
const bare = (actions: readonly RawAction[]): RawAction[] =>
  actions.map((action) => ({ ...action, textBoxes: undefined, otherShots: undefined }))

/** A line about each recording, for those who count: what was wanted, what came, how the pictures are, what stayed readable. */
const REPORT = process.env['CORPUS_REPORT']
const report = (line: object) => (REPORT ? appendFile(REPORT, `${JSON.stringify(line)}\n`) : Promise.resolve())

describe.runIf(wanted)('the corpus', () => {
  const all = [
    ...[...ORDERS, ...REST_OF_ORDER_BOOK].map((each) => ({ ...each, book: true })),
    ...[...OTHER_PAGES, ...FURTHER_PAGES].map((each) => ({ ...each, book: false })),
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
      await scenario.before?.(bench)
      const page = await recorder.record(`${scenario.book ? bench.book : `${bench.pages}/`}${scenario.at}`, {
        language: scenario.language ?? 'en',
      })
      await sleep(900)
      const hand: Hand = new Hand(page, 380, () => sights.look())
      const sights = new Sights(() => hand.page)
      await scenario.work(hand, bench)
      await sights.look()
      await page.mouse.move(2, 2)
      await sleep(500)
      await recorder.panel({ panel: 'wish', wish: 'pause' })
      await sleep(400)
      const { actions, shots } = await keptRecording(recorder)
      const lines = linesOf(actions, scenario.language ?? 'en')
      const told = JSON.stringify(actions)
      const pictures = await judgePictures(actions, shots, sights.all)
      await report({
        name: scenario.name,
        aside: scenario.aside === true,
        want: scenario.want,
        lines,
        pictures: { ...pictures, wrong: pictures.wrong.map((each) => each.of) },
        secrets: SECRETS.filter((secret) => told.includes(secret)),
      })
      if (REPORT)
        for (const [n, each] of pictures.wrong.entries())
          for (const kind of ['picture', 'before', 'after'] as const)
            await writeFile(`${REPORT}.${scenario.name}.${n}.${kind}.png`, await sharp(each[kind]).png().toBuffer())
      const entry = {
        name: scenario.name,
        ...(scenario.aside ? { aside: true } : {}),
        language: scenario.language ?? 'en',
        want: scenario.want,
        actions: bare(actions),
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
