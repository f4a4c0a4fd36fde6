import { DEMO_PASSWORD } from '@jackdaw/demo'
import type { Browser } from 'puppeteer-core'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { click, openBrowser, seen, seriousFindings, signedIn, startApp, type App } from './app'

let app: App
let browser: Browser
beforeAll(async () => {
  ;[app, browser] = await Promise.all([startApp(), openBrowser()])
})
afterAll(async () => {
  await browser?.close()
  await app?.close()
})

it('speaks German to who chooses it, from signing in to the last step, and the next time too', async () => {
  const context = await browser.createBrowserContext()
  const page = await context.newPage()
  page.setDefaultTimeout(30_000)
  await page.bringToFront()
  await page.goto(`${app.address}/sign-in`)
  await page.waitForSelector('select')
  await page.select('select', 'de')
  await seen(page, 'E-Mail-Adresse')
  await page.locator('input[autocomplete=username]').fill('dieter@larkmoor.example')
  await page.locator('input[type=password]').fill('wrong')
  await page.keyboard.press('Enter')
  await seen(page, 'E-Mail-Adresse, Nummer oder Passwort ist falsch')
  await page.locator('input[type=password]').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-today]')
  // It is the person's own language that counts from here on; it is chosen once.
  await click(page, 'button[popovertarget="person-menu"]')
  await page.select('#person-menu select', 'de')
  await seen(page, 'Heute')
  await page.goto(`${app.address}/library?find=near%20miss`)
  await click(page, 'td ::-p-text(Report a near miss)')
  await seen(page, 'Schritt 1 von 9')
  expect(await page.evaluate(() => document.documentElement.lang)).toBe('de')
  expect(await seriousFindings(page)).toEqual([])
  await context.close()
  const again = await signedIn(browser, app, 'dieter@larkmoor.example')
  await seen(again, 'Heute')
  await again.browserContext().close()
})
