import { signedInBrowser } from './browser'
import { BUTTON, longGuide, publishToAll } from './longGuide'
import { signIn } from './server'

/** Times in milliseconds, sorted: from asking for the page until the first picture of something to be done is painted, and from a right
 * click to the next step's picture being painted. */
export type PractiseTimes = { openMs: number[]; nextMs: number[]; steps: number }

/** Practising a guide of many steps: opening it, and going on from step to step.
 * @param opens how often it is opened; `clicks` how many steps are done */
export async function practiseTimes(address: string, steps: number, opens: number, clicks: number): Promise<PractiseTimes> {
  const session = await signIn(address, 'marta@larkmoor.example')
  const id = await longGuide(address, session, steps)
  await publishToAll(address, session, id)
  const { browser, page } = await signedInBrowser(address, 'marta@larkmoor.example')
  try {
    // In the page: waits until a step's picture is there and painted; tells its clock, which begins when the page is asked for.
    await page.evaluateOnNewDocument(() => {
      const painted = (before: string) =>
        new Promise<number>((resolve) => {
          const look = () => {
            const where = document.querySelector('[data-where]')?.textContent ?? ''
            const img = document.querySelector<HTMLImageElement>('[data-stage] [data-picture] img')
            if (where === before || !document.querySelector('[data-surface]') || !img?.complete || img.naturalWidth === 0)
              return requestAnimationFrame(look)
            void img.decode().then(() => requestAnimationFrame(() => setTimeout(() => resolve(performance.now()), 0)))
          }
          look()
        })
      Object.assign(window, { painted })
    })
    type Painted = { painted: (before: string) => Promise<number> }
    const openMs: number[] = []
    for (let n = 0; n < opens; n++) {
      await page.goto(`${address}/library`)
      await page.waitForSelector('#main h1')
      await page.goto(`${address}/guides/${id}/practise`, { waitUntil: 'domcontentloaded' })
      openMs.push(await page.evaluate(() => (window as unknown as Painted).painted('')))
    }
    const nextMs: number[] = []
    for (let n = 0; n < clicks; n++) {
      // As somebody who looks before they click: the pictures of the next steps have come meanwhile.
      await new Promise((resolve) => setTimeout(resolve, 700))
      const box = (await (await page.$('[data-surface]'))!.boundingBox())!
      const took = page.evaluate(
        () =>
          new Promise<number>((resolve) =>
            window.addEventListener(
              'pointerup',
              (event) => {
                const before = document.querySelector('[data-where]')?.textContent ?? ''
                void (window as unknown as Painted).painted(before).then((at) => resolve(at - event.timeStamp))
              },
              { once: true, capture: true },
            ),
          ),
      )
      await new Promise((resolve) => setTimeout(resolve, 30))
      await page.mouse.click(
        box.x + ((BUTTON.x + BUTTON.width / 2) / 1280) * box.width,
        box.y + ((BUTTON.y + BUTTON.height / 2) / 800) * box.height,
      )
      nextMs.push(await took)
    }
    return { openMs: openMs.sort((a, b) => a - b), nextMs: nextMs.sort((a, b) => a - b), steps }
  } finally {
    await browser.close()
  }
}
