import { spawn, type ChildProcess } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMO_PASSWORD } from '@jackdaw/demo'
import axe from 'axe-core'
import pg from 'pg'
import puppeteer, { type Browser, type Page } from 'puppeteer-core'
import { inject, type ProvidedContext } from 'vitest'
import { BROWSER_FLAGS, CHROMIUM, seen } from './browser'

export { BROWSER_FLAGS, CHROMIUM, seen }

/** The day on which the demo of the journeys ends. */
export const ANCHOR = '2026-03-10'

export type App = { address: string; kill: () => Promise<void>; restart: () => Promise<void>; close: () => Promise<void> }

function launch(env: NodeJS.ProcessEnv): Promise<{ child: ChildProcess; port: number }> {
  const child = spawn(process.execPath, [join(process.cwd(), 'dist/server/main.mjs')], {
    env,
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  return new Promise((resolve, reject) => {
    child.once('message', (message: { listening: number }) => resolve({ child, port: message.listening }))
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
}
const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => (child.exitCode !== null || child.signalCode !== null ? resolve() : child.once('exit', () => resolve())))

/** Runs the built application with the demo, on a database of its own. */
export async function startApp(): Promise<App> {
  const cluster = inject('cluster' as keyof ProvidedContext) as string
  const name = `e2e_${randomBytes(6).toString('hex')}`
  const admin = new pg.Client(`${cluster}/postgres`)
  await admin.connect()
  await admin.query(`create database ${name} template template_jackdaw`)
  await admin.end()
  const files = await mkdtemp(join(tmpdir(), 'jackdaw-e2e-'))
  const env = (port: number): NodeJS.ProcessEnv => ({
    ...process.env,
    DATABASE_URL: `${cluster}/${name}`,
    PORT: String(port),
    SESSION_SECRET: 'e'.repeat(40),
    STORAGE_DIR: files,
    WEB_DIR: join(process.cwd(), 'dist/web'),
    DEMO: 'yes',
    DEMO_ANCHOR: ANCHOR,
    LOG_LEVEL: 'error',
  })
  let { child, port } = await launch(env(0))
  return {
    address: `http://127.0.0.1:${port}`,
    async kill() {
      child.kill('SIGKILL')
      await ended(child)
    },
    async restart() {
      ;({ child, port } = await launch(env(port)))
    },
    async close() {
      child.kill('SIGTERM')
      await ended(child)
      await rm(files, { recursive: true, force: true })
    },
  }
}

export const openBrowser = (): Promise<Browser> => puppeteer.launch({ executablePath: CHROMIUM, args: BROWSER_FLAGS })

const WIDE = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true }
/** What a browser complains about because a test made it so: no network, a server that is gone, a refusal that is wanted. */
const WANTED = /ERR_INTERNET_DISCONNECTED|ERR_CONNECTION|status of (401|403|404|409|422)|net::ERR/

/** A browser of its own for one person, signed in, with its complaints collected. */
export async function signedIn(
  browser: Browser,
  app: App,
  mail: string,
  device: 'wide' | 'phone' = 'wide',
): Promise<Page & { complaints: string[] }> {
  const context = await browser.createBrowserContext()
  const page = (await context.newPage()) as Page & { complaints: string[] }
  page.complaints = []
  page.on('pageerror', (error) => void page.complaints.push(String(error)))
  page.on('console', (message) => void (message.type() === 'error' && !WANTED.test(message.text()) && page.complaints.push(message.text())))
  await page.setViewport(device === 'wide' ? WIDE : PHONE)
  page.setDefaultTimeout(15_000)
  await page.goto(`${app.address}/sign-in`)
  await page.locator('input[type=email]').fill(mail)
  await page.locator('input[type=password]').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await seen(page, 'Good day')
  return page
}

/** Presses the button or link of this name. */
export const press = (page: Page, name: string): Promise<void> => page.locator(`::-p-aria([name="${name}"])`).click()

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
