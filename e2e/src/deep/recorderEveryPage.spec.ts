import { afterAll, afterEach, beforeAll, describe, it } from 'vitest'
import { startApp, type App } from '../app'
import { FURTHER_PAGES } from '../corpus/furtherPages'
import { OTHER_PAGES } from '../corpus/otherPages'
import { servePages, type PageServer } from '../pageServer'
import { draftOf, expectWanted, openPlainRecorder } from '../recordedPage'
import type { Recorder } from '../recorder'

/** Pages whose drafts are not as they were wanted, by the rules themselves: `corpus.test.ts` says why. */
const KNOWN: ReadonlySet<string> = new Set(['feed-plan-in-cells', 'nameless-icon-and-field', 'tree-and-tab'])

let app: App
let recorder: Recorder
let pages: PageServer
beforeAll(async () => {
  app = await startApp()
  pages = await servePages()
  recorder = await openPlainRecorder(app.address)
  await recorder.pair()
})
afterEach(() => recorder.panel({ panel: 'wish', wish: 'discard' }))
afterAll(async () => {
  await recorder?.close()
  await pages?.close()
  await app?.close()
})

describe('every page that is not the Order Book', () => {
  it.each([...OTHER_PAGES, ...FURTHER_PAGES].filter((each) => !KNOWN.has(each.name)))('becomes a guide: $name', async (scenario) => {
    expectWanted(await draftOf(recorder, pages, scenario), scenario)
  })
})
