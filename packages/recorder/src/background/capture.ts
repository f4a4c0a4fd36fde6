import { reasonOf } from '@jackdaw/core/shared'
import type { Rect } from '@jackdaw/core/guides'
import { within } from './within'

/** The browser takes at most two pictures a second. */
const APART_MS = 520
const PICTURED_WITHIN_MS = 5_000
const INK = '#17212b'
let lastAt = 0
let queue: Promise<unknown> = Promise.resolve()

/** A picture of what a tab shows, what is private filled. */
export type Picture = { blob: Blob; widthPx: number; heightPx: number }

/** How long until the browser would take another picture, in milliseconds. */
export const untilNext = (): number => Math.max(0, lastAt + APART_MS - Date.now())
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

async function take(tabId: number): Promise<string | null> {
  const tab = await chrome.tabs.get(tabId).catch(() => null)
  if (!tab?.active) return null
  lastAt = Date.now()
  try {
    const data = await within(PICTURED_WITHIN_MS, chrome.tabs.captureVisibleTab(tab.windowId, { format: 'png' }), null)
    if (data === null) return null
    const after = await chrome.tabs.get(tabId).catch(() => null)
    return after?.active && after.windowId === tab.windowId ? data : null
  } catch (error) {
    // Now and then the browser cannot read its own picture back, or a page may not be pictured: that picture is missing, and is said so.
    console.info('no picture:', reasonOf(error))
    return null
  }
}

/** Takes a picture at once, when the browser allows it.
 * @returns its data address, or `null` */
export function takeNow(tabId: number): Promise<string | null> {
  if (untilNext() > 0) return Promise.resolve(null)
  return take(tabId)
}

/** Takes a picture as soon as the browser allows it.
 * @param wanted asked again just before: it may be of no use any more
 * @param ready  whether what has to be out of the way first is gone */
export function takeSoon(tabId: number, wanted: () => boolean, ready: () => Promise<boolean>): Promise<string | null> {
  const mine = queue.then(async () => {
    await sleep(untilNext())
    if (!wanted()) return null
    return (await ready()) && wanted() ? take(tabId) : null
  })
  queue = mine.catch(() => null)
  return mine
}

/** Fills areas and packs the picture. The unfilled one is never stored.
 * @param areas in CSS pixels of the window
 * @param patch an area that is copied from an earlier picture of the same place: where our own bar was */
export async function filled(
  data: string,
  areas: readonly Rect[],
  window: { width: number; height: number },
  patch?: { area: Rect; from: Blob | null },
): Promise<Picture> {
  const bitmap = await createImageBitmap(await (await fetch(data)).blob())
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
  const pen = canvas.getContext('2d')!
  pen.drawImage(bitmap, 0, 0)
  bitmap.close()
  const scale = canvas.width / Math.max(1, window.width)
  const box = ({ x, y, width, height }: Rect, by: number) => {
    const [left, top] = [Math.floor((x - by) * scale), Math.floor((y - by) * scale)]
    return [left, top, Math.ceil((x + width + by) * scale) - left, Math.ceil((y + height + by) * scale) - top] as const
  }
  pen.fillStyle = INK
  for (const area of areas) pen.fillRect(...box(area, 1))
  if (patch) {
    const [x, y, width, height] = box(patch.area, 2)
    const before = patch.from && (await createImageBitmap(patch.from))
    if (before && before.width === canvas.width && before.height === canvas.height)
      pen.drawImage(before, x, y, width, height, x, y, width, height)
    else pen.fillRect(x, y, width, height)
  }
  return { blob: await canvas.convertToBlob({ type: 'image/webp', quality: 0.92 }), widthPx: canvas.width, heightPx: canvas.height }
}
