import { mkdtemp, rm, writeFile, mkdir } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { RECORDER_EXTENSION_ID } from '@jackdaw/contracts/recording'
import type { Step } from '@jackdaw/core/guides'
import { unzipSync } from 'fflate'
import puppeteer, { type Page } from 'puppeteer-core'
import sharp from 'sharp'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { BROWSER_FLAGS, CHROMIUM, press, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { Hand } from './hand'
import { colourAt, keptRecording, pictureReady } from './keptRecording'
import { openRecorder, sleep, startOrderBook, type Recorder } from './recorder'

let app: App
let book: Awaited<ReturnType<typeof startOrderBook>>
let recorder: Recorder
beforeAll(async () => {
  app = await startApp()
  book = await startOrderBook()
  recorder = await openRecorder(app.address)
  await recorder.pair()
})
afterEach(async () => {
  await recorder.panel({ panel: 'wish', wish: 'discard' })
  for (const page of await recorder.browser.pages())
    if (page !== recorder.jackdaw && (page.url().startsWith(book.address) || page.url().includes('/edit'))) await page.close()
})
afterAll(async () => {
  await recorder?.close()
  book?.close()
  await app?.close()
})

const draftOf = (id: string) => recorder.api('GET', `/api/guides/${id}/draft`)
const stepsIn = (draft: any): Step[] => draft.document.items.filter((item: any) => item.kind === 'step')
const words = (step: Step): string => (step.body.content[0] as any).content.map((run: any) => run.text).join('')
const pictureOf = async (guide: string, step: Step): Promise<Buffer> => {
  const text = await recorder.jackdaw.evaluate(async (address) => {
    const bytes = new Uint8Array(await (await fetch(address)).arrayBuffer())
    let all = ''
    for (const byte of bytes) all += String.fromCharCode(byte)
    return btoa(all)
  }, `/guides/${guide}/draft/pictures/${step.pictures[0]!.id}`)
  return Buffer.from(text, 'base64')
}

/** Does something at a spot and remembers where it was. */
class Noting extends Hand {
  readonly done: { words: string; rect: { x: number; y: number; width: number; height: number } | null }[] = []
  async note(sentence: string, spot: string | null, work: () => Promise<void>): Promise<void> {
    const rect = spot ? await (await this.at(spot)).element.boundingBox() : null
    this.done.push({ words: sentence, rect })
    await work()
  }
}

describe('recording the Order Book', () => {
  it('makes a guide of a 15-step order: sentences, pictures and frames are those of what was done', async () => {
    const page = await recorder.record(`${book.address}/orders`)
    const hand = new Noting(page, 300, () => pictureReady(recorder, page))
    await hand.rest(700)
    hand.done.push({ words: 'Open Order Book.', rect: null })
    const click = (sentence: string, spot: string) => hand.note(sentence, spot, () => hand.click(spot))
    const choose = (sentence: string, spot: string, letters: string) => hand.note(sentence, spot, () => hand.choose(spot, letters))
    const type = (sentence: string, spot: string, text: string) => hand.note(sentence, spot, () => hand.type(spot, text))
    await click('Go to the tab Packed.', 'css:[role=tab]:nth-of-type(2)')
    await click('Go to the tab Open.', 'css:[role=tab]:nth-of-type(1)')
    await click('Open New order.', 'link=New order')
    await choose('Choose 40202 Greenway Market Hall, Alderbrook in Customer.', 'Customer', '40202')
    await choose('Choose Sage in Herb.', 'css:[data-line]:nth-of-type(1) [name=herb]', 'Sage')
    await choose('Choose L (40 pots) in Crate.', 'css:[data-line]:nth-of-type(1) [name=crate]', 'L')
    await type('Type 12 in Crates.', 'css:[data-line]:nth-of-type(1) [name=crates]', '12')
    await click('Select Add a line.', 'Add a line')
    await choose('Choose Mint in Herb.', 'css:[data-line]:nth-of-type(2) [name=herb]', 'Mint')
    await click('Select Delivery: choose a day.', 'Delivery: choose a day')
    await click('Select Thu 12 March.', 'Thu 12 March')
    await click('Tick Deliver chilled.', 'Deliver chilled')
    await type('Type Ring first in Note.', 'Note', 'Ring first')
    await click('Select Save order.', 'Save order')
    expect(hand.done).toHaveLength(15)

    const id = await recorder.finish()
    const draft = await draftOf(id)
    const steps = stepsIn(draft)
    expect(draft.document.title).toBe('Enter an order in Order Book')
    expect(steps.map(words)).toEqual(hand.done.map((each) => each.words))
    for (const [n, { rect }] of hand.done.entries()) {
      const frame = steps[n]!.action?.element?.rect
      if (!rect) continue
      for (const side of ['x', 'y', 'width', 'height'] as const)
        expect([n, side, Math.abs(frame![side] - rect[side]) <= 2]).toEqual([n, side, true])
      expect(steps[n]!.check?.doubts ?? []).not.toContain('picture-uncertain')
      const { width, height } = await sharp(await pictureOf(id, steps[n]!)).metadata()
      expect({ widthPx: width, heightPx: height }).toEqual(steps[n]!.action!.element!.of)
    }
    // The picture of the tick shows the box as it was before; the last one shows it ticked.
    const ticked = steps.findIndex((step) => words(step).startsWith('Tick'))
    const spot = hand.done[ticked]!.rect!
    const [before, after] = await Promise.all(
      [steps[ticked]!, steps.at(-1)!].map(async (step) => colourAt(await pictureOf(id, step), spot.x + 5, spot.y + 5)),
    )
    expect(before![0]).toBeGreaterThan(200)
    expect(after![0]).toBeLessThan(170)
    // The second Herb has the same name as the first: an author is told to look.
    expect(steps[9]!.check?.doubts).toEqual(['repeated-name'])
    // A password is not in the guide, and neither is anything of the bar.
    expect(JSON.stringify(draft.document)).not.toContain('jackdaw-recorder')
  })

  it('pauses, goes on, drops the last step and finishes from the bar', async () => {
    const page = await recorder.record(`${book.address}/stock`)
    const hand = new Hand(page, 700)
    await hand.rest(1_000)
    await hand.click('One more Crate liner M')
    await hand.click('One less Silicone grease')
    await hand.click('button=Drop last')
    await hand.click('button=Pause')
    await hand.click('One more Label roll 60 mm')
    await hand.click('button=Go on')
    await hand.click('One more Peat-free substrate')
    await hand.rest(500)
    const opened = recorder.browser.waitForTarget((each) => /\/guides\/[\w-]{21}\/edit/.test(each.url()), { timeout: 20_000 })
    await hand.click('button=Finish')
    const editor = (await (await opened).page())!
    await seen(editor, 'Open Order Book.')
    const id = /guides\/([\w-]{21})/.exec(editor.url())![1]!
    expect(stepsIn(await draftOf(id)).map(words)).toEqual([
      'Open Order Book.',
      'Select One more Crate liner M.',
      'Select One more Peat-free substrate.',
    ])
    expect(await page.$('jackdaw-recorder')).toBeNull()
    expect((await recorder.panel({ panel: 'look' })).shown).toMatchObject({ status: 'idle', steps: 0 })
  })

  it('records into a place in an existing guide, from the editor', async () => {
    const list = await recorder.api('GET', '/api/guides?find=tray+seeder')
    const guide = list.rows[0]
    const before = stepsIn(await draftOf(guide.id))
    const { jackdaw } = recorder
    await jackdaw.bringToFront()
    await jackdaw.goto(`${app.address}/guides/${guide.id}/edit`)
    await jackdaw.waitForSelector(`[data-step="${before[1]!.id}"]`)
    await (await jackdaw.waitForSelector(`[data-step="${before[1]!.id}"] [contenteditable], [data-step="${before[1]!.id}"] p`))!.click()
    const opened = recorder.browser.waitForTarget((each) => each.url().startsWith(`${book.address}/customers`))
    await press(jackdaw, 'Record after')
    await jackdaw.locator('::-p-aria([name="Begin at this address"])').fill(`${book.address}/customers`)
    expect(await seriousFindings(jackdaw)).toEqual([])
    await press(jackdaw, 'Start recording')
    const page = (await (await opened).page())!
    const hand = new Hand(page, 700)
    await hand.rest(1_500)
    await hand.type('Find', 'deli')
    expect(await recorder.finish()).toBe(guide.id)
    const after = stepsIn(await draftOf(guide.id))
    expect(after.map((step) => step.id)).toEqual([
      before[0]!.id,
      before[1]!.id,
      after[2]!.id,
      after[3]!.id,
      ...before.slice(2).map((step) => step.id),
    ])
    expect(after.slice(2, 4).map(words)).toEqual(['Open Order Book.', 'Type deli in Find.'])
    await jackdaw.goto(`${app.address}/`)
  })
})

describe('nothing is lost', () => {
  const work = async (page: Page, after?: (n: number) => Promise<void>) => {
    const hand = new Hand(page, 500)
    await hand.rest(900)
    const spots = [
      'One more Crate liner M',
      'One less Silicone grease',
      'One more Label roll 60 mm',
      'One more Peat-free substrate',
      'One less Crate liner M',
      'One more Silicone grease',
    ]
    for (const [n, spot] of spots.entries()) {
      await hand.click(spot)
      await after?.(n)
    }
    return ['Open Order Book.', ...spots.map((spot) => `Select ${spot}.`)]
  }
  const finished = async () => stepsIn(await draftOf(await recorder.finish())).map(words)

  it('when the background worker is killed again and again', async () => {
    const page = await recorder.record(`${book.address}/stock`)
    const wanted = await work(page, async () => {
      await (await recorder.worker()).close()
      await sleep(150)
    })
    await sleep(1_500)
    expect(await finished()).toEqual(wanted)
  })
  it('when the worker is killed in the middle of a press', async () => {
    const page = await recorder.record(`${book.address}/stock`)
    const hand = new Hand(page, 600)
    await hand.rest(1_000)
    for (const spot of ['One more Crate liner M', 'One more Silicone grease', 'One less Crate liner M']) {
      const { x, y } = await hand.at(spot)
      await page.mouse.move(x, y)
      const worker = await recorder.worker()
      await page.mouse.down()
      await Promise.all([worker.close(), sleep(15)])
      await page.mouse.up()
      await hand.rest(900)
    }
    await sleep(1_200)
    expect(await finished()).toEqual([
      'Open Order Book.',
      'Select One more Crate liner M.',
      'Select One more Silicone grease.',
      'Select One less Crate liner M.',
    ])
  })
  it('when Jackdaw is killed, and not there when the recording ends', async () => {
    const page = await recorder.record(`${book.address}/stock`)
    const wanted = await work(page, async (n) => {
      if (n === 2) await app.kill()
    })
    const look = await recorder.panel({ panel: 'wish', wish: 'finish' })
    await app.restart()
    expect(look.problem).toContain('kept in this browser')
    expect(look.shown).toMatchObject({ status: 'finishing', steps: wanted.length })
    expect(await finished()).toEqual(wanted)
  })
  it('when the tab is closed in the middle', async () => {
    const page = await recorder.record(`${book.address}/stock`)
    const wanted = await work(page)
    const hand = new Hand(page, 0)
    const { x, y } = await hand.at('One more Tray, 144 cells')
    await hand.press(x, y)
    await page.close()
    await sleep(400)
    expect(await finished()).toEqual([...wanted, 'Select One more Tray, 144 cells.'])
  })
  it('when the pairing is ended meanwhile: it says so, and sends everything once it is paired again', async () => {
    const page = await recorder.record(`${book.address}/stock`)
    const wanted = await work(page)
    const [newest] = await recorder.api('GET', '/api/recorders')
    await recorder.api('DELETE', `/api/recorders/${newest.id}`)
    const refused = await recorder.panel({ panel: 'wish', wish: 'finish' })
    expect(refused.problem).toContain('not paired')
    expect((await keptRecording(recorder)).actions.length).toBeGreaterThanOrEqual(wanted.length)
    await recorder.pair()
    expect(await finished()).toEqual(wanted)
  })
})

describe('the pages about it', () => {
  it('give the extension, which installs and pairs with the code that is typed', async () => {
    const context = recorder.jackdaw
    await context.bringToFront()
    await context.goto(`${app.address}/recorder`)
    await seen(context, 'Get the extension')
    expect(await seriousFindings(context)).toEqual([])
    await press(context, 'Show a code')
    const code = await (await context.waitForSelector('[aria-label="Code for pairing"] span'))!.evaluate((span) => span.textContent)
    const zip = Buffer.from(
      await context.evaluate(async () => {
        const bytes = new Uint8Array(await (await fetch('/recorder/jackdaw-recorder.zip')).arrayBuffer())
        let all = ''
        for (const byte of bytes) all += String.fromCharCode(byte)
        return btoa(all)
      }),
      'base64',
    )
    const folder = await mkdtemp(join(tmpdir(), 'jackdaw-unzipped-'))
    for (const [name, bytes] of Object.entries(unzipSync(zip))) {
      await mkdir(dirname(join(folder, name)), { recursive: true })
      await writeFile(join(folder, name), bytes)
    }
    const browser = await puppeteer.launch({
      executablePath: CHROMIUM,
      headless: true,
      pipe: true,
      enableExtensions: [join(folder, 'jackdaw-recorder')],
      args: BROWSER_FLAGS,
    })
    try {
      const panel = await browser.newPage()
      await panel.goto(`chrome-extension://${RECORDER_EXTENSION_ID}/panel.html`)
      await seen(panel, 'Pair with Jackdaw')
      expect(await seriousFindings(panel)).toEqual([])
      await panel.locator('input.code').fill('WRNG-C0DE')
      await panel.keyboard.press('Enter')
      await seen(panel, 'eight letters and digits')
      await panel.locator('input.code').fill(code!.toLowerCase())
      await panel.keyboard.press('Enter')
      await seen(panel, 'Record a new guide')
      await seen(panel, 'For Tomasz Wilk')
      expect(await seriousFindings(panel)).toEqual([])
      // Nothing may be looked at before a recording has been allowed.
      const granted = await panel.evaluate(() => (globalThis as any).chrome.permissions.getAll())
      expect(granted.origins).toEqual(['http://127.0.0.1/*'])
    } finally {
      await browser.close()
      await rm(folder, { recursive: true, force: true })
    }
    await seen(context, 'Chromium on linux')
    await context.goto(`${app.address}/`)
  })
  it('show the draft with what is worth a look first, and let its author say that it is right', async () => {
    const page = await recorder.record(`${book.address}/orders/new`)
    const hand = new Hand(page, 750)
    await hand.rest(900)
    await hand.click('Add a line')
    await hand.choose('css:[data-line]:nth-of-type(2) [name=herb]', 'Mint')
    const id = await recorder.finish()
    const { jackdaw } = recorder
    await jackdaw.bringToFront()
    await jackdaw.goto(`${app.address}/guides/${id}/edit`)
    await seen(jackdaw, '1 step is worth a look')
    await seen(jackdaw, 'Several elements on the page have this name')
    await jackdaw.waitForFunction(() => document.querySelectorAll('svg [data-kind="frame"]').length === 2)
    expect(await seriousFindings(jackdaw)).toEqual([])
    await press(jackdaw, 'Looks right: step 3')
    await jackdaw.waitForFunction(() => !document.body.innerText.includes('worth a look'))
    await seen(jackdaw, 'Saved at')
    expect(stepsIn(await draftOf(id)).every((step) => step.check === undefined)).toBe(true)
    await jackdaw.goto(`${app.address}/`)
  })
  it('are not there for staff', async () => {
    const ines = await signedIn(recorder.browser, app, 'ines@larkmoor.example')
    expect(await ines.evaluate(async () => (await fetch('/api/recorders/code', { method: 'POST' })).status)).toBe(403)
    await ines.browserContext().close()
  })
})
