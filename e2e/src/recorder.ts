import { spawn, type ChildProcess } from 'node:child_process'
import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { RECORDER_EXTENSION_ID, type RecorderAnswer, type RecordingTarget } from '@jackdaw/contracts/recording'
import { DEMO_PASSWORD } from '@jackdaw/demo'
import type { SentenceLanguage } from '@jackdaw/core/recording'
import puppeteer, { type Browser, type Page, type WebWorker } from 'puppeteer-core'
import { BROWSER_FLAGS, CHROMIUM } from './browser'

export const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** Starts the Order Book with its day fixed. */
export async function startOrderBook(today = '2026-03-10'): Promise<{ address: string; close: () => void }> {
  const book: ChildProcess = spawn(process.execPath, [join(process.cwd(), 'dist/standins/order-book/main.mjs')], {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, PORT: '0', TODAY: today },
  })
  const port = await new Promise<number>((resolve) => book.once('message', ({ listening }: { listening: number }) => resolve(listening)))
  return { address: `http://127.0.0.1:${port}`, close: () => void book.kill('SIGTERM') }
}

/** The extension as a Jackdaw serves it, with the leave that nobody can give in a browser without a window already given. */
async function extensionFor(origin: string): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'jackdaw-recorder-'))
  await cp(join(process.cwd(), 'dist/recorder'), folder, { recursive: true })
  const manifest = JSON.parse(await readFile(join(folder, 'manifest.json'), 'utf8')) as Record<string, unknown>
  const { permissions, optional_permissions: optional } = manifest as { permissions: string[]; optional_permissions: string[] }
  delete manifest['optional_host_permissions']
  delete manifest['optional_permissions']
  const own = `${new URL(origin).protocol}//${new URL(origin).hostname}/*`
  Object.assign(manifest, {
    permissions: [...permissions, ...optional],
    host_permissions: ['<all_urls>'],
    externally_connectable: { matches: [own] },
  })
  await writeFile(join(folder, 'manifest.json'), JSON.stringify(manifest))
  await writeFile(join(folder, 'jackdaw.json'), JSON.stringify({ origin }))
  return folder
}

export type Recorder = {
  browser: Browser
  /** A page of Jackdaw with its person signed in. */
  jackdaw: Page
  /** The extension's worker; after it was killed, the new one. */
  worker(): Promise<WebWorker>
  ask(message: object): Promise<RecorderAnswer>
  api<T = any>(method: string, path: string, body?: unknown): Promise<T>
  pair(): Promise<void>
  /** Begins to record at an address.
   * @returns the page there */
  record(address: string, options?: { language?: SentenceLanguage; target?: RecordingTarget }): Promise<Page>
  /** Ends the recording and waits for the draft.
   * @returns the guide's id */
  finish(): Promise<string>
  panel(message: object): Promise<any>
  close(): Promise<void>
}

/** Waits until the driver knows every inner frame and is answered by it. A frame that loads while the driver is only being
 * attached to a page that the extension opened can be missed for good, however often it is loaded: it is put in anew. */
async function framesKnown(page: Page): Promise<void> {
  const answers = async (): Promise<boolean> => {
    const frames = await page.evaluate(() => document.querySelectorAll('iframe').length)
    const inner = page.frames().filter((frame) => frame !== page.mainFrame())
    if (inner.length < frames) return false
    const all = inner.map((frame) =>
      frame.evaluate(() => location.href !== 'about:blank' && document.readyState === 'complete').catch(() => false),
    )
    return (await Promise.race([Promise.all(all), sleep(1_000).then(() => [false])])).every(Boolean)
  }
  for (let tries = 1; tries <= 5; tries++) {
    for (let looks = 0; looks < 8; looks++) {
      if (await answers()) return
      await sleep(150)
    }
    await page.evaluate(() => document.querySelectorAll('iframe').forEach((frame) => frame.replaceWith(frame.cloneNode())))
  }
  throw new Error('an inner frame of this page stays unknown to the driver')
}

/** Opens a browser with the recorder in it, and somebody signed in to Jackdaw. */
export async function openRecorder(
  origin: string,
  mail = 'tomasz@larkmoor.example',
  size = '1280,900',
  flags: string[] = [],
): Promise<Recorder> {
  const folder = await extensionFor(origin)
  const browser = await puppeteer.launch({
    executablePath: CHROMIUM,
    headless: true,
    pipe: true,
    enableExtensions: [folder],
    defaultViewport: null,
    args: [...BROWSER_FLAGS, `--window-size=${size}`, ...flags],
  })
  const worker = async () => {
    const target = await browser.waitForTarget((each) => each.type() === 'service_worker' && each.url().endsWith('/background.js'))
    return (await target.worker())!
  }
  await worker()
  const jackdaw = await browser.newPage()
  await jackdaw.goto(`${origin}/sign-in`)
  await jackdaw.locator('input[autocomplete=username]').fill(mail)
  await jackdaw.locator('input[type=password]').fill(DEMO_PASSWORD)
  await jackdaw.keyboard.press('Enter')
  await jackdaw.waitForFunction(() => document.querySelector('[data-today]') !== null)
  const ask = (message: object) =>
    jackdaw.evaluate(
      (id, asked) =>
        new Promise<RecorderAnswer>((resolve) =>
          (globalThis as unknown as { chrome: { runtime: { sendMessage: (...all: unknown[]) => void } } }).chrome.runtime.sendMessage(
            id,
            asked,
            resolve,
          ),
        ),
      RECORDER_EXTENSION_ID,
      message,
    )
  const api = (method: string, path: string, body?: unknown): Promise<any> =>
    jackdaw.evaluate(
      async (how, where, what) => {
        const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string }
        const response = await fetch(where, {
          method: how,
          headers: { 'x-csrf-token': csrf, 'content-type': 'application/json' },
          ...(what === undefined ? {} : { body: JSON.stringify(what) }),
        })
        return response.status === 204 ? null : ((await response.json()) as never)
      },
      method,
      path,
      body,
    )
  let panelPage: Page | undefined
  const panel = async (message: object): Promise<any> => {
    if (!panelPage || panelPage.isClosed()) {
      const active = await jackdaw.browser().pages()
      const front = active.at(-1)
      panelPage = await browser.newPage()
      await panelPage.goto(`chrome-extension://${RECORDER_EXTENSION_ID}/panel.html`)
      await front?.bringToFront()
    }
    return panelPage.evaluate(
      (asked) =>
        (
          globalThis as unknown as { chrome: { runtime: { sendMessage: (message: object) => Promise<unknown> } } }
        ).chrome.runtime.sendMessage(asked),
      message,
    )
  }
  return {
    browser,
    jackdaw,
    worker,
    ask,
    api,
    panel,
    async pair() {
      const { code } = await api('POST', '/api/recorders/code')
      const answer = await ask({ ask: 'pair', code })
      if (!answer.ok) throw new Error(answer.why)
    },
    async record(address, { language = 'en', target = null } = {}) {
      const opened = browser.waitForTarget((each) => each.type() === 'page' && each.url().startsWith(address.split('?')[0]!))
      const answer = await ask({ ask: 'record', address, language, target })
      if (!answer.ok) throw new Error(answer.why)
      const page = (await (await opened).page())!
      await page.waitForFunction(() => document.querySelector('jackdaw-recorder') !== null, { polling: 50 })
      await framesKnown(page)
      return page
    },
    async finish() {
      const draft = browser.waitForTarget((each) => each !== jackdaw.target() && /\/guides\/[\w-]{21}\/edit/.test(each.url()), {
        timeout: 30_000,
      })
      const look = await panel({ panel: 'wish', wish: 'finish' })
      if (look.problem) throw new Error(look.problem)
      const target = await draft
      const id = /\/guides\/([\w-]{21})\/edit/.exec(target.url())![1]!
      await (await target.page())!.close()
      return id
    },
    async close() {
      await browser.close()
      await rm(folder, { recursive: true, force: true })
    },
  }
}
