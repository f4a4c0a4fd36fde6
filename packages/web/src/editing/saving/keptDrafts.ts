import { readChange } from '@jackdaw/core/guides'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { nanoid } from 'nanoid'
import { useSyncExternalStore } from 'react'
import type { Pending } from './draftSession'

type Kept = Pending & { key: string; guideId: GuideId; personId: PersonId; pageId: string; beatAt: number }
interface Schema extends DBSchema {
  drafts: { key: string; value: Kept; indexes: { guide: string } }
}
let opened: Promise<IDBPDatabase<Schema>> | undefined
const open = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('jackdaw-drafts', 1, {
    upgrade: (db) => void db.createObjectStore('drafts', { keyPath: 'key' }).createIndex('guide', 'guideId'),
  }))

/** This page as long as it lives; a page that is loaded again is another one. */
const PAGE_ID = nanoid()
const BEAT_MS = 2_000
const DEAD_AFTER_MS = 7_000

/** While a page lives it holds a lock, where the browser has locks (secure addresses only); elsewhere it leaves a sign of life. */
if ('locks' in navigator) void navigator.locks.request(`jackdaw-page-${PAGE_ID}`, () => new Promise<never>(() => undefined))

async function isDead(kept: Kept): Promise<boolean> {
  if (kept.pageId === PAGE_ID) return false
  if (!('locks' in navigator)) return Date.now() - kept.beatAt > DEAD_AFTER_MS
  const { held = [] } = await navigator.locks.query()
  return !held.some((lock) => lock.name === `jackdaw-page-${kept.pageId}`)
}

let keeps = true
const listeners = new Set<() => void>()
function tell(now: boolean): void {
  keeps = now
  listeners.forEach((listener) => listener())
}
/** Whether this browser could keep what was last written; some refuse their database in private windows or when they are full. */
export const useKeeps = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      listeners.add(changed)
      return () => listeners.delete(changed)
    },
    () => keeps,
  )

/** Keeps unsaved changes of one draft in the browser. */
export function keepDraft(guideId: GuideId, personId: PersonId): { keep: (pending: Pending | null) => void; stop: () => void } {
  // A key for each opening: a page may open the same guide again while an earlier opening still waits for the network.
  const key = `${guideId} ${PAGE_ID} ${nanoid()}`
  let latest: Pending | null = null
  let writing = Promise.resolve()
  const write = () => {
    const pending = latest
    writing = writing
      .then(async () => {
        const db = await open()
        if (pending) await db.put('drafts', { ...pending, key, guideId, personId, pageId: PAGE_ID, beatAt: Date.now() })
        else await db.delete('drafts', key)
      })
      .then(
        () => tell(true),
        // Without its database the browser keeps the changes in the page only: saving goes on, and the page says so.
        () => tell(false),
      )
  }
  const beat = setInterval(() => latest && write(), BEAT_MS)
  return {
    keep(pending) {
      latest = pending
      write()
    },
    stop: () => clearInterval(beat),
  }
}

/** Changes to a draft that a page left behind when it was closed or killed, oldest first. */
export async function leftBehind(guideId: GuideId, personId: PersonId): Promise<(Pending & { forget: () => Promise<void> })[]> {
  const db = await open().catch(() => null)
  if (!db) return []
  const all = (await db.getAllFromIndex('drafts', 'guide', guideId)).filter((kept) => kept.personId === personId)
  const dead = await Promise.all(all.map(isDead))
  return all
    .filter((_, index) => dead[index])
    .sort((a, b) => a.beatAt - b.beatAt)
    .map((kept) => ({
      baseRevision: kept.baseRevision,
      inFlight: kept.inFlight && { ...kept.inFlight, changes: kept.inFlight.changes.map(readChange) },
      queue: kept.queue.map(readChange),
      forget: () => db.delete('drafts', kept.key),
    }))
}
