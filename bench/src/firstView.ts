import lighthouse, { type Config } from 'lighthouse'
import { freshBrowser, signedInBrowser } from './browser'
import { send } from './longGuide'
import { signIn } from './server'

/** What one page got, the medians of all rounds: points of 100, and times in milliseconds; `shift` is the layout shift, without unit. */
type FirstView = { points: number; firstPaintMs: number; largestPaintMs: number; blockingMs: number; shift: number }

const CONFIG: Config = { extends: 'lighthouse:default', settings: { onlyCategories: ['performance'], output: 'json' } }

const median = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0

/** How soon a page can be seen by somebody who is signed in, or a guest, and whose browser has nothing of it, on a phone with a slow network, as
 * Lighthouse simulates both.
 * @param mail of whoever is signed in; `null` for a guest */
async function firstView(address: string, path: string, mail: string | null, rounds: number): Promise<FirstView> {
  const { browser, page } = await (mail === null ? freshBrowser() : signedInBrowser(address, mail))
  try {
    const all: FirstView[] = []
    for (let n = 0; n < rounds; n++) {
      const result = await lighthouse(`${address}${path}`, { logLevel: 'error' }, CONFIG, page)
      if (!result) throw new Error(`${path} was not measured`)
      const { categories, audits } = result.lhr
      const number = (audit: string) => audits[audit]?.numericValue ?? Number.NaN
      all.push({
        points: Math.round((categories['performance']?.score ?? Number.NaN) * 100),
        firstPaintMs: number('first-contentful-paint'),
        largestPaintMs: number('largest-contentful-paint'),
        blockingMs: number('total-blocking-time'),
        shift: number('cumulative-layout-shift'),
      })
    }
    const of = (key: keyof FirstView) => median(all.map((each) => each[key]))
    return {
      points: of('points'),
      firstPaintMs: of('firstPaintMs'),
      largestPaintMs: of('largestPaintMs'),
      blockingMs: of('blockingMs'),
      shift: of('shift'),
    }
  } finally {
    await browser.close()
  }
}

/** A link to a guide for guests that asks for nothing. @returns the path of its page */
async function guestLink(address: string, guideId: string): Promise<string> {
  const lead = await signIn(address, 'marta@larkmoor.example')
  const asked = { asksFor: null, carries: null, expiresOn: null }
  return new URL((await send<{ address: string }>(address, lead, `/api/guides/${guideId}/links`, asked)).address).pathname
}

/** How soon the pages that people open first can be seen. */
export async function measureFirstView(address: string, guideId: string, rounds: number, say: (words: string) => void): Promise<void> {
  const ms = (n: number) => `${n.toFixed(0)} ms`
  say(
    `\nFirst view with nothing in the browser, Lighthouse, phone and slow network simulated, median of ${rounds} (Today, reader and guests at least 95, library 90):`,
  )
  for (const [name, path, who] of [
    ['Today', '/', 'ines'],
    ['Today of a lead', '/', 'marta'],
    ['reader', `/guides/${guideId}`, 'ines'],
    ['library', '/library', 'marta'],
    ['guest by a link', await guestLink(address, guideId), null],
  ] as const) {
    const view = await firstView(address, path, who && `${who}@larkmoor.example`, rounds)
    say(
      `  ${name.padEnd(16)} ${view.points} points; first paint ${ms(view.firstPaintMs)}, largest ${ms(view.largestPaintMs)}, blocked ${ms(view.blockingMs)}, layout shift ${view.shift.toFixed(3)}`,
    )
  }
}
