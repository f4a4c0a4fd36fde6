import type { RawAction } from '@jackdaw/core/recording'
import type { Frame, Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { startApp, type App } from './app'
import { Hand } from './hand'
import { colourAt, inkShare, keptRecording, pictureReady } from './keptRecording'
import { servePages } from './pageServer'
import { openRecorder, sleep, type Recorder } from './recorder'

let app: App
let recorder: Recorder
let pages: Awaited<ReturnType<typeof servePages>>
let base = ''
beforeAll(async () => {
  app = await startApp()
  pages = await servePages()
  base = `http://localhost:${pages.port}`
  recorder = await openRecorder(app.address)
  await recorder.pair()
})
afterEach(async () => {
  await recorder.panel({ panel: 'wish', wish: 'discard' })
  for (const page of await recorder.browser.pages()) if (page.url().startsWith(base)) await page.close()
})
afterAll(async () => {
  await recorder?.close()
  await pages?.close()
  await app?.close()
})

type Judged = { before: number; certain: number; wrong: number; missing: number; of: number }
/** What the page itself says of the presses that reached it: in which round each found it. Whoever is quick presses twice in one round,
 * or between two pages, where nothing is pressed at all. */
const pressesIn = (page: Page | Frame): Promise<number[]> =>
  page.evaluate(() => (sessionStorage.getItem('presses') ?? '').split(' ').filter(Boolean).map(Number))
/** Each press turns the page to another colour: which one does its picture show?
 * @param rounds the colours that the page had
 * @param at     where the colour is looked for */
async function judge(
  actions: readonly RawAction[],
  rounds: readonly number[],
  shots: Map<string, Buffer>,
  at: { x: number; y: number },
): Promise<Judged> {
  const judged: Judged = { before: 0, certain: 0, wrong: 0, missing: 0, of: actions.length }
  for (const [n, { shot }] of actions.entries()) {
    const picture = shot && shots.get(shot.id)
    if (!shot || !picture) {
      judged.missing++
      continue
    }
    const [red] = await colourAt(picture, at.x, at.y)
    const isBefore = Math.abs(red - ((rounds[n]! * 5) % 256)) <= 2
    if (isBefore) judged.before++
    if (shot.certain) judged.certain++
    if (shot.certain && !isBefore) judged.wrong++
  }
  return judged
}
/** What is kept once so many clicks are: a busy machine takes a moment for each. */
async function allKept(clicks: number, by = recorder): ReturnType<typeof keptRecording> {
  for (let tries = 0; tries < 40; tries++) {
    if (clicksIn((await keptRecording(by)).actions).length >= clicks) break
    await sleep(250)
  }
  return keptRecording(by)
}
const clicksIn = (actions: readonly RawAction[]) => actions.filter((action) => action.kind === 'click')

const KINDS: [name: string, address: string, click: (hand: Hand) => Promise<{ x: number; y: number }>][] = [
  ['navigates at once', 'away.html', async (hand) => hand.at('css:#go')],
  ['changes on click', 'changing.html', async (hand) => hand.at('css:#b')],
  ['changes on pointer-down', 'changing.html?on=pointerdown', async (hand) => hand.at('css:#b')],
  [
    'changes in an inner frame',
    'frames.html',
    async (hand) => hand.at('css:#b', await hand.page.waitForFrame((each) => each.url().includes('inner.html'))),
  ],
  [
    'changes in a closed shadow root',
    'shadow.html',
    async (hand) => {
      const box = await hand.page.evaluate(() => {
        const rect = document.querySelector('valve-row')!.getBoundingClientRect()
        return { x: rect.x + 120, y: rect.y + rect.height / 2 }
      })
      return { x: box.x, y: 120 }
    },
  ],
]
/** How often is clicked; ten times as often in `npm run test:deep`, and there at an unhurried pace on every kind of page. */
const CLICKS = Number(process.env['PICTURE_CLICKS'] ?? 5)
const UNHURRIED =
  process.env['PICTURE_CLICKS'] === undefined ? ['changes on pointer-down', 'changes in an inner frame'] : KINDS.map(([name]) => name)

describe('the picture from before', () => {
  it('is there for every click that navigates at once', async () => {
    const all = CLICKS * 3
    const page = await recorder.record(`${base}/away.html?n=0`)
    const hand = new Hand(page)
    for (let n = 0; n < all; n++) {
      await page.waitForFunction((round) => document.getElementById('n')?.textContent === String(round), { polling: 30 }, n)
      await sleep(350)
      await pictureReady(recorder, page)
      const { x, y } = await hand.at('css:#go')
      await hand.press(x, y)
    }
    await sleep(600)
    const { actions, shots } = await allKept(all)
    const rounds = await pressesIn(page)
    expect(rounds).toEqual(Array.from({ length: all }, (_, n) => n))
    const judged = await judge(clicksIn(actions), rounds, shots, { x: 700, y: 600 })
    console.log(`navigates at once, ${all} clicks:`, JSON.stringify(judged))
    expect(judged).toMatchObject({ before: all, wrong: 0, of: all })
  })
  it.each(
    KINDS.flatMap(([name, address, find]) =>
      [750, 140].flatMap((paceMs) => (paceMs < 500 || UNHURRIED.includes(name) ? [[name, paceMs, address, find] as const] : [])),
    ),
  )('is never wrong without being marked: a page that %s, a click every %i ms', async (name, paceMs, address, find) => {
    const page = await recorder.record(`${base}/${address}`)
    const hand = new Hand(page)
    await sleep(1_300)
    for (let n = 0; n < CLICKS; n++) {
      if (paceMs > 500) await pictureReady(recorder, page)
      const { x, y } = await find(hand)
      await hand.press(x, y, { holdMs: 30 })
      await sleep(paceMs)
    }
    await sleep(700)
    const inner = page.frames().find((each) => each.url().includes('inner.html'))
    const rounds = await pressesIn(inner ?? page)
    const { actions, shots } = await allKept(rounds.length)
    const clicks = clicksIn(actions)
    const judged = await judge(
      clicks,
      rounds,
      shots,
      name.includes('shadow') ? { x: 700, y: (await find(hand)).y } : name.includes('frame') ? { x: 400, y: 350 } : { x: 700, y: 600 },
    )
    console.log(`${name}, every ${paceMs} ms:`, JSON.stringify(judged))
    // Every press that reached the page is kept.
    expect(clicks).toHaveLength(rounds.length)
    expect(rounds.length).toBeGreaterThanOrEqual(paceMs > 500 ? CLICKS : Math.floor(CLICKS / 2))
    expect(judged.wrong).toBe(0)
    if (paceMs > 500) expect(judged.before).toBe(CLICKS)
  })
  it('goes on to be taken ahead when the page takes a frame out again', async () => {
    const page = await recorder.record(`${base}/changing.html`)
    const hand = new Hand(page)
    await page.evaluate(() => {
      const frame = document.createElement('iframe')
      frame.src = 'inner.html'
      document.body.append(frame)
    })
    await sleep(1_800)
    await page.evaluate(() => document.querySelector('iframe')!.remove())
    await sleep(1_500)
    for (let n = 0; n < 4; n++) {
      const { x, y } = await hand.at('css:#b')
      await hand.press(x, y)
      await sleep(900)
    }
    const { actions, shots } = await allKept(4)
    const judged = await judge(clicksIn(actions), await pressesIn(page), shots, { x: 700, y: 600 })
    expect(judged).toMatchObject({ before: 4, certain: 4, of: 4 })
  })
  it.each([
    ['changing.html', undefined],
    ['frames.html', 'inner.html'],
  ])('never shows the bar, also when somebody is quick: %s', async (address, frame) => {
    const page = await recorder.record(`${base}/${address}`)
    const hand = new Hand(page)
    for (const pace of [900, 100, 900, 60, 300, 420, 520, 90, 700]) {
      await sleep(pace)
      const { x, y } = await hand.at('css:#b', frame ? await page.waitForFrame((each) => each.url().includes(frame)) : undefined)
      await hand.press(x, y)
    }
    await sleep(700)
    const { actions, shots } = await keptRecording(recorder)
    expect(shots.size).toBeGreaterThan(3)
    for (const picture of shots.values()) {
      const { height } = actions.at(-1)!.window
      const top = (frame ? 813 : height) - 60
      expect(await inkShare(picture, { x: 400, y: top, width: 480, height: 50 })).toBeLessThan(0.02)
    }
  })
})
const spot = async (hand: Hand, where: string): Promise<[number, number]> => {
  const { x, y } = await hand.at(where)
  return [x, y]
}

describe('what is private', () => {
  const areas = (page: Page) =>
    page.evaluate(() => {
      const range = document.createRange()
      const part = (id: string, text: string) => {
        const host = document.getElementById(id)!
        const walker = document.createTreeWalker(host, NodeFilter.SHOW_TEXT)
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
          const at = (node as Text).data.indexOf(text)
          if (at < 0) continue
          range.setStart(node, at)
          range.setEnd(node, at + text.length)
          const { x, y, width, height } = range.getBoundingClientRect()
          return { x, y, width, height }
        }
        throw new Error(`${text} is not in ${id}`)
      }
      const whole = (id: string) => {
        const { x, y, width, height } = document.getElementById(id)!.getBoundingClientRect()
        return { x, y, width, height }
      }
      return {
        mail: part('mail', 'orders@greenway.example'),
        split: part('split', '@greenway.example'),
        phone: part('phone', '+44 1632 960127'),
        card: part('card', '4539 1488 0343 6467'),
        iban: part('iban', 'GB33 BUKB 2020 1555 5555 55'),
        person: part('person', 'Inés Robledo'),
        number: part('number', '42'),
        pointed: whole('pointed'),
        free: part('free', 'Nothing private'),
        portrait: whole('face'),
        value: whole('field'),
        password: whole('pass'),
      }
    })
  const hide = (kinds: string[], pointed: Record<string, string[]> = {}) => recorder.panel({ panel: 'hiding', hiding: { kinds, pointed } })
  /** The picture of the newest of so many clicks. */
  const pictureOf = async (clicks: number): Promise<Buffer> => {
    const { actions, shots } = await allKept(clicks)
    return shots.get(clicksIn(actions).at(-1)!.shot!.id)!
  }

  it('is filled in by kind, and what is switched off stays; passwords always are', async () => {
    await hide(['mail', 'phone', 'account', 'person', 'portrait'])
    const page = await recorder.record(`${base}/private.html`)
    const hand = new Hand(page)
    await sleep(1_300)
    const where = await areas(page)
    await hand.press(...(await spot(hand, 'css:#go')))
    await sleep(700)
    const first = await pictureOf(1)
    for (const kind of ['mail', 'split', 'phone', 'card', 'iban', 'person', 'portrait', 'password'] as const)
      expect([kind, await inkShare(first, where[kind])]).toEqual([kind, expect.toSatisfy((share: number) => share > 0.97)])
    for (const kind of ['number', 'value', 'free', 'pointed'] as const)
      expect([kind, (await inkShare(first, where[kind])) < 0.3]).toEqual([kind, true])

    await hide(['number', 'value'], { [base]: ['#pointed'] })
    await sleep(1_300)
    await hand.press(...(await spot(hand, 'css:#go')))
    await sleep(700)
    const second = await pictureOf(2)
    for (const kind of ['number', 'value', 'pointed', 'password', 'phone'] as const)
      expect([kind, (await inkShare(second, where[kind])) > 0.85]).toEqual([kind, true])
    for (const kind of ['mail', 'person', 'portrait', 'free'] as const)
      expect([kind, (await inkShare(second, where[kind])) < 0.3]).toEqual([kind, true])
  })
  it('is not in what is told either: names, texts, values, boxes of text', async () => {
    await hide(['mail', 'phone', 'account', 'person', 'portrait'])
    const page = await recorder.record(`${base}/private.html`)
    const hand = new Hand(page)
    await sleep(1_200)
    await hand.type('Note', 'orders@greenway.example')
    await hand.click('css:#mail b')
    await hand.click('css:#person')
    await hand.type('css:#pass', 'hunter22')
    await hand.click('css:#peek')
    await hand.type('css:#pass', 'hunter23')
    await hand.click('css:#go')
    await sleep(600)
    const { actions, shots } = await keptRecording(recorder)
    const told = JSON.stringify(actions)
    expect(actions.length).toBeGreaterThan(6)
    for (const secret of ['greenway.example', 'Robledo', 'hunter', 'letmein', '960127', '6467', '5555'])
      expect([secret, told.includes(secret)]).toEqual([secret, false])
    expect(actions.find((action) => action.kind === 'type')).toMatchObject({ hidden: 'mail' })
    // A password that the page has made readable is one all the same.
    const { password } = await areas(page)
    expect(await inkShare(shots.get(clicksIn(actions).at(-1)!.shot!.id)!, password)).toBeGreaterThan(0.97)
  })
  it('can be pointed at, also in a frame, and stays hidden on that site', async () => {
    await hide([])
    const page = await recorder.record(`${base}/private.html`)
    const hand = new Hand(page, 500)
    await sleep(1_300)
    const point = async () => {
      await hand.click('button=Hide …')
      await hand.click('button=Point at something to hide')
    }
    await point()
    await hand.click('css:#free')
    await hand.rest(700)
    await hand.click('css:#go')
    const { free } = await areas(page)
    expect(await inkShare(await pictureOf(1), free)).toBeGreaterThan(0.97)
    // Pointing did nothing in the page and is no step.
    expect(clicksIn((await keptRecording(recorder)).actions)).toHaveLength(1)

    await page.goto(`${base}/frames.html`)
    await hand.rest(1_500)
    await point()
    const inner = await page.waitForFrame((each) => each.url().includes('inner.html'))
    const place = await hand.at('css:label', inner)
    const { width, height } = (await place.element.boundingBox())!
    await hand.click('css:label', inner)
    await hand.rest(700)
    await hand.click('css:#b', inner)
    await hand.rest(600)
    const picture = await pictureOf(2)
    expect(
      await inkShare(picture, { x: place.x - width / 4, y: place.y - height / 2 + 2, width: width / 2, height: height - 4 }),
    ).toBeGreaterThan(0.5)
    const { actions } = await keptRecording(recorder)
    // The second page was opened by its address, a moment after something was done.
    expect(actions.filter((action) => action.kind === 'page').map((action) => action.opened)).toEqual([expect.any(String), 'typed'])
    await recorder.panel({ panel: 'wish', wish: 'discard' })
    await page.close()

    const again = await recorder.record(`${base}/private.html`)
    await sleep(1_300)
    await new Hand(again).click('css:#go')
    await sleep(500)
    expect(await inkShare(await pictureOf(1), free)).toBeGreaterThan(0.97)
    await hide([])
  })
})

describe('a screen with two pixels to each', () => {
  it('is pictured with all of them, and the frame fits', async () => {
    const sharpScreen = await openRecorder(app.address, 'tomasz@larkmoor.example', '1000,700', ['--force-device-scale-factor=2'])
    try {
      await sharpScreen.pair()
      const page = await sharpScreen.record(`${base}/changing.html`)
      const hand = new Hand(page)
      await sleep(1_300)
      const box = (await (await hand.at('css:#b')).element.boundingBox())!
      await hand.click('css:#b')
      await sleep(500)
      const [click] = clicksIn((await allKept(1, sharpScreen)).actions)
      expect(click!.devicePixelRatio).toBe(2)
      expect(click!.shot!.widthPx).toBe(click!.window.width * 2)
      const id = await sharpScreen.finish()
      const draft = await sharpScreen.api('GET', `/api/guides/${id}/draft`)
      const { rect } = draft.document.items.at(-1).action.element
      expect(Math.abs(rect.x - box.x * 2)).toBeLessThanOrEqual(2)
      expect(Math.abs(rect.width - box.width * 2)).toBeLessThanOrEqual(2)
    } finally {
      await sharpScreen.close()
    }
  })
})
