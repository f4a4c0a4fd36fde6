import type { Page } from 'puppeteer-core'

export const CHROMIUM = process.env['CHROMIUM'] ?? '/usr/bin/chromium'
export const BROWSER_FLAGS = [
  ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
]
/** Waits until the page shows these words. */
export async function seen(page: Page, words: string): Promise<void> {
  try {
    await page.waitForFunction((text: string) => document.body.innerText.includes(text), {}, words)
  } catch {
    throw new Error(`“${words}” was not seen; the page shows: ${(await page.evaluate(() => document.body.innerText)).slice(0, 1500)}`)
  }
}
