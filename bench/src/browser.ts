import { DEMO_PASSWORD } from '@jackdaw/demo'
import puppeteer, { type Browser, type Page } from 'puppeteer-core'

type Opened = { browser: Browser; page: Page }
/** A browser of 1280 × 800 that has been nowhere yet. */
export async function freshBrowser(): Promise<Opened> {
  const browser = await puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage'],
  })
  const page = await browser.newPage()
  await page.setViewport({ width: 1280, height: 800 })
  return { browser, page }
}

/** A browser of 1280 × 800 with somebody of the demo signed in, on their first page. */
export async function signedInBrowser(address: string, mail: string): Promise<Opened> {
  const { browser, page } = await freshBrowser()
  await page.goto(`${address}/sign-in`)
  await page.locator('input[autocomplete=username]').fill(mail)
  await page.locator('input[type=password]').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await page.waitForSelector('#main h1')
  return { browser, page }
}
