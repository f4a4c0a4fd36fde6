import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { countRequests, openBrowser, quiet } from './app'
import { inked } from './layouts/inked'
import { LAYOUTS } from './layouts/layouts'
import { servePages, type PageServer } from './pageServer'

let browser: Browser
let page: Page
let pages: PageServer

const STYLE =
  '<!doctype html><meta charset="utf-8"><style>body{margin:12px;font:16px/24px sans-serif;background:#fff;color:#fff}i{color:#f0f;font-style:normal}u{color:#0a0;text-decoration:none}p{margin:4px 0}</style>'
/** `/3` is the fourth layout, `/3/in` its frame `in`; `/a/` and `/b/` in it lead to the two origins. */
function made(path: string): string | undefined {
  const [, n, frame] = /^\/(\d+)(?:\/(\w+))?$/.exec(path) ?? []
  const layout = n === undefined ? undefined : LAYOUTS[Number(n)]
  const html = frame === undefined ? layout?.html : layout?.frames?.[frame]
  return html === undefined ? undefined : STYLE + placed(html, n)
}
const placed = (html: string, n: unknown) => html.replace(/src="\/([ab])\//g, (_, origin: string) => `src="${originOf(origin)}/${n}/`)
const originOf = (origin: string) => `http://${origin === 'a' ? 'localhost' : '127.0.0.1'}:${pages.port}`

beforeAll(async () => {
  pages = await servePages(made)
  browser = await openBrowser()
  page = await browser.newPage()
  countRequests(page)
  await page.setViewport({ width: 900, height: 620 })
})
afterAll(async () => {
  await browser?.close()
  await pages?.close()
})

/** Layouts in which something stays readable, or too much is hidden, and why. docs/recorder.md tells people of them. */
const KNOWN: Record<string, string> = {}

describe('in a page laid out in its own way', () => {
  it('there are enough of them', () => {
    expect(LAYOUTS.length).toBeGreaterThanOrEqual(40)
  })
  it.each(LAYOUTS.map((layout, n) => ({ n, ...layout })).filter(({ name }) => !KNOWN[name]))(
    'what is private is hidden and the rest is not: $name',
    async ({ n, then }) => {
      await page.goto(`${originOf('a')}/${n}`, { waitUntil: 'load' })
      if (then) await page.evaluate(`{ ${placed(then, n)} }`)
      await quiet(page, 60)
      const { before, after } = await inked(page, ['Anna Reed'])
      expect(before.private + before.free).toBeGreaterThan(40)
      expect(after.private).toBe(0)
      if (before.free > 0) expect(after.free / before.free).toBeGreaterThan(0.85)
    },
  )
})
