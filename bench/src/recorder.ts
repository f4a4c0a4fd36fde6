import { Hand } from '../../e2e/src/hand'
import { keptRecording } from '../../e2e/src/keptRecording'
import { servePages } from '../../e2e/src/pageServer'
import { openRecorder, sleep } from '../../e2e/src/recorder'

export type RecorderTimes = { elements: number; clicks: number; handlerMs: number[]; holdMs: number[]; pictured: number; certain: number }

/** What the recorder's handler takes from the page's thread at each press on a page of more than 5,000 elements.
 * @param paceMs pause between the presses
 * @returns times in milliseconds; a hold is counted apart */
export async function recorderTimes(address: string, clicks: number, paceMs: number): Promise<RecorderTimes> {
  const pages = await servePages()
  const recorder = await openRecorder(address)
  try {
    await recorder.pair()
    const page = await recorder.record(`http://localhost:${pages.port}/table.html`)
    await page.evaluate(() => document.documentElement.setAttribute('data-measure-recorder', ''))
    const hand = new Hand(page, 0)
    await sleep(2_500)
    for (let n = 0; n < clicks; n++) {
      const { x, y } = await hand.at(`css:tbody tr:nth-of-type(${1 + (n % 20)}) button`)
      await hand.press(x, y, { holdMs: 30 })
      await sleep(paceMs)
    }
    await sleep(800)
    const measured = await page.evaluate(() => ({
      elements: document.querySelectorAll('*').length,
      entries: performance.getEntriesByType('measure').map(({ name, duration }) => ({ name, duration })),
    }))
    const of = (name: string) => measured.entries.filter((entry) => entry.name === `recorder:${name}`).map((entry) => entry.duration)
    const { actions } = await keptRecording(recorder)
    const pressed = actions.filter((action) => action.kind === 'click')
    return {
      elements: measured.elements,
      clicks: pressed.length,
      handlerMs: of('handler'),
      holdMs: of('hold'),
      pictured: pressed.filter((action) => action.shot).length,
      certain: pressed.filter((action) => action.shot?.certain).length,
    }
  } finally {
    await recorder.close()
    await pages.close()
  }
}
