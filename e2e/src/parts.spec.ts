import { join } from 'node:path'
import type { Browser } from 'puppeteer-core'
import { createServer, type ViteDevServer } from 'vite'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openBrowser, press, seen, seriousFindings, signedIn, startApp, type App } from './app'

let app: App
let browser: Browser
let dev: ViteDevServer
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
  dev = await createServer({ configFile: join(process.cwd(), 'vite.config.ts'), server: { port: 0, host: '127.0.0.1' }, logLevel: 'error' })
  await dev.listen()
})
afterAll(async () => {
  await browser?.close()
  await dev?.close()
  await app?.close()
})

it('shows every part of the interface in its states, without serious findings, wide and on a phone', async () => {
  const page = await browser.newPage()
  // The page needs no server of ours, and there is none.
  await page.setRequestInterception(true)
  page.on('request', (request) =>
    new URL(request.url()).pathname.startsWith('/api/')
      ? void request.respond({ contentType: 'application/json', body: 'null' })
      : void request.continue(),
  )
  // The first time packages are made ready for the browser, after which the page may come anew.
  await page.goto(`${dev.resolvedUrls?.local[0]}parts`)
  await page.waitForSelector('canvas', { timeout: 60_000 })
  await page.waitForFunction(() => performance.now() > 3_000, { timeout: 60_000 })
  for (const width of [1280, 390]) {
    await page.setViewport({ width, height: 800 })
    await page.goto(`${dev.resolvedUrls?.local[0]}parts`)
    await page.locator('::-p-aria([name="Choose Basil 1"])').wait()
    await page.waitForSelector('canvas')
    expect([width, await seriousFindings(page)]).toEqual([width, []])
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(width)
  }
  // Of 5,000 rows only those in sight are there, and the last ones can be reached.
  expect(await page.$$eval('[aria-label="5000 crates"] tbody tr', (rows) => rows.length)).toBeLessThan(80)
  await page.evaluate(() => window.scrollTo(0, document.documentElement.scrollHeight))
  await page.locator('::-p-aria([name="Choose Thyme 994"])').wait()
})

it('works on several guides at once, and takes it back', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  await press(marta, 'Library')
  await press(marta, 'Choose Larkmoor in five minutes')
  await marta.keyboard.press('ArrowDown')
  await marta.keyboard.press('Space')
  await seen(marta, '2 chosen')
  expect(await seriousFindings(marta)).toEqual([])
  await press(marta, 'Archive 2 guides')
  await seen(marta, '2 guides are archived')
  await seen(marta, '16 guides')
  await press(marta, 'Undo')
  await seen(marta, '18 guides')
  await press(marta, 'Choose all')
  await press(marta, 'Move to another folder …')
  await seen(marta, 'Move 18 guides')
  expect(marta.complaints).toEqual([])
})
