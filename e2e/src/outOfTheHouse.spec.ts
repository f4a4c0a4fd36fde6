import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openBrowser, press, quiet, seen, seriousFindings, signedIn, startApp, type App } from './app'
import { recordSays, type Watched } from './playerHand'

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
  await press(marta, 'Order office 3')
  await seen(marta, 'Save as a booklet …')
  await (await marta.waitForSelector('::-p-aria([name="Save as a booklet …"])'))!.press('Enter')
  await seen(marta, 'Title of the booklet')
  await clean(marta)
  await marta.keyboard.press('Enter')
  await marta.waitForSelector('a[download]')
  expect(await fileBehind(marta)).toEqual({ starts: '%PDF-', name: expect.stringContaining('Order office.pdf') })
  await marta.goto(`${app.address}/exports`)
  await seen(marta, 'Order office')
  await clean(marta)
  await press(marta, 'Delete Order office')
  await seen(marta, 'There is no file yet.')
  await marta.close()
}, 90_000)

it('a lead reads a guide as one page: what was on the screen counts, and the wish is remembered', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  const id = await notReadYet(marta)
  await marta.goto(`${app.address}/guides/${id}`)
  await press(marta, 'Read as one page')
  await marta.waitForSelector('[data-step]')
  await clean(marta)
  const read = (answer: { progress: { seen: string[] } }) => answer.progress.seen.length
  const before = await recordSays<number>(marta, `/api/guides/${id}/reader`, read, () => true)
  // Down the page, with a rest at each step.
  const steps = await marta.$$eval('[data-step]', (all) => all.map((each) => (each as HTMLElement).dataset['step']!))
  for (const step of steps) {
    await marta.$eval(`[data-step="${step}"]`, (each) => each.scrollIntoView({ block: 'center' }))
    // Where one is there is no tick: those before it have one.
    const areRead = (n: number) =>
      [...document.querySelectorAll('nav[aria-label="Steps"] li')].filter((each) => each.textContent.includes('✓')).length >= n
    await marta.waitForFunction(areRead, { timeout: 15_000 }, steps.indexOf(step))
  }
  expect(before).toBeLessThan(steps.length)
  await recordSays<number>(marta, `/api/guides/${id}/reader`, read, (n) => n === steps.length)
  await quiet(marta, 300)
  await marta.goto(`${app.address}/guides/${id}`)
  await marta.waitForSelector('[data-step]')
  await clean(marta)
  await marta.close()
}, 120_000)
