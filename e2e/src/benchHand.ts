import type { ElementHandle, Page } from 'puppeteer-core'
import type { App } from './app'

export const api = <T = any>(page: Page, method: string, path: string, body?: unknown): Promise<T> =>
  page.evaluate(
    async (how, where, what) => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string }
      const response = await fetch(where, {
        method: how,
        headers: { 'x-csrf-token': csrf, 'content-type': 'application/json' },
        ...(what === undefined ? {} : { body: JSON.stringify(what) }),
      })
      return (response.status === 204 ? undefined : await response.json()) as never
    },
    method,
    path,
    body,
  )
export const guideCalled = async (page: Page, title: string): Promise<string> =>
  (await api(page, 'GET', `/api/guides?find=${encodeURIComponent(title)}`)).rows[0].id
export async function edit(app: App, page: Page, title: string): Promise<string> {
  const id = await guideCalled(page, title)
  await page.goto(`${app.address}/guides/${id}/edit`)
  await page.waitForSelector('li[data-step]')
  return id
}
/** Waits until the server has what was drawn. */
export async function saved(page: Page): Promise<void> {
  await rest(250)
  await page.waitForFunction(
    () => /^(Saved at|Everything is saved)/.test(document.querySelector<HTMLElement>('[data-save]')?.innerText ?? ''),
    { timeout: 15_000 },
  )
}
export const draftOf = async (page: Page, id: string) => (await api(page, 'GET', `/api/guides/${id}/draft`)).document
export const rest = (ms = 150) => new Promise((resolve) => setTimeout(resolve, ms))

/** Puts the picture of a step on the bench. @param n number of the step */
export async function bench(page: Page, n: number): Promise<ElementHandle> {
  const steps = await page.$$('li[data-step]')
  const button = (await steps[n - 1]!.waitForSelector('button[aria-label^="Annotate picture"]'))!
  await button.evaluate((each) => (each as HTMLElement).scrollIntoView({ block: 'center' }))
  await button.click()
  const stage = (await page.waitForSelector('[data-bench] canvas', { timeout: 20_000 }))!
  await page.evaluate(() => document.querySelector('[data-bench]')!.scrollIntoView({ block: 'center' }))
  await rest(400)
  return stage
}
export const rows = (page: Page) =>
  page.$$eval('[data-annotation-row]', (all) => all.map((each) => (each as HTMLElement).innerText.replace(/\s+/g, ' ').trim()))
export const rowsAre = (page: Page, count: number) =>
  page.waitForFunction((n: number) => document.querySelectorAll('[data-annotation-row]').length === n, {}, count)
export const tool = async (page: Page, name: string, how: 'press' | 'enter'): Promise<void> => {
  const button = (await page.waitForSelector(`::-p-xpath(//div[@data-bench]//div[@role="toolbar"]//button[normalize-space()="${name}"])`))!
  if (how === 'press') return button.click()
  await button.focus()
  await page.keyboard.press('Enter')
}
/** Draws from one place of the picture to another, given as shares of its width and height. */
export async function draw(page: Page, stage: ElementHandle, from: [number, number], to: [number, number]): Promise<void> {
  const box = (await stage.boundingBox())!
  const at = ([x, y]: [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const
  await page.mouse.move(...at(from))
  await page.mouse.down()
  await page.mouse.move(...at([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]), { steps: 3 })
  await page.mouse.move(...at(to), { steps: 3 })
  await page.mouse.up()
  await rest()
}
/** Where an annotation of one kind stands on the picture of a step, in CSS pixels of the page. */
export const drawnBox = (page: Page, step: number, kind: string) =>
  page.evaluate(
    (n: number, what: string) => {
      const drawn = document.querySelectorAll('li[data-step]')[n - 1]!.querySelector(`svg [data-kind="${what}"]`)
      const picture = document.querySelectorAll('li[data-step]')[n - 1]!.querySelector('[data-picture]')!.getBoundingClientRect()
      if (!drawn) return null
      const box = drawn.getBoundingClientRect()
      return { x: (box.x + box.width / 2 - picture.x) / picture.width, y: (box.y + box.height / 2 - picture.y) / picture.height }
    },
    step,
    kind,
  )

/** Names of the tools. */
export const ALL = ['Frame', 'Label', 'Number', 'Arrow', 'Rectangle', 'Ellipse', 'Text', 'Inset', 'Blackout']
/** What they put on a picture, in order. */
export const KINDS = ['arrow', 'blackout', 'ellipse', 'frame', 'inset', 'label', 'rectangle', 'tag', 'text']
export const kindsOn = (page: Page, step: number) =>
  page.$$eval(
    `li[data-step]`,
    (all, n) => [...new Set([...all[n - 1]!.querySelectorAll('svg [data-kind]')].map((each) => each.getAttribute('data-kind')!))].sort(),
    step,
  )
