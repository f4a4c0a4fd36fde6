import { DEMO_PASSWORD } from '@jackdaw/demo'
import puppeteer, { type Browser, type Page } from 'puppeteer-core'

/** A browser of 1280 × 800 with somebody of the demo signed in, on their first page. */
export async function signedInBrowser(address: string, mail: string): Promise<{ browser: Browser; page: Page }> {
  const browser = await puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage'],
  })
  const page = await browser.newPage()
  await page.setViewport({ width: 1280, height: 800 })
  await page.goto(`${address}/sign-in`)
  await page.locator('input[autocomplete=username]').fill(mail)
  await page.locator('input[type=password]').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await page.waitForSelector('#main h1')
  return { browser, page }
}
