import { join } from 'node:path'
import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openBrowser, ownPage, press, quiet, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { keyTo, recordSays, type Watched } from './playerHand'

let app: App
let browser: Browser
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp({ JOBS: 'yes' }), openBrowser()])
}, 120_000)
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

const clean = async (page: Watched): Promise<void> => {
  expect(await seriousFindings(page)).toEqual([])
  expect(page.complaints).toEqual([])
}
/** The first bytes of a file that a page links to, and its name. */
const fileBehind = (page: Watched): Promise<{ starts: string; name: string }> =>
  page.$eval('a[download]', async (link) => {
    const answer = await fetch((link as HTMLAnchorElement).href)
    const bytes = new Uint8Array(await answer.arrayBuffer())
    return { starts: String.fromCharCode(...bytes.subarray(0, 5)), name: answer.headers.get('content-disposition') ?? '' }
  })

/** A guide that is open to somebody, that they need not read, and of which they have not read all. */
const notReadYet = (page: Watched): Promise<string> =>
  page.evaluate(async () => {
    const get = async <T>(address: string) => (await (await fetch(address)).json()) as T
    type Reading = { assigned: boolean; progress: { seen: string[] }; document: { confirmSteps: boolean; items: { kind: string }[] } }
    for (const { id } of (await get<{ rows: { id: string }[] }>('/api/guides')).rows) {
      const { assigned, progress, document: guide } = await get<Reading>(`/api/guides/${id}/reader`)
      const steps = guide.items.filter((item) => item.kind === 'step').length
      if (!assigned && !guide.confirmSteps && progress.seen.length < steps) return id
    }
    throw new Error('there is no such guide')
  })

it('a lead has a folder written as a booklet by keyboard, and finds it among her files', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  await marta.goto(`${app.address}/library`)
  await seen(marta, 'Order office')
  await keyTo(marta, 'Order office 4')
  await seen(marta, 'Save as a booklet …')
  await keyTo(marta, 'Save as a booklet …')
  await seen(marta, 'Title of the booklet')
  await clean(marta)
  await marta.keyboard.press('Enter')
  await marta.waitForSelector('a[download]')
  expect(await fileBehind(marta)).toEqual({ starts: '%PDF-', name: expect.stringContaining('Order office.pdf') })
  await marta.goto(`${app.address}/exports`)
  await seen(marta, 'The order office, from the first day on')
  await clean(marta)
  await keyTo(marta, 'Delete Order office')
  await marta.waitForFunction(() => document.querySelectorAll('a[download]').length === 1)
  await marta.close()
}, 90_000)

/** Reads a guide as one page, as somebody does who has wished so before. */
async function readingAsPage(page: Watched): Promise<void> {
  const isThere = (words: string) =>
    document.querySelector('[data-step]') !== null ||
    [...document.querySelectorAll('button')].some((button) => button.textContent.includes(words))
  await page.waitForFunction(isThere, {}, 'Read as one page')
  if (!(await page.$('[data-step]'))) await press(page, 'Read as one page')
  await page.waitForSelector('[data-step]')
}
/** Rests at a step until so many are ticked. Where pictures that come late push it away, somebody scrolls after it. */
async function restAt(page: Watched, step: string, ticked: number): Promise<void> {
  await page.$eval(`[data-step="${step}"]`, (each) => each.scrollIntoView({ block: 'center' }))
  const isRead = (id: string, n: number) => {
    const place = document.querySelector(`[data-step="${id}"]`)
    const { top = 0, bottom = 0, height = 0 } = place?.getBoundingClientRect() ?? {}
    if (Math.min(bottom, innerHeight) - Math.max(top, 0) < Math.min(height, innerHeight) * 0.7) place?.scrollIntoView({ block: 'center' })
    // Where one is there is no tick: those before it have one.
    return [...document.querySelectorAll('nav[aria-label="Steps"] li')].filter((each) => each.textContent.includes('✓')).length >= n
  }
  await page.waitForFunction(isRead, { timeout: 15_000, polling: 250 }, step, ticked)
}

it('a lead reads a guide as one page: what was on the screen counts, and the wish is remembered', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  const id = await notReadYet(marta)
  await marta.goto(`${app.address}/guides/${id}`)
  await readingAsPage(marta)
  await clean(marta)
  const read = (answer: { progress: { seen: string[] } }) => answer.progress.seen.length
  const before = await recordSays<number>(marta, `/api/guides/${id}/reader`, read, () => true)
  // Down the page, with a rest at each step.
  // The end of a long page comes a moment after its beginning.
  await marta.waitForFunction(
    () => document.querySelectorAll('[data-step]').length === document.querySelectorAll('nav[aria-label="Steps"] li').length,
  )
  const steps = await marta.$$eval('[data-step]', (all) => all.map((each) => (each as HTMLElement).dataset['step']!))
  for (const [n, step] of steps.entries()) await restAt(marta, step, n)
  expect(before).toBeLessThan(steps.length)
  await recordSays<number>(marta, `/api/guides/${id}/reader`, read, (n) => n === steps.length)
  await quiet(marta, 300)
  // A link to a step that the page does not begin with.
  const last = steps.at(-1) ?? ''
  expect(steps.length).toBeGreaterThan(6)
  await marta.goto(`${app.address}/guides/${id}?step=${last}`)
  await marta.waitForFunction(
    (step) => {
      const place = document.querySelector(`[data-step="${step}"]`)?.getBoundingClientRect()
      return place !== undefined && place.top < innerHeight && place.bottom > 0
    },
    {},
    last,
  )
  await clean(marta)
  await marta.close()
}, 120_000)

/** A guide of which two editions hold. */
const twoEditions = (page: Watched): Promise<{ id: string; title: string }> =>
  page.evaluate(async () => {
    const get = async <T>(address: string) => (await (await fetch(address)).json()) as T
    for (const { id, title } of (await get<{ rows: { id: string; title: string }[] }>('/api/guides')).rows)
      if ((await get<{ editions: unknown[] }>(`/api/guides/${id}/publication`)).editions.length > 1) return { id, title }
    throw new Error('there is no such guide')
  })

it('a driver reads by a link that asks for a vehicle, and is led on when the edition is withdrawn: all by keyboard', async () => {
  const priya = await signedIn(browser, app, 'priya@larkmoor.example')
  await priya.goto(`${app.address}/guests`)
  await seen(priya, 'Sites that may show guides in a frame')
  if (!(await priya.$eval('input[type=checkbox]', (box) => (box as HTMLInputElement).checked)))
    await keyTo(priya, /^Guides may be shared by links/, 'Space')
  await keyTo(priya, 'Save')
  await seen(priya, 'Saved')
  await clean(priya)
  await priya.close()

  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  const { id, title } = await twoEditions(marta)
  await marta.goto(`${app.address}/guides/${id}/links`)
  await seen(marta, 'New link')
  await keyTo(marta, 'New link')
  await seen(marta, 'By a number that guests are asked for first')
  await keyTo(marta, /^By nothing/, null)
  await marta.keyboard.press('ArrowDown')
  await seen(marta, 'Vehicle number')
  await clean(marta)
  await keyTo(marta, 'Make the link')
  await seen(marta, 'The link is made')
  const address = await marta.$eval('[role=dialog] textarea', (field) => (field as HTMLTextAreaElement).value)
  await keyTo(marta, 'Copy')
  await marta.keyboard.press('Escape')

  const driver = await ownPage(browser, 'phone')
  await driver.goto(app.address + new URL(address).pathname)
  await seen(driver, title)
  await driver.type('input', 'Ada Finch')
  await driver.keyboard.press('Enter')
  await seen(driver, 'A number has figures in it')
  await driver.$eval('input', (field) => (field as HTMLInputElement).select())
  await driver.keyboard.type('LM-204')
  await driver.keyboard.press('Enter')
  await seen(driver, 'Step 1 of')
  await clean(driver)
  expect(await driver.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)

  await marta.goto(`${app.address}/guides/${id}/publish`)
  await seen(marta, 'Withdraw …')
  await keyTo(marta, 'Withdraw …')
  await marta.waitForSelector('[role=dialog] textarea')
  await keyTo(marta, /^Why/, null)
  await marta.keyboard.type('Step 2 names the wrong valve')
  await keyTo(marta, 'Withdraw it')
  await seen(marta, 'Withdrawn')
  // Whoever comes back to the page is asked for anew.
  await driver.evaluate(() => window.dispatchEvent(new Event('visibilitychange')))
  await seen(driver, 'Edition 2 has been withdrawn')
  await seen(driver, 'Step 2 names the wrong valve')
  await clean(driver)
  await keyTo(driver, 'Read edition 1')
  await seen(driver, 'Step 1 of')
  await driver.close()

  await marta.goto(`${app.address}/guides/${id}/links`)
  await seen(marta, 'Find by number')
  await keyTo(marta, 'Find by number', null)
  await marta.keyboard.type('lm204')
  await seen(marta, 'LM-204')
  await clean(marta)
  await marta.close()
}, 120_000)

it('a Word file comes in with its pictures, is mended, and published: all by keyboard', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  await marta.goto(`${app.address}/library`)
  await seen(marta, 'Import …')
  await keyTo(marta, 'Import …')
  await marta.waitForSelector('[role=dialog] input[type=file]')
  const [chooser] = await Promise.all([marta.waitForFileChooser(), keyTo(marta, /^Drop the file/, 'Space')])
  await chooser.accept([join(process.cwd(), 'demo/documents/open-roof-vents.docx')])
  await seen(marta, '“Open the roof vents by hand” is a draft now')
  await seen(marta, '2 lines hold words that have no place in a guide')
  await clean(marta)
  await keyTo(marta, 'Open the draft')
  await seen(marta, 'Hang the crank into the eye under the ridge.')
  // What was read as a caution is looked at before it is published.
  const flagged = () => marta.$$eval('main button', (all) => all.filter((each) => each.textContent.trim() === 'It is ready').length)
  await seen(marta, 'It is ready')
  for (let left = await flagged(); left > 0; left--) {
    await keyTo(marta, 'It is ready')
    await marta.waitForFunction(
      (n) => [...document.querySelectorAll('main button')].filter((each) => each.textContent.trim() === 'It is ready').length < n,
      {},
      left,
    )
  }
  await keyTo(marta, 'Publish …')
  await seen(marta, 'This becomes edition 1')
  await seen(marta, 'Crate line A')
  await keyTo(marta, /^Crate line A/, 'Space')
  await seen(marta, 'Publish to 8 people')
  await keyTo(marta, 'Publish to 8 people')
  await seen(marta, 'Edition 1 is published')
  await clean(marta)
  await marta.close()
}, 90_000)
