import { join } from 'node:path'
import type { Locator } from '@jackdaw/core/guides'
import type { ElementSeen, PrivateKind } from '@jackdaw/core/recording'
import { build } from 'esbuild'
import type { Frame, Page } from 'puppeteer-core'

const PARTS = `
  export { describe, pageSeen } from './describe'
  export { frameOffset } from './frames'
  export { meant } from './hit'
  export { indexing } from './locators'
  export { scanNow } from './textBoxes'
`
let bundle: Promise<string> | undefined
/** What the recorder's script in a page is made of, to be tried in a page by itself. */
const bundled = (): Promise<string> =>
  (bundle ??= build({
    stdin: { contents: PARTS, resolveDir: join(process.cwd(), 'packages/recorder/src/content'), loader: 'ts' },
    bundle: true,
    format: 'iife',
    globalName: 'parts',
    write: false,
    target: 'chrome120',
  }).then(({ outputFiles }) => outputFiles[0]!.text))

type Area = { x: number; y: number; width: number; height: number }
/** What the parts say of a page. */
export type Seen = { element: ElementSeen; hits: Record<string, number> }

/** Shows a page of this content, with the parts of the recorder in it. */
export async function showing(page: Page, html: string): Promise<void> {
  await page.setContent(`<!doctype html><html lang="en"><title>A page</title><body style="font:16px/24px sans-serif">${html}</body></html>`)
  await withParts(page)
}

/** Puts the parts into a page or a frame. */
export async function withParts(frame: Page | Frame): Promise<void> {
  await frame.addScriptTag({ content: `globalThis.chrome ??= {};${await bundled()}` })
}

/** Describes the element that is meant by one that is pressed.
 * @returns also how many elements of the page each of its locators by attribute or selector finds */
export function describedAt(
  page: Page,
  selector: string,
  kinds: readonly PrivateKind[] = [],
  names: readonly string[] = [],
): Promise<Seen> {
  return page.evaluate(
    (where, wanted, people) => {
      const parts = (globalThis as unknown as { parts: any }).parts
      const within = (root: ParentNode): Element | null => {
        const found = root.querySelector(where)
        if (found) return found
        for (const each of root.querySelectorAll('*')) {
          const inner = each.shadowRoot && within(each.shadowRoot)
          if (inner) return inner
        }
        return null
      }
      const scan = parts.scanNow({ kinds: new Set(), pointed: [], isName: () => false, skip: () => false })
      const work = parts.indexing([document, ...scan.shadows])
      let step = work.next()
      while (!step.done) step = work.next()
      const element = parts.describe(parts.meant(within(document)!), {
        kinds: new Set(wanted),
        isName: (words: string) => people.includes(words),
        path: () => [],
        toWindow: (rect: object) => rect,
        boxes: () => scan.textBoxes,
        names: () => step.value,
        scrolledTo: () => undefined,
      })
      const selectors: Record<string, (value: string) => string> = {
        'test-id': (value) => `[${value.split('=')[0]}="${CSS.escape(value.slice(value.indexOf('=') + 1))}"]`,
        id: (value) => `#${CSS.escape(value)}`,
        'name-attribute': (value) => `[name="${CSS.escape(value)}"]`,
        placeholder: (value) => `[placeholder="${CSS.escape(value)}"]`,
        title: (value) => `[title="${CSS.escape(value)}"]`,
        css: (value) => value,
      }
      const hits: Record<string, number> = {}
      for (const { kind, value } of element.locators as Locator[])
        if (selectors[kind]) hits[kind] = document.querySelectorAll(selectors[kind](value)).length
      return { element, hits } as Seen
    },
    selector,
    [...kinds],
    [...names],
  )
}

/** What of a page is to be filled in, and the lines of text that were seen. */
export function scanned(
  page: Page,
  kinds: readonly PrivateKind[],
  { names = [], pointed = [] }: { names?: readonly string[]; pointed?: readonly string[] } = {},
): Promise<{ areas: Area[]; lines: string[] }> {
  return page.evaluate(
    (wanted, people, spots) => {
      const scan = (globalThis as unknown as { parts: any }).parts.scanNow({
        kinds: new Set(wanted),
        pointed: spots,
        isName: (words: string) => people.includes(words),
        skip: () => false,
      })
      return { areas: scan.areas, lines: scan.textBoxes.map((box: { text: string }) => box.text) }
    },
    [...kinds],
    [...names],
    [...pointed],
  )
}

/** Share of an element, or of words in it, that lies in these areas: 0 to 1. */
export function covered(page: Page, areas: readonly Area[], selector: string, words?: string): Promise<number> {
  return page.evaluate(
    (all, where, text) => {
      const element = document.querySelector(where)!
      let rects: DOMRect[] = [element.getBoundingClientRect()]
      if (text !== null) {
        const nodes: Text[] = []
        const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT)
        for (let node = walker.nextNode(); node; node = walker.nextNode()) nodes.push(node as Text)
        const whole = nodes.map((node) => node.data).join('')
        const from = whole.indexOf(text)
        const range = document.createRange()
        const place = (at: number): [Text, number] => {
          for (const node of nodes) {
            if (at <= node.length) return [node, at]
            at -= node.length
          }
          throw new Error('beyond the text')
        }
        range.setStart(...place(from))
        range.setEnd(...place(from + text.length))
        rects = [...range.getClientRects()]
      }
      let [inside, points] = [0, 0]
      for (const rect of rects)
        for (let x = rect.x + 1; x < rect.right; x += 2)
          for (let y = rect.y + 1; y < rect.bottom; y += 2) {
            points++
            if (all.some((area) => x >= area.x && x <= area.x + area.width && y >= area.y && y <= area.y + area.height)) inside++
          }
      return points === 0 ? 0 : inside / points
    },
    [...areas],
    selector,
    words ?? null,
  )
}
