import { randomBytes } from 'node:crypto'
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { unzipSync } from 'fflate'
import pg from 'pg'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it, type ProvidedContext } from 'vitest'
import { openBrowser, seen } from './app'
import { cloneDatabase, launch, stop, type Running } from './server'

type Store = {
  store: string
  keyPath: string | null
  indexes: { name: string; keyPath: string }[]
  entries: { key: string; value: unknown }[]
}
type Kept = { databases: { database: string; version: number; stores: Store[] }[]; local: Record<string, string> }
type Requests = { password: string; mails: { lead: string; clerk: string } }

const FOLDER = join(process.cwd(), 'packages/server/src/testing/stored/2026-11')
let running: Running
let browser: Browser
let files: string
let browsers: Record<'clerk' | 'marta', Kept>
let requests: Requests
const address = () => `http://127.0.0.1:${running.port}`

beforeAll(async () => {
  const cluster = inject('cluster' as keyof ProvidedContext) as string
  const database = `e2e_${randomBytes(6).toString('hex')}`
  await cloneDatabase(cluster, database, 'template0')
  const client = new pg.Client(`${cluster}/${database}`)
  await client.connect()
  await client.query(gunzipSync(await readFile(join(FOLDER, 'database.sql.gz'))).toString('utf8'))
  await client.end()
  files = await mkdtemp(join(tmpdir(), 'jackdaw-stored-'))
  for (const [name, bytes] of Object.entries(unzipSync(await readFile(join(FOLDER, 'files.zip'))))) {
    await mkdir(dirname(join(files, name)), { recursive: true })
    await writeFile(join(files, name), bytes)
  }
  browsers = JSON.parse(await readFile(join(FOLDER, 'browser.json'), 'utf8')) as typeof browsers
  requests = JSON.parse(await readFile(join(FOLDER, 'requests.json'), 'utf8')) as Requests
  ;[running, browser] = await Promise.all([launch({ cluster, database, files }), openBrowser()])
})
afterAll(async () => {
  await browser?.close()
  if (running) await stop(running.child, 'SIGTERM')
  await rm(files, { recursive: true, force: true })
})

/** A browser as somebody left it then, in which they sign in again. */
async function asItWas(kept: Kept, mail: string): Promise<Page> {
  const page = await (await browser.createBrowserContext()).newPage()
  page.setDefaultTimeout(15_000)
  await page.setViewport({ width: 1280, height: 800 })
  await page.goto(`${address()}/jackdaw.svg`)
  await page.evaluate(async ({ databases, local }) => {
    for (const [name, value] of Object.entries(local)) localStorage.setItem(name, value)
    for (const { database, version, stores } of databases) {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const open = indexedDB.open(database, version)
        open.onupgradeneeded = () => {
          for (const { store, keyPath, indexes } of stores) {
            const made = open.result.createObjectStore(store, keyPath === null ? {} : { keyPath })
            for (const index of indexes) made.createIndex(index.name, index.keyPath)
          }
        }
        open.onerror = () => reject(open.error as Error)
        open.onsuccess = () => resolve(open.result)
      })
      for (const { store, keyPath, entries } of stores)
        for (const { key, value } of entries)
          await new Promise<void>((resolve) => {
            const put = db
              .transaction(store, 'readwrite')
              .objectStore(store)
              .put(value, keyPath === null ? key : undefined)
            put.onsuccess = () => resolve()
          })
      db.close()
    }
  }, kept)
  await page.goto(`${address()}/sign-in`)
  await page.locator('input[autocomplete=username]').fill(mail)
  await page.locator('input[type=password]').fill(requests.password)
  await page.keyboard.press('Enter')
  await page.waitForFunction(() => document.querySelector('[data-today]') !== null)
  return page
}
/** How many entries a store of the browser still has. */
const left = (page: Page, database: string, store: string): Promise<number> =>
  page.evaluate(
    async (name, of) => {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const open = indexedDB.open(name)
        open.onsuccess = () => resolve(open.result)
      })
      const count = await new Promise<number>((resolve) => {
        const asked = db.transaction(of).objectStore(of).count()
        asked.onsuccess = () => resolve(asked.result)
      })
      db.close()
      return count
    },
    database,
    store,
  )
const untilNone = async (page: Page, database: string, store: string): Promise<number> => {
  for (let tries = 0; tries < 80 && (await left(page, database, store)) > 0; tries++)
    await new Promise((resolve) => setTimeout(resolve, 200))
  return left(page, database, store)
}

describe('a browser as it was left by an earlier version', () => {
  it('saves the changes that it has kept', async () => {
    const page = await asItWas(browsers.marta, requests.mails.lead)
    const [draft] = browsers.marta.databases.find((each) => each.database === 'jackdaw-drafts')!.stores[0]!.entries
    const { guideId } = draft!.value as { guideId: string }
    await page.goto(`${address()}/guides/${guideId}/edit`)
    await seen(page, 'Look twice')
    await seen(page, 'Then wait')
    expect(await untilNone(page, 'jackdaw-drafts', 'drafts')).toBe(0)
    await page.reload()
    await seen(page, 'Then wait')
    await page.close()
  })
  it('sends what happened while it had no server, and goes on where somebody was in Practise', async () => {
    const page = await asItWas(browsers.clerk, requests.mails.clerk)
    expect(await untilNone(page, 'jackdaw-events', 'events')).toBe(0)
    const [key, text] = Object.entries(browsers.clerk.local).find(([each]) => each.startsWith('jackdaw-play '))!
    const guideId = key.split(' ')[2]!
    const { seen: steps } = (JSON.parse(text) as { state: { seen: string[] } }).state
    await page.goto(`${address()}/guides/${guideId}/practise`)
    await page.waitForFunction(
      (words: string) => document.querySelector('[data-where]')?.textContent?.startsWith(words),
      {},
      `Step ${steps.length} of 8`,
    )
    await page.close()
  })
})
