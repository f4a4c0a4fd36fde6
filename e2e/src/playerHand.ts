import type { GuideDocument, Rect, Step } from '@jackdaw/core/guides'
import type { CDPSession, Page } from 'puppeteer-core'
import { press, seen, type App } from './app'
import { sleep } from './recorder'

type Edition = { document: GuideDocument; pictureSizes: Record<string, { widthPx: number; heightPx: number }> }

export type Watched = Page & { complaints: string[] }
/** A tablet, upright. */
export const TABLET = { width: 820, height: 1180, isMobile: true, hasTouch: true }

/** A little longer than the time in which a click still belongs to the step before, or to the click before. */
const SETTLE_MS = 420

/** Somebody's hand at a guide that is practised or taken: it knows where the elements are, and how entries are made. */
export class PlayerHand {
  private constructor(
    readonly page: Page,
    readonly guideId: string,
    readonly steps: readonly Step[],
    readonly sizes: Edition['pictureSizes'],
    readonly touch: boolean,
  ) {}

  /** @param reader somebody who may read the guide */
  static async for(page: Page, guideId: string, { touch = false, reader = page }: { touch?: boolean; reader?: Page } = {}) {
    const edition = (await reader.evaluate(
      async (id) => (await (await fetch(`/api/guides/${id}/reader`)).json()) as unknown,
      guideId,
    )) as Edition
    const steps = edition.document.items.filter((item): item is Step => item.kind === 'step')
    return new PlayerHand(page, guideId, steps, edition.pictureSizes, touch)
  }

  /** The same hand at another page. */
  at(page: Page): PlayerHand {
    return new PlayerHand(page, this.guideId, this.steps, this.sizes, this.touch)
  }

  /** Waits until the step of this number is shown. */
  async seesStep(n: number): Promise<void> {
    await this.page.waitForFunction(
      (words: string) => document.querySelector('[data-where]')?.textContent?.startsWith(words),
      {},
      `Step ${n} of ${this.steps.length}`,
    )
    await sleep(SETTLE_MS)
  }

  /** Where a place on a step's picture is in the window, late enough that a click there is no second one of two. `x` and `y` are pixels of
   * the stored picture. */
  async placeOf(n: number, x: number, y: number): Promise<{ x: number; y: number }> {
    await sleep(SETTLE_MS)
    const surface = (await this.page.waitForSelector('[data-surface]'))!
    const picture = this.steps[n - 1]!.pictures.find((each) => each.id === this.steps[n - 1]!.action?.element?.pictureId)!
    const size = this.sizes[picture.id]!
    const shown = picture.shown ?? { x: 0, y: 0, width: size.widthPx, height: size.heightPx }
    const box = (await surface.boundingBox())!
    return { x: box.x + ((x - shown.x) / shown.width) * box.width, y: box.y + ((y - shown.y) / shown.height) * box.height }
  }

  async pointAt(x: number, y: number): Promise<void> {
    if (this.touch) await this.page.touchscreen.tap(x, y)
    else await this.page.mouse.click(x, y)
  }

  rectOf(n: number): Rect {
    return this.steps[n - 1]!.action!.element!.rect
  }

  /** Points at the element of a step, `offPx` pixels of the window beside its right edge. */
  async pointsAtElement(n: number, offPx?: number): Promise<void> {
    const { x, y, width, height } = this.rectOf(n)
    const at = await this.placeOf(n, offPx === undefined ? x + width / 2 : x + width, y + height / 2)
    return this.pointAt(at.x + (offPx ?? 0), at.y)
  }

  /** Points where nothing is. */
  async pointsElsewhere(n: number): Promise<void> {
    const size = this.sizes[this.steps[n - 1]!.action!.element!.pictureId]!
    const { x, y } = await this.placeOf(n, size.widthPx - 30, size.heightPx - 30)
    await this.pointAt(x, y)
  }

  /** Whether something is entered at a step. */
  enters(n: number): boolean {
    return ['type', 'choose', 'set'].includes(this.steps[n - 1]!.action?.verb ?? '')
  }

  /** Enters what was recorded, or something else, in the field that is open. */
  async fillsIn(n: number, other?: string): Promise<void> {
    const value = other ?? this.steps[n - 1]!.action!.value!
    const list = await this.page.waitForSelector('[data-entry], ul[data-entries]')
    if (await list!.evaluate((each) => each.tagName === 'UL')) {
      const option = await this.page.$(`::-p-xpath(//ul[@data-entries]//button[normalize-space()="${value}"])`)
      if (!option) throw new Error(`“${value}” is not in the list`)
      return option.evaluate((each) => (each as HTMLElement).click())
    }
    await this.page.locator('[data-entry]').fill(value)
    await press(this.page, 'Enter it')
  }

  /** Does a step rightly. */
  async does(n: number): Promise<void> {
    await this.seesStep(n)
    if (this.steps[n - 1]!.action?.element === undefined) return press(this.page, 'Go on')
    await this.pointsAtElement(n)
    if (this.enters(n)) await this.fillsIn(n)
  }

  async doesFrom(n: number, to = this.steps.length): Promise<void> {
    for (let step = n; step <= to; step++) await this.does(step)
  }

  /** What was said of the last act. */
  async isTold(words: string): Promise<void> {
    await this.page.waitForFunction((wanted: string) => document.querySelector('#said')?.textContent?.includes(wanted), {}, words)
  }
}

/** The id of the first guide that is found by this title. */
export const guideCalled = (page: Page, title: string): Promise<string> =>
  page.evaluate(
    async (find) =>
      ((await (await fetch(`/api/guides?find=${encodeURIComponent(find)}&page=1`)).json()) as { rows: { id: string }[] }).rows[0]!.id,
    title,
  )
/** Notes every answer that a page gets from addresses with these letters. */
export function listen(page: Page, part: string, got: string[]): void {
  page.on('response', (response) => {
    if (!response.url().includes(part)) return
    // A tab that crashes loses what was on its way.
    void response.text().then(
      (text) => got.push(text),
      () => undefined,
    )
  })
}
/** Where the player says that one is. */
export const whereIs = (page: Page): Promise<string> => page.$eval('[data-where]', (each) => each.textContent ?? '')
/** Lets Watch play, where it was left paused. */
export const playing = async (page: Page): Promise<void> => {
  await page.waitForSelector('[data-stage]')
  await page.evaluate(() => [...document.querySelectorAll('button')].find((each) => each.innerText === 'Play')?.click())
}

/** Ends a tab as a crash does: nothing of it gets a chance to say good-bye. */
export async function crash(page: Page): Promise<void> {
  const session: CDPSession = await page.createCDPSession()
  const gone = new Promise((resolve) => page.once('error', resolve))
  session.send('Page.crash').catch(() => undefined)
  await gone
  await page.close()
}

/** Another tab of the same person. */
export const anotherTab = async (page: Page, address: string, device?: typeof TABLET): Promise<Watched> => {
  const next = (await page.browserContext().newPage()) as Watched
  next.complaints = []
  next.on('pageerror', (error) => void next.complaints.push(String(error)))
  await next.setViewport(device ?? { width: 1280, height: 800 })
  next.setDefaultTimeout(30_000)
  await next.goto(address)
  return next
}

/** Ends a tab as a crash does.
 * @returns another one of the same person, at the same address */
export const afterCrash = async (page: Page): Promise<Watched> => {
  const address = page.url()
  const next = await anotherTab(page, 'about:blank')
  await crash(page)
  await next.goto(address)
  return next
}

/** Goes through the page by Tab until the element of this name has the focus, then presses a key on it. */
export async function keyTo(page: Page, name: string | RegExp, key: 'Enter' | 'Space' | null = 'Enter'): Promise<void> {
  for (let presses = 0; presses < 600; presses++) {
    const here = await page.evaluate(() => {
      const el = document.activeElement as HTMLInputElement | null
      // Where nothing is in focus it is the whole page, and a page holds every name.
      if (el === document.body) return ''
      const called = el?.getAttribute('aria-label') ?? el?.labels?.[0]?.innerText ?? el?.innerText ?? ''
      return called.replaceAll(/\s+/g, ' ').trim()
    })
    if (typeof name === 'string' ? here === name : name.test(here)) {
      if (key) await page.keyboard.press(key)
      return
    }
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never came to ${String(name)}`)
}

/** Waits until the record of a guide says this of a person, asked for by a lead. */
export async function recordSays<T>(lead: Page, path: string, picked: (answer: any) => T, wanted: (found: T) => boolean): Promise<T> {
  let found: T | undefined
  for (let tries = 0; tries < 60; tries++) {
    found = picked(await lead.evaluate(async (where) => (await (await fetch(where)).json()) as unknown, path))
    if (wanted(found)) return found
    await sleep(250)
  }
  throw new Error(`The record never said so: ${JSON.stringify(found)}`)
}

/** Kills the server and starts it again, with something done in between. */
export async function withoutServer(app: App, page: Page, meanwhile: () => Promise<void>, says: string): Promise<void> {
  await app.kill()
  await meanwhile()
  await seen(page, says)
  await app.restart()
}
