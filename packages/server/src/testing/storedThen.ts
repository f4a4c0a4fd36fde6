import { mkdir, mkdtemp, readFile, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { unzipSync } from 'fflate'
import pg from 'pg'
import { emptyDatabase } from './testServer'

/** A store of a browser's own database, as it was written down. A value `{blob, type}` stands for a file, in base64. */
type KeptStore = {
  store: string
  keyPath: string | null
  indexes: { name: string; keyPath: string }[]
  entries: { key: string; value: any }[]
}
/** What a browser keeps for itself. */
export type KeptInBrowser = { databases: { database: string; version: number; stores: KeptStore[] }[]; local: Record<string, string> }
/** Requests that an older page, or an older recorder, still sends. */
type OldRequests = {
  password: string
  mails: { lead: string; author: string; clerk: string }
  changes: { guideId: string; changes: { type: string }[] }
  readings: { guideId: string; stepIds: string[] }
  attempt: { guideId: string; attemptId: string; acts: object[] }
}
/** What is stored at some time in the past, loaded again. `now`: when it was stored, epoch milliseconds. */
export type StoredThen = {
  databaseUrl: string
  storageDir: string
  now: number
  browser: Record<'clerk' | 'marta', KeptInBrowser>
  outbox: KeptInBrowser
  requests: OldRequests
}

/** When it was stored. */
const WAS = { folder: '2026-11', now: Date.parse('2026-11-28T05:45:00Z') }
const FOLDER = join(process.cwd(), 'packages/server/src/testing/stored', WAS.folder)

/** The entries of one store of a browser. */
export const entriesOf = (kept: KeptInBrowser, database: string, store: string): any[] =>
  kept.databases
    .find((each) => each.database === database)
    ?.stores.find((each) => each.store === store)
    ?.entries.map((each) => each.value) ?? []

/** Loads the database and the files as they were stored, with the tables of that time: see `stored/README.md`. */
export async function storedThen(): Promise<StoredThen> {
  const databaseUrl = await emptyDatabase()
  const client = new pg.Client(databaseUrl)
  await client.connect()
  await client.query(gunzipSync(await readFile(join(FOLDER, 'database.sql.gz'))).toString('utf8'))
  await client.end()
  const storageDir = await mkdtemp(join(tmpdir(), 'jackdaw-stored-'))
  for (const [name, bytes] of Object.entries(unzipSync(await readFile(join(FOLDER, 'files.zip'))))) {
    await mkdir(dirname(join(storageDir, name)), { recursive: true })
    await writeFile(join(storageDir, name), bytes)
  }
  const json = async (name: string) => JSON.parse(await readFile(join(FOLDER, name), 'utf8')) as never
  const [browser, outbox, requests] = await Promise.all([json('browser.json'), json('outbox.json'), json('requests.json')])
  return { databaseUrl, storageDir, now: WAS.now, browser, outbox, requests }
}
