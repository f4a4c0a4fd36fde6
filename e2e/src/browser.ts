import type { HTTPRequest, Page } from 'puppeteer-core'

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
const underWay = new WeakMap<Page, { requests: Set<HTTPRequest>; changedAt: number }>()
/** Counts what a page fetches, for `quiet`. */
export function countRequests(page: Page): void {
  const count = { requests: new Set<HTTPRequest>(), changedAt: Date.now() }
  underWay.set(page, count)
  const change = (request: HTTPRequest, begins: boolean) => {
    // What the page before has left unfinished is given up, and nobody tells of it.
    if (begins && request.isNavigationRequest() && request.frame() === page.mainFrame()) count.requests.clear()
    // A letter type that comes from the browser's memory is not told of as finished.
    if (begins && request.resourceType() !== 'font') count.requests.add(request)
    else count.requests.delete(request)
    count.changedAt = Date.now()
  }
  page.on('request', (request) => change(request, true))
  page.on('requestfinished', (request) => change(request, false))
  page.on('requestfailed', (request) => change(request, false))
}

/** Waits until a page has had nothing to fetch for so long. The driver's own count now and then never comes down to nothing.
 * @throws Error naming what is still fetched after 30 s */
export async function quiet(page: Page, forMs: number): Promise<void> {
  const count = underWay.get(page)
  if (!count) throw new Error('The requests of this page are not counted.')
  for (const from = Date.now(); Date.now() - from < 30_000;) {
    if (count.requests.size === 0 && Date.now() - count.changedAt >= forMs) return
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
  throw new Error(`Still fetched: ${[...count.requests].map((request) => request.url()).join(', ')}`)
}

/** Waits until the page shows these words. */
export async function seen(page: Page, words: string): Promise<void> {
  try {
    await page.waitForFunction((text: string) => document.body.innerText.includes(text), {}, words)
  } catch {
    throw new Error(`“${words}” was not seen; the page shows: ${(await page.evaluate(() => document.body.innerText)).slice(0, 1500)}`)
  }
}

/** Waits until an element stands still and can be used, and as long as it may take for what lies in front of it to go; then notes where the
 * next press lands. Runs in the page.
 * @returns its middle, in CSS pixels of the window; `null` when it is gone */
async function makeReady(el: Element): Promise<{ x: number; y: number } | null> {
  const ROLES = ['option', 'menuitem', 'treeitem', 'button', 'link', 'radio', 'checkbox', 'tab', 'switch']
  const PRESSED = ['button', 'a', 'label', 'summary', ...ROLES.map((role) => `[role=${role}]`)].join(', ')
  const isOf = (hit: Element): boolean => {
    const labels = el instanceof HTMLInputElement ? [...(el.labels ?? [])] : []
    return el.contains(hit) || labels.some((label) => label.contains(hit)) || hit.closest(PRESSED)?.contains(el) === true
  }
  const frame = () => new Promise((resolve) => setTimeout(() => requestAnimationFrame(resolve), 30))
  const middle = () => {
    const { x, y, width, height } = el.getBoundingClientRect()
    return { x: x + width / 2, y: y + height / 2 }
  }
  const from = performance.now()
  let before = middle()
  let scrolled = false
  for (let still = 0; still < 2;) {
    await frame()
    if (!el.isConnected) return null
    const now = middle()
    const waited = performance.now() - from
    const hit = document.elementFromPoint(now.x, now.y)
    // It lies behind a bar at an edge of the window: a hand would scroll.
    if (hit !== null && !isOf(hit) && !scrolled && waited > 300) {
      scrolled = true
      el.scrollIntoView({ block: 'center' })
    }
    const ready = !el.matches(':disabled') && ((hit !== null && isOf(hit)) || waited > 1_500)
    still = now.x === before.x && now.y === before.y && (ready || waited > 10_000) ? still + 1 : 0
    before = now
  }
  const landing = window as { landed?: boolean }
  delete landing.landed
  const note = (event: Event) => void (landing.landed = isOf(event.target as Element) || !el.isConnected)
  window.addEventListener('pointerdown', note, { capture: true, once: true })
  return before
}

/** Clicks what a selector finds, as a hand does. Where the page has moved under it so that something else was hit, it clicks once more. */
export async function click(page: Page, selector: string): Promise<void> {
  for (let tries = 1; ; tries++) {
    const handle = await page.locator(selector).waitHandle()
    // What was found may be drawn anew before it is come to; then it is looked for again.
    const isIn = await handle.scrollIntoView().then(
      () => true,
      (error: unknown) => {
        if (!String(error).includes('detached')) throw error
        return false
      },
    )
    const at = isIn ? await handle.evaluate(makeReady) : null
    if (!at) continue
    await page.mouse.click(at.x, at.y)
    // A press that leads to another page leaves nothing to be asked.
    const landed = await page.evaluate(() => (window as { landed?: boolean }).landed).catch(() => undefined)
    if (landed !== false || tries === 3 || !(await page.$(selector))) return
  }
}
