import { mkdtemp, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { click, openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'

let app: App
let browser: Browser
let marta: Page & { complaints: string[] }
let guideAddress = ''
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  marta = await signedIn(browser, app, 'marta@larkmoor.example')
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

/** Waits until the steps of the draft are these. */
const stepsAre = async (page: Page, expected: readonly string[]): Promise<void> => {
  const texts = () => page.$$eval('li[data-step] [data-step-text]', (all) => all.map((each) => (each as HTMLElement).innerText.trim()))
  for (let tries = 0; tries < 50 && JSON.stringify(await texts()) !== JSON.stringify(expected); tries++)
    await new Promise((resolve) => setTimeout(resolve, 100))
  expect(await texts()).toEqual(expected)
}
const intoStep = async (page: Page, n: number): Promise<void> => {
  const step = (await page.$$('li[data-step] [data-step-text]'))[n - 1]!
  await step.click()
  await page.waitForFunction(
    (index: number) =>
      document.querySelectorAll('li[data-step]')[index]?.contains(document.activeElement) &&
      document.activeElement?.matches('.ProseMirror'),
    {},
    n - 1,
  )
  await page.keyboard.down('Control')
  await page.keyboard.press('End')
  await page.keyboard.up('Control')
}
const chord = async (page: Page, key: string): Promise<void> => {
  await page.keyboard.down('Control')
  await page.keyboard.press(key as 'a')
  await page.keyboard.up('Control')
}
const saved = (page: Page) =>
  page.waitForFunction(() => /Saved at|Everything is saved/.test(document.querySelector<HTMLElement>('[data-save]')?.innerText ?? ''))
const clean = async (page: Page & { complaints: string[] }): Promise<void> => {
  expect(await seriousFindings(page)).toEqual([])
  expect(page.complaints).toEqual([])
}

describe('from an empty page to who finished', () => {
  it('2: signs in, and a wrong password is told without saying which part was wrong', async () => {
    const page = await (await browser.createBrowserContext()).newPage()
    await page.goto(`${app.address}/library`)
    await page.waitForSelector('input[autocomplete=username]')
    expect(await seriousFindings(page)).toEqual([])
    await page.type('input[autocomplete=username]', 'marta@larkmoor.example')
    await page.type('input[type=password]', 'wrong')
    await page.keyboard.press('Enter')
    await seen(page, 'Mail address, number or password is wrong')
    await page.type('input[type=password]', 'glass-and-herbs')
    await page.keyboard.press('Enter')
    await seen(page, '18 guides')
    expect(page.url()).toBe(`${app.address}/library`)
    await page.close()
    await clean(marta)
  })

  it('3: makes a folder and a guide in it, and finds guides by title and number', async () => {
    await press(marta, 'Library')
    await seen(marta, '18 guides')
    await clean(marta)
    await press(marta, '+ Folder')
    await marta.locator('[role=dialog] input').fill('Crates')
    await press(marta, 'Save')
    await click(marta, 'nav[aria-label="Folders"] li ::-p-text(Crates)')
    await seen(marta, '0 guides in Crates')
    await press(marta, 'New guide')
    await press(marta, 'Begin to write')
    await seen(marta, 'Give the guide a title')
    expect(await seriousFindings(marta)).toEqual([])
    await marta.locator('[role=dialog] input').fill('Wash the crates')
    await press(marta, 'Begin to write')
    await marta.waitForSelector('textarea[aria-label="Title"]')
    guideAddress = marta.url().replace('/edit', '')
    expect(await marta.$eval('textarea[aria-label="Title"]', (field) => (field as HTMLTextAreaElement).value)).toBe('Wash the crates')
  })

  it('4: writes, formats, adds a picture, reorders by keys, undoes and redoes, and it is all saved', async () => {
    await intoStep(marta, 1)
    await chord(marta, 'b')
    await marta.keyboard.type('Sort')
    await chord(marta, 'b')
    await marta.keyboard.type(' the crates by size')
    await chord(marta, 'Enter')
    await marta.waitForFunction(() => document.querySelectorAll('li[data-step]').length === 2)
    await marta.keyboard.type('Rinse them')
    await chord(marta, 'Enter')
    await marta.waitForFunction(() => document.querySelectorAll('li[data-step]').length === 3)
    await marta.keyboard.type('Stack them')
    const picker = (await marta.$('li[data-step]:last-of-type input[type=file]')) as ElementHandle<HTMLInputElement>
    await picker.uploadFile('demo/pictures/packing-scale.png', 'demo/guides/welcome.md')
    await marta.waitForSelector('img[src*="/draft/pictures/"]')
    await seen(marta, 'The file is not a picture that can be read')
    await press(marta, 'Understood')
    await marta.type('input[aria-label="What picture 1 shows"]', 'A scale')
    await stepsAre(marta, ['Sort the crates by size', 'Rinse them', 'Stack them'])
    await press(marta, 'More for Stack them')
    await press(marta, 'Move up')
    await stepsAre(marta, ['Sort the crates by size', 'Stack them', 'Rinse them'])
    await chord(marta, 'z')
    await stepsAre(marta, ['Sort the crates by size', 'Rinse them', 'Stack them'])
    await marta.focus('nav[aria-label="Outline"] button[aria-label="Move: Stack them"]')
    await marta.keyboard.press('Space')
    await new Promise((resolve) => setTimeout(resolve, 300))
    await marta.keyboard.press('ArrowUp')
    await new Promise((resolve) => setTimeout(resolve, 300))
    await marta.keyboard.press('Space')
    await marta.waitForFunction(
      () =>
        [...document.querySelectorAll('li[data-step] [data-step-text]')].map((each) => (each as HTMLElement).innerText.trim())[1] ===
        'Stack them',
    )
    await chord(marta, 'z')
    await stepsAre(marta, ['Sort the crates by size', 'Rinse them', 'Stack them'])
    await chord(marta, 'y')
    await stepsAre(marta, ['Sort the crates by size', 'Stack them', 'Rinse them'])
    await chord(marta, 'z')
    await saved(marta)
    await clean(marta)
    await marta.reload()
    await marta.waitForSelector('li[data-step]')
    await stepsAre(marta, ['Sort the crates by size', 'Rinse them', 'Stack them'])
    expect(await marta.$eval('li[data-step] strong', (bold) => bold.textContent)).toBe('Sort')
  })

  it('4: keeps what was typed when the tab is closed, the network is gone or the server is killed', async () => {
    await intoStep(marta, 1)
    await marta.keyboard.type('; closed')
    await new Promise((resolve) => setTimeout(resolve, 400))
    const context = marta.browserContext()
    const next = (await context.newPage()) as typeof marta
    next.complaints = []
    await next.setViewport({ width: 1280, height: 800 })
    await marta.close({ runBeforeUnload: false })
    marta = next
    await marta.goto(`${guideAddress}/edit`)
    await seen(marta, 'Sort the crates by size; closed')

    await intoStep(marta, 1)
    await marta.setOfflineMode(true)
    await marta.keyboard.type('; offline')
    await seen(marta, 'The server cannot be reached; kept in this browser.')
    await marta.setOfflineMode(false)
    await saved(marta)

    await intoStep(marta, 1)
    await app.kill()
    await marta.keyboard.type('; killed')
    await seen(marta, 'kept in this browser')
    await marta.close({ runBeforeUnload: false })
    await app.restart()
    marta = (await context.newPage()) as typeof marta
    marta.complaints = []
    await marta.setViewport({ width: 1280, height: 800 })
    await marta.goto(`${guideAddress}/edit`)
    await seen(marta, 'Sort the crates by size; closed; offline; killed')
    await saved(marta)
    await clean(marta)
  })

  it('4: shows two people’s clash on one text with both versions, and lands changes to different steps', async () => {
    const priya = await signedIn(browser, app, 'priya@larkmoor.example')
    await priya.goto(`${guideAddress}/edit`)
    await seen(priya, 'Rinse them')
    await intoStep(priya, 3)
    await priya.keyboard.type(' by Priya')
    await intoStep(marta, 2)
    await marta.keyboard.type(' by Marta')
    await Promise.all([saved(marta), saved(priya)])
    await seen(marta, 'Stack them by Priya')
    await seen(priya, 'Rinse them by Marta')
    await priya.setOfflineMode(true)
    await intoStep(priya, 2)
    await priya.keyboard.type(', mine')
    await intoStep(marta, 2)
    await marta.keyboard.type(', hers')
    await saved(marta)
    await priya.setOfflineMode(false)
    await seen(priya, 'changed this at the same time')
    await seen(priya, 'Rinse them by Marta, hers')
    expect(await seriousFindings(priya)).toEqual([])
    await press(priya, 'Keep both, mine as a step after it')
    await saved(priya)
    await seen(marta, 'Rinse them by Marta, mine')
    await stepsAre(priya, [
      'Sort the crates by size; closed; offline; killed',
      'Rinse them by Marta, hers',
      'Rinse them by Marta, mine',
      'Stack them by Priya',
    ])
    expect(priya.complaints).toEqual([])
    await priya.browserContext().close()
  })

  it('4: imports a Markdown file and says what has no place', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'jackdaw-import-'))
    await writeFile(join(folder, 'spill.md'), '# Wipe up a spill\n\n1. Put up the sign\n2. Wipe\n\n<script>alert("canary")</script>\n')
    await press(marta, 'Library')
    await press(marta, 'Import …')
    const input = (await marta.waitForSelector('[role=dialog] input[type=file]')) as ElementHandle<HTMLInputElement>
    await input.uploadFile(join(folder, 'spill.md'))
    await seen(marta, '“Wipe up a spill” is a draft now')
    await seen(marta, '1 line holds words that have no place in a guide')
    await clean(marta)
    await press(marta, 'Open the draft')
    await seen(marta, 'Put up the sign')
  })

  it('5: publishes to a team after saying to how many', async () => {
    await marta.goto(`${guideAddress}/publish`)
    await seen(marta, 'This becomes edition 1')
    await click(marta, 'fieldset ::-p-text(Crate line A)')
    await seen(marta, 'Publish to 8 people')
    await seen(marta, 'Inés Robledo')
    await clean(marta)
    await press(marta, 'Publish to 8 people')
    await seen(marta, 'Edition 1 is published')
    await clean(marta)
  })

  it('6: is read on a phone by button and swipe, gone on with on a computer by keys, and done', async () => {
    const phone = await signedIn(browser, app, 'ines@larkmoor.example', 'phone')
    await seen(phone, 'Wash the crates')
    await clean(phone)
    expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await press(phone, 'Begin Wash the crates')
    await seen(phone, 'Sort the crates by size')
    await clean(phone)
    await press(phone, 'Next')
    await seen(phone, 'Step 2 of 4')
    const touch = await phone.touchscreen.touchStart(330, 500)
    await touch.move(200, 505)
    await touch.move(60, 505)
    await touch.end()
    await seen(phone, 'Step 3 of 4')
    await press(phone, '3 / 4, all steps')
    await seen(phone, 'Stack them by Priya')
    await new Promise((resolve) => setTimeout(resolve, 1500))
    await phone.browserContext().close()

    const desk = await signedIn(browser, app, 'ines@larkmoor.example')
    await press(desk, 'Go on with Wash the crates')
    await seen(desk, 'You go on where you were.')
    await seen(desk, 'Step 3 of 4')
    await clean(desk)
    await desk.keyboard.press('ArrowLeft')
    await seen(desk, 'Step 2 of 4')
    await desk.keyboard.press('ArrowRight')
    await desk.keyboard.press('ArrowRight')
    await seen(desk, 'Step 4 of 4')
    await desk.waitForSelector('img[src*="/editions/1/pictures/"]')
    await desk.setOfflineMode(true)
    await desk.keyboard.press('ArrowRight')
    await seen(desk, 'That was the last step')
    await seen(desk, 'No connection')
    await press(desk, 'Done')
    await seen(desk, 'It is kept on this device and goes on record as soon as')
    await desk.setOfflineMode(false)
    await desk.evaluate(() => window.dispatchEvent(new Event('online')))
    await seen(desk, 'It is on record that you have read edition 1')
    await desk.waitForFunction(
      async () =>
        ((await (await fetch('/api/today')).json()) as { done: { title: string }[] }).done.some((item) => item.title === 'Wash the crates'),
      { polling: 500 },
    )
    await clean(desk)

    const other = await await desk.evaluate(async () =>
      ((await (await fetch('/api/guides')).json()) as { rows: { title: string }[] }).rows.map((row) => row.title),
    )
    expect(other).toContain('Wash the crates')
    expect(other).not.toContain('Wipe up a spill')
    await marta.goto(`${app.address}/library?find=spill`)
    await marta.waitForSelector('td a')
    const spill = await marta.$eval('td a', (link) => (link as HTMLAnchorElement).href.replace('/edit', ''))
    await desk.goto(spill)
    await seen(desk, 'There is nothing at this address')
    expect(await seriousFindings(desk)).toEqual([])
    await desk.browserContext().close()
  })

  it('7: counts who finished and where the others stopped, for a guide and for a person, also as CSV', async () => {
    await marta.goto(guideAddress.replace('/guides/', '/records/guides/'))
    await seen(marta, '1 began, 1 finished')
    await marta.waitForFunction(() =>
      [...document.querySelectorAll('tbody tr')].some((row) => /Inés Robledo[\s\S]*Done[\s\S]*4 \/ 4/.test((row as HTMLElement).innerText)),
    )
    await clean(marta)
    const csv = await marta.evaluate(async () => (await fetch(document.querySelector<HTMLAnchorElement>('a[download]')!.href)).text())
    expect(csv.split('\r\n').filter((line) => line.includes('Wash the crates'))).toHaveLength(8)
    await press(marta, 'Inés Robledo')
    await seen(marta, 'Wash the crates')
    await clean(marta)
    await press(marta, 'Records')
    await seen(marta, 'What everybody has read and done')
    await clean(marta)
    await press(marta, 'By person')
    await seen(marta, '64 people')
    await clean(marta)
    await marta.goto(`${app.address}/library?find=pack`)
    await click(marta, 'td ::-p-text(Pack and label)')
    await seen(marta, 'Check every bunch')
    await clean(marta)
  })

  it('lets a manager see the people who report to them, and nobody signed out see anything', async () => {
    const gareth = await signedIn(browser, app, 'gareth@larkmoor.example')
    await press(gareth, 'Records')
    await seen(gareth, 'those who report to you')
    await press(gareth, 'By person')
    await seen(gareth, 'Inés Robledo')
    await clean(gareth)
    await press(gareth, 'GP, Gareth Pike: account')
    await press(gareth, 'Sign out')
    await gareth.waitForSelector('input[autocomplete=username]')
    await gareth.goto(`${app.address}/records`)
    await gareth.waitForSelector('input[autocomplete=username]')
    await gareth.goBack()
    await gareth.waitForSelector('input[autocomplete=username]')
  })
})

describe('at 390 px', () => {
  it('every page that staff use fits', async () => {
    const phone = await signedIn(browser, app, 'gareth@larkmoor.example', 'phone')
    const fits = async () => expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    const pages = [
      ['/', '[data-today]'],
      ['/library', 'td a'],
      ['/records', 'tbody tr'],
      ['/records?by=people', 'tbody tr'],
    ] as const
    for (const [path, there] of pages) {
      await phone.goto(app.address + path)
      await phone.waitForSelector(there)
      await fits()
      await clean(phone)
    }
    await phone.goto(`${app.address}/library?find=First%20round`)
    await click(phone, 'td ::-p-text(First round)')
    await phone.waitForSelector('article h1')
    await fits()
    await clean(phone)
    await phone.goto(`${app.address}/records`)
    await seen(phone, 'Pack and label herb crates')
    await phone.browserContext().close()
  })
  it('opens a step only when the one before is confirmed, by whatever way one tries', async () => {
    const phone = await signedIn(browser, app, 'marta@larkmoor.example', 'phone')
    await phone.goto(`${app.address}/library?find=First%20round`)
    await phone.waitForSelector('td a')
    const guide = await phone.$eval('td a', (link) => (link as HTMLAnchorElement).href.replace('/edit', ''))
    await phone.goto(guide)
    await seen(phone, 'Step 1 of 9')
    for (const key of ['ArrowRight', 'PageDown'] as const) await phone.keyboard.press(key)
    await press(phone, '1 / 9, all steps')
    expect(await phone.$$eval('nav[aria-label="Steps"] button:disabled', (shut) => shut.length)).toBe(8)
    await press(phone, 'Close')
    await seen(phone, 'Step 1 of 9')
    await press(phone, 'Confirm')
    await seen(phone, 'Step 2 of 9')
    expect(await phone.$$eval('nav[aria-label="Steps"] button:disabled', (shut) => shut.length)).toBe(7)
    await clean(phone)
    await phone.browserContext().close()
  })
})
