import { drawAnnotations, placeLabels, type LabelToPlace } from '@jackdaw/core/annotations'
import { PLAIN_LOOK, type Annotation } from '@jackdaw/core/guides'
import { seededRandom } from '@jackdaw/core/shared'
import { signedInBrowser } from './browser'
import { longGuide } from './longGuide'
import { signIn } from './server'

/** Times of placing 12 labels on one picture, and of drawing the picture with them; in milliseconds, sorted. */
export function placingTimes(rounds: number): { placeMs: number[]; drawMs: number[] } {
  const random = seededRandom(12)
  const [placeMs, drawMs]: [number[], number[]] = [[], []]
  const bounds = { x: 0, y: 0, width: 1280, height: 800 }
  for (let round = 0; round < rounds; round++) {
    const spots = Array.from({ length: 12 }, () => ({ x: 60 + random() * 1160, y: 60 + random() * 680 }))
    const labels = spots.map((dot, n): LabelToPlace => ({ id: `label-${n}`, dot, size: { width: 90 + random() * 180, height: 38 } }))
    const element = { x: 500, y: 340, width: 240, height: 60 }
    let from = performance.now()
    placeLabels(labels, { bounds, obstacles: [element], unit: 1280 / 760 })
    placeMs.push(performance.now() - from)
    const annotations = spots.map(({ x, y }, n): Annotation => ({
      id: `label-${n}`,
      kind: 'label',
      words: `What stands at place ${n}`,
      at: { to: 'picture', at: { x: x / 1280, y: y / 800 }, gapPx: 0 },
    }))
    from = performance.now()
    drawAnnotations(
      annotations,
      { of: { widthPx: 1280, heightPx: 800 }, shown: bounds, element },
      { look: PLAIN_LOOK, way: 'read', shownPx: 760 },
    )
    drawMs.push(performance.now() - from)
  }
  return { placeMs: placeMs.sort((a, b) => a - b), drawMs: drawMs.sort((a, b) => a - b) }
}

export type EditorTimes = { openMs: number[]; keyMs: number[]; steps: number }

/** Opening a guide of many steps in the editor, until all of them stand there and nothing more is drawn, and from a key to its paint.
 * @param keys how many keys are typed, in a step in the middle */
export async function editorTimes(address: string, steps: number, opens: number, keys: number): Promise<EditorTimes> {
  const session = await signIn(address, 'marta@larkmoor.example')
  const id = await longGuide(address, session, steps)
  const { browser, page } = await signedInBrowser(address, 'marta@larkmoor.example')
  try {
    const openMs: number[] = []
    for (let n = 0; n < opens; n++) {
      await page.goto(`${address}/library`)
      await page.waitForSelector('#main h1')
      const opening = page.goto(`${address}/guides/${id}/edit`)
      await page.waitForNavigation({ waitUntil: 'domcontentloaded' })
      await page.waitForFunction((count) => document.querySelectorAll('li[data-step]').length >= count, { polling: 'raf' }, steps)
      // Since the page was asked for: its own clock begins there.
      openMs.push(
        await page.evaluate(
          () => new Promise<number>((resolve) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now()), 0))),
        ),
      )
      await opening
    }
    const middle = (await page.$$('li[data-step] [data-step-text]'))[Math.floor(steps / 2)]!
    await middle.evaluate((each) => each.scrollIntoView({ block: 'center' }))
    await new Promise((resolve) => setTimeout(resolve, 1_500))
    await middle.click()
    await page.waitForSelector('.ProseMirror')
    await page.evaluate(() => {
      const times: number[] = []
      Object.assign(window, { keyTimes: times })
      window.addEventListener(
        'keydown',
        (event) => {
          const from = event.timeStamp
          // The frame after the next one begins once this one is painted.
          requestAnimationFrame(() => {
            const channel = new MessageChannel()
            channel.port1.onmessage = () => times.push(performance.now() - from)
            channel.port2.postMessage(0)
          })
        },
        { capture: true },
      )
    })
    for (let n = 0; n < keys; n++) {
      await page.keyboard.press(n % 6 === 5 ? 'Space' : 'KeyA')
      await new Promise((resolve) => setTimeout(resolve, 90))
    }
    const keyMs = await page.evaluate(() => (window as unknown as { keyTimes: number[] }).keyTimes)
    return { openMs: openMs.sort((a, b) => a - b), keyMs: keyMs.sort((a, b) => a - b), steps }
  } finally {
    await browser.close()
  }
}
