import type { Browser, Page } from 'puppeteer-core'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { bench, draftOf, edit, guideCalled, rest, saved, tool } from './benchHand'

let app: App
let browser: Browser
let marta: Page & { complaints: string[] }
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  marta = await signedIn(browser, app, 'marta@larkmoor.example')
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

describe('private data', () => {
  it('is found, blacked out and destroyed in one go, and cannot be got back', async () => {
    const ada = await signedIn(browser, app, 'marta@larkmoor.example')
    const id = await edit(app, ada, 'Look up a customer')
    await press(ada, 'More')
    await click(ada, '::-p-xpath(//*[@role="menuitem"][contains(.,"Find private data")])')
    await seen(ada, 'orders@greenway.example')
    await click(ada, '::-p-xpath(//div[@role="dialog"]//button[contains(.,"Draw 8 blackouts")])')
    await seen(ada, 'drawn and not applied')
    const picture = (await draftOf(ada, id)).items[0].pictures[0].id as string
    const inkShare = async () => {
      const bytes = await ada.evaluate(
        async (address) => [...new Uint8Array(await (await fetch(address, { cache: 'no-store' })).arrayBuffer())],
        `/guides/${id}/draft/pictures/${picture}?size=full`,
      )
      const { data, info } = await sharp(Buffer.from(bytes)).removeAlpha().raw().toBuffer({ resolveWithObject: true })
      let ink = 0
      for (let at = 0; at < data.length; at += info.channels) if (data[at] === 0x17 && data[at + 1] === 0x21 && data[at + 2] === 0x2b) ink++
      return ink / (info.width * info.height)
    }
    const before = await inkShare()
    await press(ada, 'Apply …')
    await seen(ada, 'Nobody can bring it back.')
    await seen(ada, 'draft only')
    expect(await seriousFindings(ada)).toEqual([])
    await click(ada, '::-p-xpath(//button[contains(.,"Destroy it now")])')
    await seen(ada, 'What stood there is gone')
    await press(ada, 'Good')
    expect(await inkShare()).toBeGreaterThan(before + 0.03)
    await ada.keyboard.down('Control')
    for (let n = 0; n < 4; n++) await ada.keyboard.press('z')
    await ada.keyboard.up('Control')
    await rest(400)
    expect(await inkShare()).toBeGreaterThan(before + 0.03)
    expect(ada.complaints).toEqual([])
  })
})

describe('thirty steps', () => {
  const stepTexts = (page: Page) =>
    page.$$eval('li[data-step] [data-step-text]', (all) => all.map((each) => (each as HTMLElement).innerText.trim()))
  it('are combined, moved, deleted and replaced in, each undone in one go', async () => {
    const made = await marta.evaluate(
      async (text) => {
        const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string }
        const answer = await fetch('/api/imports?name=thirty.md', {
          method: 'POST',
          headers: { 'x-csrf-token': csrf, 'content-type': 'text/markdown' },
          body: text,
        })
        return (await answer.json()) as { id?: string; guideId?: string; guides?: { id: string }[] }
      },
      `# Thirty steps\n\n${Array.from({ length: 30 }, (_, n) => `${n + 1}. Step number ${n + 1} of the tray.`).join('\n\n')}\n`,
    )
    const id = made.id ?? made.guideId ?? (await guideCalled(marta, 'Thirty steps'))
    await marta.goto(`${app.address}/guides/${id}/edit`)
    await marta.waitForFunction(() => document.querySelectorAll('li[data-step]').length === 30)
    const start = await stepTexts(marta)
    const tick = async (n: number, shift = false) => {
      const ticks = await marta.$$('nav[aria-label="Outline"] li > button:first-child')
      await marta.keyboard.down(shift ? 'Shift' : 'Control')
      await ticks[n - 1]!.click()
      await marta.keyboard.up(shift ? 'Shift' : 'Control')
    }
    const undone = async () => {
      await marta.keyboard.down('Control')
      await marta.keyboard.press('z')
      await marta.keyboard.up('Control')
      await marta.waitForFunction(
        (wanted: string) =>
          JSON.stringify(
            [...document.querySelectorAll('li[data-step] [data-step-text]')].map((each) => (each as HTMLElement).innerText.trim()),
          ) === wanted,
        {},
        JSON.stringify(start),
      )
    }
    await tick(5)
    await tick(12, true)
    await seen(marta, '8 chosen')
    await press(marta, 'Join into one step …')
    await click(marta, '::-p-xpath(//div[@role="dialog"]//button[normalize-space()="Join"])')
    await marta.waitForFunction(() => document.querySelectorAll('li[data-step]').length === 23)
    expect((await stepTexts(marta))[4]).toContain('Step number 12')
    await undone()
    await tick(20)
    await tick(30, true)
    await press(marta, 'Move …')
    await click(marta, '::-p-xpath(//div[@role="dialog"]//button[contains(.,"Move 11 here")])')
    await marta.waitForFunction(() => document.querySelector('li[data-step] [data-step-text]')!.textContent!.includes('number 20'))
    await undone()
    await tick(1)
    await tick(29, true)
    await click(marta, '::-p-xpath(//div[@aria-label="With the chosen steps"]//button[normalize-space()="Delete"])')
    await marta.waitForFunction(() => document.querySelectorAll('li[data-step]').length === 1)
    await undone()
    await press(marta, 'More')
    await click(marta, '::-p-xpath(//*[@role="menuitem"][contains(.,"Find and replace")])')
    await marta.locator('::-p-aria([name="Find"][role="textbox"])').fill('tray')
    await marta.locator('::-p-aria([name="Replace by"][role="textbox"])').fill('crate')
    await click(marta, '::-p-xpath(//button[contains(.,"Replace 30 times")])')
    await marta.waitForFunction(() => document.querySelectorAll('li[data-step]')[29]!.textContent!.includes('crate'))
    await undone()
    expect(marta.complaints).toEqual([])
  })
  it('are copied to another guide with their pictures, and taken back from there', async () => {
    const target = await guideCalled(marta, 'Look up a customer')
    await edit(app, marta, 'delivery slot')
    const before = (await draftOf(marta, target)).items.length
    const ticks = await marta.$$('li[data-step] input[type=checkbox][aria-label^="Choose step"]')
    for (const n of [1, 2]) await ticks[n]!.evaluate((each) => (each as HTMLElement).click())
    await seen(marta, '2 chosen')
    await press(marta, 'To another guide …')
    await click(marta, '::-p-xpath(//div[@role="dialog"]//label[contains(.,"Look up a customer")]/input)')
    await press(marta, 'Copy 2 there')
    await marta.waitForFunction(() => !document.querySelector('[role=dialog]'))
    const { items } = await draftOf(marta, target)
    expect(items).toHaveLength(before + 2)
    const copy = items.at(-1)
    expect(copy.copiedFrom).toMatch(/^[\w-]{21}$/)
    expect(copy.action.element.pictureId).toBe(copy.pictures[0].id)
    const answer = await marta.evaluate(
      async (address) => (await fetch(address)).status,
      `/guides/${target}/draft/pictures/${copy.pictures[0].id}`,
    )
    expect(answer).toBe(200)
    await marta.keyboard.down('Control')
    await marta.keyboard.press('z')
    await marta.keyboard.up('Control')
    await marta.waitForFunction(
      async (id: string, wanted: number) =>
        ((await (await fetch(`/api/guides/${id}/draft`)).json()) as any).document.items.length === wanted,
      { polling: 300 },
      target,
      before,
    )
  })
  it('take what two people draw at the same time', async () => {
    const id = await edit(app, marta, 'standing order')
    const priya = await signedIn(browser, app, 'priya@larkmoor.example')
    await priya.goto(`${app.address}/guides/${id}/edit`)
    await priya.waitForSelector('li[data-step]')
    await Promise.all([bench(marta, 5), bench(priya, 5)])
    for (const [page, words] of [
      [marta, 'From Marta'],
      [priya, 'From Priya'],
    ] as const) {
      await tool(page, 'Label', 'enter')
      await page.waitForSelector('[data-selected] textarea')
      await page.keyboard.type(words)
    }
    for (const page of [marta, priya])
      await page.waitForFunction(
        () =>
          ['From Marta', 'From Priya'].every((words) =>
            [...document.querySelectorAll('[data-annotation-row]')].some((row) => row.textContent!.includes(words)),
          ),
        { timeout: 20_000 },
      )
    await Promise.all([saved(marta), saved(priya)])
    const words = (await draftOf(marta, id)).items[4].pictures[0].annotations.map((each: any) => each.words)
    expect(words).toEqual(expect.arrayContaining(['From Marta', 'From Priya']))
  })
})

describe('reading', () => {
  /** Reads on to a step, saying what is asked on the way. */
  async function readTo(page: Page, title: string, step: number): Promise<void> {
    await page.goto(`${app.address}/guides/${await guideCalled(page, title)}`)
    await page.waitForSelector('article h1')
    const at = async () => Number(/Step (\d+) of/.exec((await page.$eval('article h1', (each) => each.textContent)) ?? '')?.[1])
    // Somebody who has begun goes on where they were.
    for (let now = await at(); now !== step; now = await at()) {
      for (const button of await page.$$('[data-caution] button')) await button.click()
      await page
        .locator(`::-p-xpath(//button[${now > step ? 'contains(.,"Back")' : 'contains(.,"Next") or contains(.,"Confirm")'}])`)
        .click()
      await page.waitForFunction((was: number) => !document.querySelector('article h1')!.textContent!.includes(`Step ${was} of`), {}, now)
    }
    await rest(400)
  }
  it('goes on past a caution only once it was acknowledged', async () => {
    await readTo(marta, 'tray seeder', 1)
    await seen(marta, 'The drum draws in hair')
    expect(await seriousFindings(marta)).toEqual([])
    await click(marta, '::-p-xpath(//button[contains(.,"Read the caution")])')
    expect(await marta.evaluate(() => document.activeElement?.textContent)).toContain('I have read this')
    await marta.keyboard.press('ArrowRight')
    await rest()
    expect(await marta.$eval('article h1', (each) => each.textContent)).toContain('Step 1 of')
    await click(marta, '[data-caution] button')
    await seen(marta, 'You have said that you read this')
    await click(marta, '::-p-xpath(//button[contains(.,"Confirm")])')
    await seen(marta, 'Step 2 of')
  })
  it.each([
    ['on a phone', { width: 390, height: 844, isMobile: true, hasTouch: true }],
    ['at 400 % zoom', { width: 320, height: 200, deviceScaleFactor: 4 }],
  ])('lists labels under the picture where they would be too small: %s', async (_, viewport) => {
    const page = await signedIn(browser, app, 'marta@larkmoor.example')
    await page.setViewport(viewport)
    await readTo(page, 'tray seeder', 2)
    const list = await page.$$eval('[data-listed] li', (all) => all.map((each) => (each as HTMLElement).innerText.replace(/\s+/g, ' ')))
    expect(list).toEqual(['1 Stop button, at hip height', '2 Drum', '3 Hopper', '4 Brush', '5 Conveyor', '6 Tray of 144 cells'])
    const sizes = await page.$$eval('svg [data-kind] text', (all) => all.map((each) => each.getBoundingClientRect().height))
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(12)
    const fits = await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1)
    expect(fits).toBe(true)
    expect(await seriousFindings(page)).toEqual([])
    await page.close()
  })
  it('shows the same words on the picture where there is room, and to a screen reader', async () => {
    await readTo(marta, 'tray seeder', 2)
    await marta.setViewport({ width: 1280, height: 900 })
    await rest(300)
    const drawn = await marta.$$eval('svg [data-kind="label"] text', (all) =>
      all.map((each) => [...each.querySelectorAll('tspan')].map((line) => line.textContent).join(' ')),
    )
    expect(drawn).toContain('Tray of 144 cells')
    expect(await marta.$$eval('ul[aria-label="On the picture"] li', (all) => all.map((each) => each.textContent))).toContain('Hopper')
    expect(marta.complaints).toEqual([])
  })
})

describe('the look', () => {
  it('changes every guide from the moment it is saved', async () => {
    await marta.goto(`${app.address}/look`)
    await marta.waitForSelector('form')
    expect(await seriousFindings(marta)).toEqual([])
    await click(marta, '::-p-aria([name="plum"][role="button"])')
    await marta.$eval('input[type=color].w-24', (each) => {
      const input = each as HTMLInputElement
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, '#7b2d6b')
      input.dispatchEvent(new Event('input', { bubbles: true }))
    })
    await press(marta, 'Save for all guides')
    await seen(marta, 'Guides are shown like this from now on')
    await marta.goto(`${app.address}/guides/${await guideCalled(marta, 'delivery slot')}`)
    await marta.waitForSelector('article h1')
    await click(marta, '::-p-xpath(//button[contains(.,"Next")])')
    await marta.waitForSelector('svg [data-kind="frame"] path[stroke="#7b2d6b"]')
    const colour = await marta.$eval('nav[aria-label="Areas"] a', () =>
      getComputedStyle(document.documentElement).getPropertyValue('--color-petrol'),
    )
    expect(colour.trim()).toBe('#7b2d6b')
    expect(await seriousFindings(marta)).toEqual([])
  })
})
