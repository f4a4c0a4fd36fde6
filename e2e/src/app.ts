import { randomBytes } from 'node:crypto'
import { cp, mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { DEMO_PASSWORD } from '@jackdaw/demo'
import axe from 'axe-core'
import puppeteer, { type Browser, type Page } from 'puppeteer-core'
import { inject, type ProvidedContext } from 'vitest'
import { BROWSER_FLAGS, CHROMIUM, click, countRequests, quiet, seen } from './browser'
import { cloneDatabase, DEMO_DATABASE, launch, stop, type Running } from './server'

export { BROWSER_FLAGS, CHROMIUM, click, countRequests, quiet, seen }

/** A built application that runs. `restart`: once it was killed, with other environment variables where that is said. */
export type App = {
  address: string
  kill: () => Promise<void>
  restart: (otherwise?: Record<string, string>) => Promise<void>
  close: () => Promise<void>
}

/** Environment variables by which a server takes it to be another moment. */
export const clockAt = (moment: Date): Record<string, string> => ({
  NODE_OPTIONS: `--import=${pathToFileURL(join(process.cwd(), 'packages/server/src/testing/clockAhead.mjs')).href}`,
  CLOCK_AHEAD_MS: String(moment.getTime() - Date.now()),
})

/** Runs the built application with nobody in it.
 * @returns also what stands behind the mark in the link by which the company is set up */
export async function startEmpty(): Promise<App & { token: string }> {
  const cluster = inject('cluster' as keyof ProvidedContext) as string
  const database = `e2e_${randomBytes(6).toString('hex')}`
  await cloneDatabase(cluster, database, 'template_jackdaw')
  const files = await mkdtemp(join(tmpdir(), 'jackdaw-e2e-'))
  const { setUp, ...running } = await launch({ cluster, database, files, more: { DEMO: 'no' } })
  return { ...appOf(running, { cluster, database, files, more: { DEMO: 'no' } }), token: setUp!.split('#')[1]! }
}

/** Runs the built application with the demo, on a database and a folder of its own.
 * @param more further environment variables */
export async function startApp(more: Record<string, string> = {}): Promise<App> {
  const cluster = inject('cluster' as keyof ProvidedContext) as string
  const database = `e2e_${randomBytes(6).toString('hex')}`
  await cloneDatabase(cluster, database, DEMO_DATABASE)
  const files = await mkdtemp(join(tmpdir(), 'jackdaw-e2e-'))
  await cp(inject('demoFiles' as keyof ProvidedContext) as string, files, { recursive: true })
  return appOf(await launch({ cluster, database, files, more }), { cluster, database, files, more })
}

type Place = { cluster: string; database: string; files: string; more: Record<string, string> }
function appOf(running: Pick<Running, 'child' | 'port'>, { cluster, database, files, more }: Place): App {
  let { child, port } = running
  return {
    address: `http://127.0.0.1:${port}`,
    kill: () => stop(child, 'SIGKILL'),
    async restart(otherwise = {}) {
      ;({ child, port } = await launch({ cluster, database, files, port, more: { ...more, ...otherwise } }))
    },
    async close() {
      await stop(child, 'SIGTERM')
      await rm(files, { recursive: true, force: true })
    },
  }
}

/** A camera and a microphone that are none: a picture that moves, and a beep each second. */
export const FAKE_DEVICES = ['--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream']
/** @param more further flags */
export const openBrowser = (more: readonly string[] = []): Promise<Browser> =>
  puppeteer.launch({ executablePath: CHROMIUM, args: [...BROWSER_FLAGS, ...more] })

const WIDE = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true }
/** What a browser complains about because a test made it so: no network, a server that is gone, a refusal that is wanted. */
const WANTED = /ERR_INTERNET_DISCONNECTED|ERR_CONNECTION|status of (401|403|404|409|410|422)|net::ERR/

/** Until its scripts are there a page can be read, and its links lead on: whoever goes to one to do something waits for them. */
function untilItLives(page: Page): void {
  for (const way of ['goto', 'reload', 'goBack'] as const) {
    const go = page[way].bind(page) as (...args: unknown[]) => Promise<unknown>
    const goAndWait = async (...args: unknown[]): Promise<unknown> => {
      const response = await go(...args)
      await page.waitForFunction(() => document.querySelector('[data-still]') === null)
      return response
    }
    Object.assign(page, { [way]: goAndWait })
  }
}

type PersonsPage = Page & { complaints: string[] }
/** A browser of its own for one person, with its complaints collected. */
export async function ownPage(browser: Browser, device: 'wide' | 'phone' = 'wide'): Promise<PersonsPage> {
  const context = await browser.createBrowserContext()
  const page = (await context.newPage()) as PersonsPage
  page.complaints = []
  countRequests(page)
  page.on('pageerror', (error) => void page.complaints.push(String(error)))
  page.on('console', (message) => void (message.type() === 'error' && !WANTED.test(message.text()) && page.complaints.push(message.text())))
  await page.setViewport(device === 'wide' ? WIDE : PHONE)
  page.setDefaultTimeout(30_000)
  // A page that lies behind another one is not drawn, and what waits for it to be drawn waits for ever: all count as being in front.
  await (await page.createCDPSession()).send('Emulation.setFocusEmulationEnabled', { enabled: true })
  untilItLives(page)
  return page
}

/** A browser of its own for one person, signed in. */
export async function signedIn(browser: Browser, app: App, mail: string, device: 'wide' | 'phone' = 'wide'): Promise<PersonsPage> {
  const page = await ownPage(browser, device)
  await page.goto(`${app.address}/sign-in`)
  await page.locator('input[autocomplete=username]').fill(mail)
  await page.locator('input[type=password]').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await page.waitForFunction(() => document.querySelector('[data-today]') !== null)
  return page
}

/** Presses the button or link of this name. */
export const press = (page: Page, name: string): Promise<void> => click(page, `::-p-aria([name="${name}"])`)

/** What axe-core finds serious or worse, in words. */
export async function seriousFindings(page: Page): Promise<string[]> {
  await page.evaluate(axe.source)
  return page.evaluate(async () => {
    const { violations } = await (
      globalThis as unknown as {
        axe: {
          run: (
            where: Document,
            options: object,
          ) => Promise<{ violations: { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[] }>
        }
      }
    ).axe.run(document, { resultTypes: ['violations'] })
    return violations
      .filter((each) => each.impact === 'serious' || each.impact === 'critical')
      .map(
        (each) =>
          `${each.id}: ${each.nodes
            .map((node) => `${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 200)}`)
            .slice(0, 3)
            .join(' | ')}`,
      )
  })
}
