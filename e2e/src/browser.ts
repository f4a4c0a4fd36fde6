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

/** Waits until an element stands still, can be used and lies in front, then notes where the next press lands. Runs in the page.
 * @returns its middle, in CSS pixels of the window */
async function makeReady(el: Element): Promise<{ x: number; y: number }> {
  const until = performance.now() + 10_000
  const frame = () => new Promise((resolve) => setTimeout(() => requestAnimationFrame(resolve), 30))
  const isThere = (x: number, y: number): boolean => {
    const hit = document.elementFromPoint(x, y)
    const labels = el instanceof HTMLInputElement ? [...(el.labels ?? [])] : []
    return (
      hit !== null &&
      (el.contains(hit) || labels.some((label) => label.contains(hit)) || hit.closest('button, a, label')?.contains(el) === true)
    )
  }
  const middle = () => {
    const { x, y, width, height } = el.getBoundingClientRect()
    return { x: x + width / 2, y: y + height / 2 }
  }
  el.scrollIntoView({ block: 'nearest', inline: 'nearest', behavior: 'instant' })
  let before = middle()
  for (let still = 0; still < 2 && performance.now() < until;) {
    await frame()
    const now = middle()
    const usable = !el.matches(':disabled') && isThere(now.x, now.y)
    still = usable && now.x === before.x && now.y === before.y ? still + 1 : 0
    before = now
  }
  const landing = window as { landed?: boolean }
  delete landing.landed
  const note = (event: Event) => {
    const target = event.target as Element
    landing.landed = event.composedPath().includes(el) || target.closest('button, a, label')?.contains(el) === true || !el.isConnected
  }
  window.addEventListener('pointerdown', note, { capture: true, once: true })
  return before
}

/** Clicks what a selector finds, as a hand does. Where the page has moved under it so that something else was hit, it clicks once more. */
export async function click(page: Page, selector: string): Promise<void> {
  for (let tries = 1; ; tries++) {
    const handle = await page.locator(selector).waitHandle()
    const { x, y } = await handle.evaluate(makeReady)
    await page.mouse.click(x, y)
    // A press that leads to another page leaves nothing to be asked.
    const landed = await page.evaluate(() => (window as { landed?: boolean }).landed).catch(() => undefined)
    if (landed !== false || tries === 4) return
  }
}
