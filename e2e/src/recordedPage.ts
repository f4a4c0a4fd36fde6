import { plainText } from '@jackdaw/core/guides'
import { afterAll, afterEach, beforeAll, expect } from 'vitest'
import { startApp, type App } from './app'
import type { Bench, Scenario } from './corpus/scenario'
import { Hand } from './hand'
import { servePages, type PageServer } from './pageServer'
import { openRecorder, sleep, type Recorder } from './recorder'

/** Opens Jackdaw, the made-up pages and a recorder before the tests of a file, and closes them after. In the recorder's browser frames of
 * other origins are of one process: the driver can miss a frame that moves to a process of its own while the driver is only being attached
 * to the page. For pages and extension they are of another origin all the same; the bench records them isolated. */
export function recordingPages(): { draftOf: (scenario: Scenario) => Promise<any> } {
  let app: App
  let recorder: Recorder
  let pages: PageServer
  beforeAll(async () => {
    app = await startApp()
    pages = await servePages()
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
  return { draftOf: (scenario) => draftOf(recorder, pages, scenario) }
}

/** Does the work of a scenario while it is recorded.
 * @returns the draft that it becomes */
async function draftOf(recorder: Recorder, pages: PageServer, scenario: Scenario): Promise<any> {
  const { at, language = 'en', work, before } = scenario
  const [base, other] = [`http://localhost:${pages.port}`, `http://127.0.0.1:${pages.port}`]
  const newTab: Bench['newTab'] = async (address) => {
    const tab = await recorder.browser.newPage()
    await tab.goto(address)
    return tab
  }
  const bench: Bench = { book: '', pages: base, other, newTab }
  await before?.(bench)
  const page = await recorder.record(`${base}/${at}`, { language })
  await sleep(1_200)
  await work(new Hand(page, 650), bench)
  await sleep(400)
  const id = await recorder.finish()
  for (const each of await recorder.browser.pages()) if ([base, other].some((origin) => each.url().startsWith(origin))) await each.close()
  return (await recorder.api('GET', `/api/guides/${id}/draft`)).document
}

/** Holds a draft against the one that was wanted. */
export function expectWanted(document: any, { name, want, language = 'en' }: Scenario): void {
  const plain = (line: string) => line.replace(/\*\*|`/g, '')
  expect(document).toMatchObject({ title: want[0], language })
  const lines = document.items.map((item: any) => (item.kind === 'section' ? `# ${item.title}` : plainText(item.body)))
  expect(lines).toEqual(want.slice(1).map(plain))
  // What the rules were not sure of is marked, and nothing else.
  const doubts: string[] = document.items.flatMap((item: any) => item.check?.doubts ?? [])
  if (name === 'canvas-planted') expect(doubts.filter((doubt) => doubt === 'drawn-area')).toHaveLength(2)
  if (name === 'nameless-switch') expect(doubts).toContain('no-name')
  if (['leave-asked', 'climate-set-by-sliders'].includes(name)) expect(doubts).toEqual([])
  // Whatever was acted on is framed in a picture.
  for (const item of document.items)
    if (item.action?.element) expect(item.pictures.map((picture: any) => picture.id)).toContain(item.action.element.pictureId)
}
