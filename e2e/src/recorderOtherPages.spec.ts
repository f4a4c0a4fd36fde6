import { plainText } from '@jackdaw/core/guides'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { startApp, type App } from './app'
import { OTHER_PAGES } from './corpus/otherPages'
import { Hand } from './hand'
import { servePages } from './pageServer'
import { openRecorder, sleep, type Recorder } from './recorder'

/** Pages that are not the Order Book: plain forms, no names at all, a drawing, right to left, more than 5,000 elements, frames, shadows. */
const TRIED = [
  'leave-asked',
  'nameless-switch',
  'canvas-planted',
  'rtl-order',
  'table-row-edited',
  'frame-of-another-origin',
  'closed-shadow',
  'polish-page',
]

let app: App
let recorder: Recorder
let pages: Awaited<ReturnType<typeof servePages>>
beforeAll(async () => {
  app = await startApp()
  pages = await servePages()
  // Frames of other origins in one process: the driver can miss a frame that moves to a process of its own while the driver is
  // only being attached to the page. For pages and extension they are of another origin all the same; the bench records them isolated.
  recorder = await openRecorder(app.address, 'tomasz@larkmoor.example', '1280,900', [
    '--disable-site-isolation-trials',
    '--disable-features=IsolateOrigins,site-per-process',
  ])
  await recorder.pair()
})
afterEach(() => recorder.panel({ panel: 'wish', wish: 'discard' }))
afterAll(async () => {
  await recorder?.close()
  await pages?.close()
  await app?.close()
})

describe('a page that is not the Order Book', () => {
  it.each(OTHER_PAGES.filter((each) => TRIED.includes(each.name)))(
    'becomes a guide: $name',
    async ({ at, language = 'en', work, want }) => {
      const [base, other] = [`http://localhost:${pages.port}`, `http://127.0.0.1:${pages.port}`]
      const page = await recorder.record(`${base}/${at}`, { language })
      await sleep(1_200)
      await work(new Hand(page, 650), { book: '', pages: base, other, newTab: () => Promise.reject(new Error('one tab is enough here')) })
      await sleep(400)
      const id = await recorder.finish()
      await page.close()
      const { document } = await recorder.api('GET', `/api/guides/${id}/draft`)
      const plain = (line: string) => line.replace(/\*\*|`/g, '')
      expect(document).toMatchObject({ title: want[0], language })
      const lines = document.items.map((item: any) => (item.kind === 'section' ? `# ${item.title}` : plainText(item.body)))
      expect(lines).toEqual(want.slice(1).map(plain))
      // Whatever was acted on is framed in a picture, and what the rules were not sure of is marked.
      for (const item of document.items)
        if (item.action?.element) expect(item.pictures.map((picture: any) => picture.id)).toContain(item.action.element.pictureId)
      const doubts = document.items.flatMap((item: any) => item.check?.doubts ?? [])
      if (at === 'drawing.html') expect(doubts.filter((doubt: string) => doubt === 'drawn-area')).toHaveLength(2)
      if (at === 'nameless.html') expect(doubts).toContain('no-name')
      if (at === 'form.html') expect(doubts).toEqual([])
    },
  )
})
