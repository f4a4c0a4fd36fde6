import { plainText } from '@jackdaw/core/guides'
import { RECORDER_EXTENSION_ID } from '@jackdaw/contracts/recording'
import { unzipSync } from 'fflate'
import type { Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { seen, startApp, type App } from './app'
import { Hand } from './hand'
import { colourAt, inkShare, keptRecording, pictureReady } from './keptRecording'
import { servePages, type PageServer } from './pageServer'
import { openRecorder, sleep, type Recorder } from './recorder'

/** A page that turns to another colour, and one whose field changes everything when it is left. */
function made(path: string): string | undefined {
  if (path === '/beside')
    return `<!doctype html><title>Beside</title><body style="margin:0;height:3000px"><p><button id="b" style="padding:20px">Turn</button></p>
      <script>let n=0;const set=()=>document.body.style.background=\`rgb(\${n*5},120,200)\`;set();b.onclick=()=>{n++;set()}</script>`
  if (path === '/left')
    return `<!doctype html><title>Left – Leave Desk</title><h1>Left</h1><p><label>Reason <input id="f"></label></p><p id="said"></p>
      <script>f.onchange=()=>{for(let i=0;i<40;i++)said.append(document.createElement('br'),'Kept');document.title='Kept – Leave Desk'}</script>`
  return undefined
}

let app: App
let recorder: Recorder
let pages: PageServer
let base = ''
beforeAll(async () => {
  app = await startApp()
  pages = await servePages(made)
  base = `http://localhost:${pages.port}`
  recorder = await openRecorder(app.address)
  await recorder.pair()
})
afterEach(async () => {
  await recorder.panel({ panel: 'wish', wish: 'discard' })
  for (const page of await recorder.browser.pages())
    if (page !== recorder.jackdaw && (page.url().startsWith(base) || page.url().includes('/edit'))) await page.close()
})
afterAll(async () => {
  await recorder?.close()
  await pages?.close()
  await app?.close()
})

const linesOf = (document: any): string[] =>
  document.items.map((item: any) => (item.kind === 'section' ? `# ${item.title}` : plainText(item.body)))

/** The recorder's own panel, as the toolbar opens it. */
async function panelPage(): Promise<Page> {
  const page = await recorder.browser.newPage()
  await page.goto(`chrome-extension://${RECORDER_EXTENSION_ID}/panel.html`)
  return page
}

describe('the recorder', () => {
  it('goes on to take pictures beside frames of another origin that are never drawn', async () => {
    const page = await recorder.record(`${base}/beside`)
    const hand = new Hand(page)
    await page.evaluate((address) => {
      for (const style of ['display:none', 'position:absolute;left:-4000px', 'position:absolute;top:2500px'])
        document.body.append(Object.assign(document.createElement('iframe'), { src: address, style }))
    }, `http://127.0.0.1:${pages.port}/inner.html`)
    await sleep(1_500)
    for (let n = 0; n < 5; n++) {
      await pictureReady(recorder, page)
      await hand.click('css:#b')
    }
    const { actions, shots } = await keptRecording(recorder)
    const clicks = actions.filter((action) => action.kind === 'click')
    expect(clicks.map((click) => click.shot?.certain)).toEqual([true, true, true, true, true])
    for (const [n, { shot }] of clicks.entries())
      expect(Math.abs((await colourAt(shots.get(shot!.id)!, 700, 600))[0] - n * 5)).toBeLessThanOrEqual(2)
  })

  it('hides what is private in a frame with border and padding, and only that', async () => {
    const page = await recorder.record(`${base}/pay.html`)
    const hand = new Hand(page)
    await pictureReady(recorder, page)
    await sleep(600)
    await hand.click('Pay now')
    const { actions, shots } = await keptRecording(recorder)
    const picture = shots.get(actions.find((action) => action.kind === 'click')!.shot!.id)!
    const frame = (await (await page.$('iframe'))!.boundingBox())!
    const inner = page.frames().find((each) => each.url().includes('pay-card'))!
    const [text, button] = await inner.evaluate(() => {
      const range = document.createRange()
      const node = document.querySelector('p')!.firstChild as Text
      range.setStart(node, node.data.indexOf('4539'))
      range.setEnd(node, node.length)
      return [range, document.querySelector('button')!].map((each) => {
        const { x, y, width, height } = each.getBoundingClientRect()
        return { x, y, width, height }
      }) as [DOMRect, DOMRect]
    })
    const inWindow = ({ x, y, width, height }: DOMRect) => ({ x: frame.x + 36 + x, y: frame.y + 24 + y, width, height })
    expect(await inkShare(picture, inWindow(text))).toBeGreaterThan(0.97)
    expect(await inkShare(picture, inWindow(button))).toBeLessThan(0.3)
    expect(JSON.stringify(actions)).not.toContain('0343')
  })

  it('takes the first press on Finish after typing, whatever the field changes when it is left', async () => {
    const page = await recorder.record(`${base}/left`)
    const hand = new Hand(page)
    await pictureReady(recorder, page)
    await hand.click('css:#f')
    await hand.keys('Two days in March')
    await hand.rest(1_200)
    const opened = recorder.browser.waitForTarget((each) => /\/guides\/[\w-]{21}\/edit/.test(each.url()), { timeout: 20_000 })
    const { x, y } = await hand.at('button=Finish')
    await hand.press(x, y, { holdMs: 120 })
    const { document } = await recorder.api('GET', `/api/guides/${/guides\/([\w-]{21})/.exec((await opened).url())![1]!}/draft`)
    expect(linesOf(document)).toEqual(['Open Leave Desk.', 'Type Two days in March in Reason.'])
  })

  it('that cannot be finished says why, is saved as a file that can be imported, and becomes a guide of its own', async () => {
    const guide = (await recorder.api('GET', '/api/guides?find=tray+seeder')).rows[0]
    await recorder.record(`${base}/left`, { target: { guideId: guide.id, after: null } })
    const page = (await recorder.browser.pages()).find((each) => each.url().startsWith(`${base}/left`))!
    const hand = new Hand(page)
    await pictureReady(recorder, page)
    await hand.type('css:#f', 'Two days')
    await recorder.api('PATCH', `/api/guides/${guide.id}`, { archived: true })
    const { problem } = await recorder.panel({ panel: 'wish', wish: 'finish' })
    expect(problem).toMatch(/archive/)

    const panel = await panelPage()
    await seen(panel, 'Take the guide out of the archive')
    // What the browser would save is what the link was made for.
    const saved = await panel.evaluate(async () => {
      const made = new Promise<Blob>((resolve) => {
        const make = URL.createObjectURL.bind(URL)
        URL.createObjectURL = (blob) => {
          resolve(blob as Blob)
          return make(blob)
        }
      })
      ;[...document.querySelectorAll('button')].find((each) => each.textContent === 'Save as a file')!.click()
      return [...new Uint8Array(await (await made).arrayBuffer())]
    })
    const files = unzipSync(Uint8Array.from(saved))
    expect(Object.keys(files).sort()).toEqual(['actions.json', expect.stringMatching(/^pictures\/.+\.webp$/), 'recording.md'])
    const report = await recorder.jackdaw.evaluate(async (bytes) => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string }
      const response = await fetch('/api/imports?name=recording.zip', {
        method: 'POST',
        headers: { 'x-csrf-token': csrf, 'content-type': 'application/zip' },
        body: Uint8Array.from(bytes),
      })
      return response.json() as any
    }, saved)
    expect(report).toMatchObject({ steps: 2, pictures: 1, missingPictures: [] })

    const opened = recorder.browser.waitForTarget((each) => /\/guides\/[\w-]{21}\/edit/.test(each.url()), { timeout: 20_000 })
    await (await panel.waitForSelector('::-p-text(Make a new guide of it)'))!.click()
    const id = /guides\/([\w-]{21})/.exec((await opened).url())![1]!
    expect(id).not.toBe(guide.id)
    const drafts = await Promise.all([id, report.id].map((each) => recorder.api('GET', `/api/guides/${each}/draft`)))
    expect(drafts.map(({ document }) => [document.title, linesOf(document)])).toEqual(
      drafts.map(() => ['Left in Leave Desk', ['Open Leave Desk.', 'Type Two days in Reason.']]),
    )
    await recorder.api('PATCH', `/api/guides/${guide.id}`, { archived: false })
    await panel.close()
  })

  it('that Jackdaw has thrown away meanwhile is sent again from the beginning', async () => {
    const page = await recorder.record(`${base}/left`)
    const hand = new Hand(page)
    await pictureReady(recorder, page)
    await hand.type('css:#f', 'Three days')
    await hand.click('css:h1')
    await hand.rest(900)
    const worker = await recorder.worker()
    const status = await worker.evaluate(async () => {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const open = indexedDB.open('recorder', 1)
        open.onsuccess = () => resolve(open.result)
      })
      const fact = (key: string) =>
        new Promise<any>((resolve) => {
          const get = db.transaction('facts').objectStore('facts').get(key)
          get.onsuccess = () => resolve(get.result)
        })
      const [pairing, recording] = [await fact('pairing'), await fact('recording')]
      db.close()
      const answer = await fetch(`${pairing.origin}/api/recorder/recordings/${recording.id}`, {
        method: 'DELETE',
        headers: { authorization: `Bearer ${pairing.token}` },
      })
      return answer.status
    })
    expect(status).toBe(204)
    const { document } = await recorder.api('GET', `/api/guides/${await recorder.finish()}/draft`)
    expect(linesOf(document)).toEqual(['Open Leave Desk.', 'Type Three days in Reason.', 'Select Left.'])
    expect(document.items.every((item: any, n: number) => item.pictures.length === (n > 0 ? 1 : 0))).toBe(true)
  })
})
