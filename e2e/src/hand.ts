import type { ElementHandle, Frame, Page } from 'puppeteer-core'
import { sleep } from './recorder'

/** Where something is: its accessible name, where needed with its role (`link=Orders`), or a selector after `css:`. */
export type Spot = string
function selectorFor(spot: Spot): string {
  if (spot.startsWith('css:')) return spot.slice(4)
  const [, role, name] = /^(link|tab|button)=(.+)$/.exec(spot) ?? []
  return role ? `::-p-aria([name="${name}"][role="${role}"])` : `::-p-aria([name="${spot}"])`
}

/** A person's hand at a page: real pointer and keys only, at a person's pace. */
export class Hand {
  /** Pause after each action, in milliseconds. */
  constructor(
    public page: Page,
    readonly pace = 380,
    /** What has to be there before the hand moves. */
    readonly ready: () => Promise<void> = () => Promise.resolve(),
  ) {}

  async at(spot: Spot, frame: Page | Frame = this.page): Promise<{ x: number; y: number; element: ElementHandle }> {
    await this.ready()
    const element = (await frame.waitForSelector(selectorFor(spot), { visible: true, timeout: 8_000 }))!
    const inView = await element.isIntersectingViewport({ threshold: 0.9 })
    if (!inView) await element.scrollIntoView()
    const box = (await element.boundingBox())!
    return { x: box.x + box.width / 2, y: box.y + box.height / 2, element }
  }
  rest = (ms = this.pace): Promise<void> => sleep(ms)

  async press(
    x: number,
    y: number,
    { button = 'left', holdMs = 40, count = 1 }: { button?: 'left' | 'right'; holdMs?: number; count?: number } = {},
  ): Promise<void> {
    await this.page.mouse.move(x, y, { steps: 3 })
    for (let n = 1; n <= count; n++) {
      await this.page.mouse.down({ button, clickCount: n })
      await sleep(holdMs)
      await this.page.mouse.up({ button, clickCount: n })
    }
  }
  async click(spot: Spot, frame?: Frame): Promise<void> {
    const { x, y } = await this.at(spot, frame)
    await this.press(x, y)
    await this.rest()
  }
  async doubleClick(spot: Spot): Promise<void> {
    const { x, y } = await this.at(spot)
    await this.press(x, y, { count: 2 })
    await this.rest()
  }
  async rightClick(spot: Spot): Promise<void> {
    const { x, y } = await this.at(spot)
    await this.press(x, y, { button: 'right' })
    await this.rest()
  }
  /** Clicks into a field and replaces what stands there. */
  async type(spot: Spot, text: string, frame?: Frame): Promise<void> {
    const { x, y } = await this.at(spot, frame)
    await this.press(x, y)
    await this.rest(120)
    await this.page.keyboard.down('Control')
    await this.page.keyboard.press('a')
    await this.page.keyboard.up('Control')
    await this.keys(text)
    await this.rest()
  }
  async keys(text: string): Promise<void> {
    await this.page.keyboard.type(text, { delay: 12 })
  }
  async key(key: Parameters<Page['keyboard']['press']>[0], times = 1): Promise<void> {
    for (let n = 0; n < times; n++) await this.page.keyboard.press(key)
    await this.rest()
  }
  async combination(modifier: 'Control' | 'Alt' | 'Shift', key: Parameters<Page['keyboard']['press']>[0]): Promise<void> {
    await this.page.keyboard.down(modifier)
    await this.page.keyboard.press(key)
    await this.page.keyboard.up(modifier)
    await this.rest()
  }
  /** Chooses in a list of the browser's own by the first letters of an entry. */
  async choose(spot: Spot, letters: string): Promise<void> {
    const { element } = await this.at(spot)
    await element.focus()
    await this.keys(letters)
    await this.rest()
  }
  async drag(from: Spot, to: Spot): Promise<void> {
    const [start, end] = [await this.at(from), await this.at(to)]
    await this.page.mouse.move(start.x, start.y)
    await this.page.mouse.down()
    await sleep(60)
    await this.page.mouse.move(start.x + 15, start.y + 8, { steps: 3 })
    await this.page.mouse.move(end.x, end.y, { steps: 8 })
    // The browser's own drag follows the pointer late: it is moved a little until the place is reached.
    for (const by of [1, 0, 1, 0]) {
      await sleep(60)
      await this.page.mouse.move(end.x + by, end.y)
    }
    await sleep(120)
    await this.page.mouse.up()
    await this.rest(600)
  }
  async back(): Promise<void> {
    await this.page.goBack()
    await this.rest()
  }
}
