import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openBrowser, press, quiet, seen, signedIn, startApp, type App } from './app'
import { guideCalled } from './benchHand'

let app: App
let browser: Browser
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

it('brings along what a page shows first, and draws the next visit before the server answers', async () => {
  const marta = await signedIn(browser, app, 'marta@larkmoor.example')
  // What comes from the server is looked at: a page that this browser kept asks by itself.
  await marta.setBypassServiceWorker(true)
  const guide = await guideCalled(marta, 'Pack and')
  const asked: string[] = []
  marta.on('request', (request) => {
    const { pathname, search } = new URL(request.url())
    if (pathname.startsWith('/api/') && request.method() === 'GET') asked.push(pathname + search)
  })
  for (const [path, words] of [
    ['/', '[data-today]'],
    ['/library', '#main tbody tr'],
    [`/guides/${guide}`, 'article h1'],
  ] as const) {
    await marta.goto(app.address + path)
    await marta.waitForSelector(words)
    await quiet(marta, 300)
    expect([path, asked]).toEqual([path, []])
  }
  expect(marta.complaints).toEqual([])

  // Without any script it can be read, and links lead on; on a busy machine it is not drawn in time every time.
  const open = async (address: string): Promise<void> => {
    for (let tries = 0; tries < 30 && !(await bare.$('[data-still]')); tries++) await bare.goto(address)
  }
  const bare = await marta.browserContext().newPage()
  await bare.setJavaScriptEnabled(false)
  await open(app.address)
  expect(await bare.title()).toBe('Today – Jackdaw')
  expect(await bare.$$eval('a[href="/library"]', (links) => links.length)).toBeGreaterThan(0)
  await bare.goto('about:blank')
  await open(`${app.address}/guides/${guide}`)
  await bare.waitForSelector('article ::-p-text(of 13)')
  await bare.close()

  const ines = await signedIn(browser, app, 'ines@larkmoor.example', 'phone')
  await seen(ines, 'things to do')
  await ines.waitForFunction(async () => (await caches.match('/index.html')) !== undefined, { polling: 100 })
  await app.kill()
  await ines.goto(app.address)
  await seen(ines, 'things to do')
  await app.restart()
  await ines.goto(app.address)
  await press(ines, 'IR, Inés Robledo: account')
  await press(ines, 'Sign out')
  await ines.waitForSelector('input[autocomplete=username]')
  expect(await ines.evaluate(() => localStorage.getItem('jackdaw-kept-answers'))).toBe(null)
  await app.kill()
  await ines.goto(app.address)
  await ines.waitForFunction(() => document.body.innerText.includes('The server cannot be reached'))
  await app.restart()
})
