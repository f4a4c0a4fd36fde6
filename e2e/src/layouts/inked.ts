import type { Page } from 'puppeteer-core'
import sharp from 'sharp'
import { withParts } from '../contentParts'

type Area = { x: number; y: number; width: number; height: number }
/** How much of a page can be read by its colours: what is private, and what may be read. */
export type Readable = { private: number; free: number }

async function readableIn(picture: Buffer): Promise<Readable> {
  const { data, info } = await sharp(picture).removeAlpha().raw().toBuffer({ resolveWithObject: true })
  const count: Readable = { private: 0, free: 0 }
  for (let i = 0; i < data.length; i += info.channels) {
    const [r, g, b] = [data[i]!, data[i + 1]!, data[i + 2]!]
    if (r > g + 40 && b > g + 40) count.private++
    else if (g > r + 40 && g > b + 40) count.free++
  }
  return count
}

async function filled(picture: Buffer, areas: readonly Area[]): Promise<Buffer> {
  const { width = 0, height = 0 } = await sharp(picture).metadata()
  const rects = areas.map(({ x, y, width: w, height: h }) => {
    const [left, top] = [Math.floor(x - 1), Math.floor(y - 1)]
    return `<rect x="${left}" y="${top}" width="${Math.ceil(x + w + 1) - left}" height="${Math.ceil(y + h + 1) - top}"/>`
  })
  const ink = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" fill="#17212b">${rects.join('')}</svg>`
  return sharp(picture)
    .composite([{ input: Buffer.from(ink) }])
    .png()
    .toBuffer()
}

/** Has the parts of the recorder find what is private in a page and all of its frames, and fills it.
 * @returns what can be read before and after */
export async function inked(page: Page, names: readonly string[]): Promise<{ before: Readable; after: Readable }> {
  for (const frame of page.frames()) await withParts(frame)
  for (const frame of page.frames())
    await frame.evaluate(() => {
      const world = globalThis as unknown as { parts: any; offset: any }
      world.offset = world.parts.frameOffset('secret', () => undefined)
    })
  const shadows = () =>
    page.evaluate(() => {
      const { parts, offset } = globalThis as unknown as { parts: any; offset: any }
      const scan = parts.scanNow({ kinds: new Set(), pointed: [], isName: () => false, skip: () => false })
      offset.tellInner(scan.shadows)
    })
  await shadows()
  await page.waitForFunction(() => true)
  for (const frame of page.frames())
    await frame.waitForFunction(() => (globalThis as unknown as { offset: any }).offset.known(), { polling: 20, timeout: 3_000 })
  const areas: Area[] = []
  for (const frame of page.frames())
    areas.push(
      ...(await frame.evaluate((people) => {
        const { parts, offset } = globalThis as unknown as { parts: any; offset: any }
        const scan = parts.scanNow({
          kinds: new Set(['mail', 'phone', 'account', 'person', 'address']),
          pointed: [],
          isName: (words: string) => people.includes(words),
          skip: () => false,
        })
        return scan.areas.map((area: Area) => offset.seenInWindow(area)).filter((area: Area) => area.width > 0 && area.height > 0)
      }, names)),
    )
  const picture = Buffer.from(await page.screenshot({ type: 'png' }))
  return { before: await readableIn(picture), after: await readableIn(await filled(picture, areas)) }
}
