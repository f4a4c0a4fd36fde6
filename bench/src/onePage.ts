import type { Page } from 'puppeteer-core'
import { signedInBrowser } from './browser'
import { longGuide, publishToAll } from './longGuide'
import { signIn } from './server'

/** With a processor slowed four times, in milliseconds, sorted: from asking for the page until the first picture is painted; and every task of more
 * than 50 ms while somebody scrolls from its top to its end. */
type OnePageTimes = { openMs: number[]; taskMs: number[]; steps: number; scrolledPx: number }

/** Waits in the page until the first picture on the screen is painted, drawn ahead or not. @returns its clock, which begins when the page is asked for */
const firstPicture = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const look = () => {
          const shown = [...document.querySelectorAll<HTMLImageElement>('main img[src*="/pictures/"]')].find((img) => {
            const { top, bottom } = img.getBoundingClientRect()
            return bottom > 0 && top < innerHeight && img.complete && img.naturalWidth > 0
          })
          if (!shown) return requestAnimationFrame(look)
          void shown.decode().then(() => requestAnimationFrame(() => setTimeout(() => resolve(performance.now()), 0)))
        }
        look()
      }),
  )

/** Reading a guide of many steps as one page.
 * @param opens how often it is opened */
async function onePageTimes(address: string, steps: number, opens: number): Promise<OnePageTimes> {
  const session = await signIn(address, 'marta@larkmoor.example')
  const id = await longGuide(address, session, steps)
  await publishToAll(address, session, id)
  const { browser, page } = await signedInBrowser(address, 'marta@larkmoor.example')
  try {
    await page.goto(`${address}/guides/${id}`)
    // What is drawn ahead of the scripts does nothing yet.
    await page.waitForFunction(() => !document.querySelector('[data-still]'))
    await page.locator('::-p-aria([name="Read as one page"])').click()
    await page.waitForFunction((n) => document.querySelectorAll('[data-step]').length > n / 2, {}, steps)
    await page.emulateCPUThrottling(4)
    const openMs: number[] = []
    for (let n = 0; n < opens; n++) {
      await page.goto(`${address}/library`)
      await page.waitForSelector('#main h1')
      await page.goto(`${address}/guides/${id}`, { waitUntil: 'domcontentloaded' })
      openMs.push(await firstPicture(page))
    }
    await new Promise((resolve) => setTimeout(resolve, 3_000))
    const { taskMs, scrolledPx } = await page.evaluate(async () => {
      const long: number[] = []
      const observer = new PerformanceObserver((list) => list.getEntries().forEach((entry) => long.push(entry.duration)))
      observer.observe({ type: 'longtask' })
      // A screen in some two seconds, as somebody who looks something up.
      for (let last = -1; last !== scrollY;) {
        last = scrollY
        for (let n = 0; n < 8; n++) {
          scrollBy(0, innerHeight / 8)
          await new Promise((resolve) => setTimeout(resolve, 60))
        }
      }
      await new Promise((resolve) => setTimeout(resolve, 500))
      return { taskMs: long, scrolledPx: scrollY }
    })
    return { openMs: openMs.sort((a, b) => a - b), taskMs: taskMs.sort((a, b) => a - b), steps, scrolledPx }
  } finally {
    await browser.close()
  }
}

/** What reading as one page takes. @param line says a list of times, sorted */
export async function measureOnePage(
  address: string,
  opens: number,
  say: (words: string) => void,
  line: (name: string, list: readonly number[]) => void,
): Promise<void> {
  const { steps, openMs, taskMs, scrolledPx } = await onePageTimes(address, 200, opens)
  say(`\nOne page of ${steps} steps at a processor slowed 4 times (first picture under 1 s, no task over 100 ms while scrolling):`)
  line(`first picture, ${openMs.length} times`, openMs)
  line(`tasks over 50 ms on ${scrolledPx.toLocaleString('en')} px, ${taskMs.length} of them`, taskMs)
}
