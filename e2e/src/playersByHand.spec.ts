import { demoCompany } from '@jackdaw/demo'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { handMadeGuide, THINGS } from './handMadeGuide'
import { sleep } from './recorder'

const clerk = demoCompany().people.find((person) => person.teams.includes('Order desk') && person.level === 'staff')!

let app: App
let browser: Browser
let guide = ''
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  guide = await handMadeGuide(marta)
  await marta.close()
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

/** A hand on the picture of the guide; it waits before each act, so that none is taken for a part of the one before. */
class OnPicture {
  constructor(readonly page: Page) {}
  async step(n: number): Promise<void> {
    await this.page.waitForFunction(
      (words: string) => document.querySelector('[data-where]')?.textContent?.startsWith(words),
      {},
      `Step ${n} of 8`,
    )
  }
  async of(thing: keyof typeof THINGS | { x: number; y: number }): Promise<{ x: number; y: number }> {
    const { x, y } = typeof thing === 'string' ? middle(THINGS[thing]) : thing
    const box = (await (await this.page.waitForSelector('[data-surface]'))!.boundingBox())!
    await sleep(450)
    return { x: box.x + (x / 1_000) * box.width, y: box.y + (y / 600) * box.height }
  }
  async told(words: string): Promise<void> {
    await this.page.waitForFunction((wanted: string) => document.querySelector('#said')?.textContent?.includes(wanted), {}, words)
  }
  async enters(entry: string): Promise<void> {
    await this.page.locator('[data-entry]').fill(entry)
    await press(this.page, 'Enter it')
  }
}
const middle = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => ({
  x: x + width / 2,
  y: y + height / 2,
})
const NOTHING = { x: 480, y: 570 }

describe('everything that can be done on a picture', () => {
  it('is practised with mouse and keys, each once wrong and then right, in full screen too', async () => {
    const page = await signedIn(browser, app, clerk.mail)
    const hand = new OnPicture(page)
    const click = async (thing: keyof typeof THINGS | typeof NOTHING, options: Parameters<Page['mouse']['click']>[2] = {}) => {
      const { x, y } = await hand.of(thing)
      await page.mouse.click(x, y, options)
    }
    const drag = async (from: keyof typeof THINGS, to: keyof typeof THINGS | typeof NOTHING) => {
      const [start, end] = [await hand.of(from), await hand.of(to)]
      await page.mouse.move(start.x, start.y)
      await page.mouse.down()
      await page.mouse.move(end.x, end.y, { steps: 6 })
      await page.mouse.up()
    }
    const chord = async (key: 'd' | 's') => {
      await sleep(450)
      await page.keyboard.down('Control')
      await page.keyboard.press(key)
      await page.keyboard.up('Control')
    }
    await page.goto(`${app.address}/guides/${guide}/practise`)
    await hand.step(1)
    await press(page, 'Full screen')
    await page.waitForFunction(() => document.fullscreenElement !== null)
    await page.keyboard.press('Escape')
    await seen(page, 'Leave Practise?')
    await press(page, 'Stay')
    await press(page, 'Go on')

    await hand.step(2)
    await click('Row 8')
    await hand.told('Select it twice quickly.')
    await click('Row 7', { count: 2 })
    await hand.step(3)
    await click('Row 8')
    await hand.told('Open its menu')
    await click('Row 8', { button: 'right' })
    await hand.step(4)
    await drag('Card', NOTHING)
    await hand.told('Drag “Card”')
    await drag('Card', 'Done')
    await hand.step(5)
    await chord('d')
    await hand.told('Not those keys')
    await chord('s')
    await hand.step(6)
    await click('Boots')
    await hand.told('1 of 3 found')
    await click(NOTHING)
    await hand.told('Look for all of them')
    await click('Gloves')
    await click('Gloves')
    await click('Coat')
    await hand.step(7)
    await click('Weight')
    await hand.enters('5')
    await hand.told('From 2 to 3 kg')
    expect(await page.$eval('[data-refusal]', (each) => each.textContent)).toBe('From 2 to 3 kg')
    expect(await seriousFindings(page)).toEqual([])
    await hand.enters('2.5')
    await hand.step(8)
    await press(page, 'Yes')
    await hand.told('Not that button')
    await press(page, 'No')
    await seen(page, '0 of 7 steps at the first try and without help.')
    await page.evaluate(() => (document.fullscreenElement ? document.exitFullscreen() : undefined))
    expect(page.complaints).toEqual([])
    // The next one begins anew once the server knows that this one is over.
    await page.waitForFunction(() => localStorage.getItem('jackdaw-events-wait') === null)
    await page.close()
  })

  it('is done with fingers on a tablet: two taps, a long press, dragging, keys from the list', async () => {
    const page = await signedIn(browser, app, clerk.mail)
    await page.setViewport({ width: 1180, height: 820, isMobile: true, hasTouch: true })
    const hand = new OnPicture(page)
    const tap = async (thing: keyof typeof THINGS) => {
      const { x, y } = await hand.of(thing)
      await page.touchscreen.tap(x, y)
    }
    await page.goto(`${app.address}/guides/${guide}/practise`)
    await hand.step(1)
    await press(page, 'Go on')
    await hand.step(2)
    const row = await hand.of('Row 7')
    await page.touchscreen.tap(row.x, row.y)
    await page.touchscreen.tap(row.x, row.y)
    await hand.step(3)
    const other = await hand.of('Row 8')
    await page.touchscreen.touchStart(other.x, other.y)
    await sleep(750)
    await page.touchscreen.touchEnd()
    await hand.step(4)
    const [from, to] = [await hand.of('Card'), await hand.of('Done')]
    await page.touchscreen.touchStart(from.x, from.y)
    for (const share of [0.3, 0.6, 1]) await page.touchscreen.touchMove(from.x + (to.x - from.x) * share, from.y + (to.y - from.y) * share)
    await page.touchscreen.touchEnd()
    await hand.step(5)
    await press(page, 'List of elements')
    await click(page, 'section[aria-label="Elements"] label ::-p-text(Ctrl)')
    await (await page.waitForSelector('::-p-aria([name="Key"][role="combobox"])'))!.select('S')
    await click(page, '::-p-aria([name="Press Ctrl+S"][role="button"])')
    await hand.step(6)
    await press(page, 'Close the list')
    for (const thing of ['Coat', 'Boots', 'Gloves'] as const) await tap(thing)
    await hand.step(7)
    await tap('Weight')
    await hand.enters('3')
    await hand.step(8)
    await press(page, 'No')
    await seen(page, 'All of it at the first try')
    expect(await seriousFindings(page)).toEqual([])
    await page.close()
  })

  it('is taken Solo with the list of elements, by somebody who does not point', async () => {
    const page = await signedIn(browser, app, clerk.mail)
    const hand = new OnPicture(page)
    await page.goto(`${app.address}/guides/${guide}/solo`)
    await press(page, 'Begin')
    await hand.step(1)
    await press(page, 'Go on')
    await hand.step(2)
    await press(page, 'List of elements')
    const how = async (value: string) => page.select('section[aria-label="Elements"] select', value)
    await how('double')
    await press(page, 'Row 7')
    await hand.step(3)
    await how('right')
    await press(page, 'Row 8')
    await hand.step(4)
    await how('drag')
    await press(page, 'Card')
    await seen(page, '“Card” is dragged. To where?')
    await press(page, 'Done')
    await hand.step(5)
    await sleep(450)
    await page.keyboard.down('Control')
    await page.keyboard.press('s')
    await page.keyboard.up('Control')
    await hand.step(6)
    await how('once')
    for (const name of ['Coat', 'Boots', 'Gloves']) await press(page, name)
    await hand.step(7)
    await press(page, 'Weight')
    await hand.enters('2,5')
    await hand.told('From 2 to 3 kg')
    await hand.enters('2.5')
    await hand.step(8)
    await press(page, 'No')
    // Seven steps, one of them at the second try: 6.5 of 7, rounded down.
    await seen(page, 'Passed with 92 %')
    expect(page.complaints).toEqual([])
    await page.close()
  })
})
