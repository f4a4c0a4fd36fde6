import type { UsageEvent } from '@jackdaw/core/players'
import { inTodaysForm } from '@jackdaw/core/events'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

interface Schema extends DBSchema {
  events: { key: string; value: { id: string; personId: string; event: UsageEvent }; indexes: { person: string } }
}
let opened: Promise<IDBPDatabase<Schema>> | undefined
const open = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('jackdaw-events', 1, {
    upgrade: (db) => void db.createObjectStore('events', { keyPath: 'id' }).createIndex('person', 'personId'),
  }))

/** What was refused has a database of its own: a new form of the first one would wait for every old tab to close. */
interface RefusedSchema extends DBSchema {
  refused: { key: string; value: { id: string; personId: string; event: UsageEvent; why: string; at: number } }
}
let openedRefused: Promise<IDBPDatabase<RefusedSchema>> | undefined
const openRefused = (): Promise<IDBPDatabase<RefusedSchema>> =>
  (openedRefused ??= openDB<RefusedSchema>('jackdaw-refused-events', 1, {
    upgrade: (db) => void db.createObjectStore('refused', { keyPath: 'id' }),
  }))

/** Where events wait for the server, so that neither a lost network nor a closed tab loses any. */
export type KeptEvents = {
  keep(personId: string, event: UsageEvent): Promise<void>
  oldest(personId: string, most: number): Promise<UsageEvent[]>
  drop(ids: readonly string[]): Promise<void>
  count(personId: string): Promise<number>
  /** Keeps what the server would not take apart, with the reason: it is not sent again, and not lost. */
  setAside(personId: string, event: UsageEvent, why: string): Promise<void>
}

/** Events kept in the browser's own database. */
const eventsInBrowser: KeptEvents = {
  async keep(personId, event) {
    await (await open()).put('events', { id: event.id, personId, event })
  },
  async oldest(personId, most) {
    // Older versions have kept events in their own form.
    return (await (await open()).getAllFromIndex('events', 'person', personId, most)).map((kept) => inTodaysForm(kept.event) as UsageEvent)
  },
  async drop(ids) {
    const work = (await open()).transaction('events', 'readwrite')
    await Promise.all([...ids.map((id) => work.store.delete(id)), work.done])
  },
  count: async (personId) => (await open()).countFromIndex('events', 'person', personId),
  async setAside(personId, event, why) {
    await (await openRefused()).put('refused', { id: event.id, personId, event, why, at: Date.now() })
  },
}

/** Events kept in memory only, for browsers that refuse their database (private windows of some). */
function eventsInMemory(): KeptEvents {
  const kept = new Map<string, { personId: string; event: UsageEvent }>()
  const of = (personId: string) => [...kept.values()].filter((each) => each.personId === personId)
  return {
    keep: (personId, event) => Promise.resolve(void kept.set(event.id, { personId, event })),
    oldest: (personId, most) =>
      Promise.resolve(
        of(personId)
          .slice(0, most)
          .map((each) => each.event),
      ),
    drop: (ids) => Promise.resolve(ids.forEach((id) => kept.delete(id))),
    count: (personId) => Promise.resolve(of(personId).length),
    // Told in the log of the device; without a database there is no other place.
    setAside: () => Promise.resolve(),
  }
}

/** Tells in the log of the device what the server did not take. */
export const tellRefused = (event: UsageEvent, why: string, detail = ''): void =>
  console.warn('The server did not take an event of this device:', why, detail, event)

/** The best place that this browser offers: its database, or the memory of this page. */
export async function placeForEvents(): Promise<KeptEvents> {
  try {
    await open()
    return eventsInBrowser
  } catch (error) {
    // What is wrong with the database does not matter: without it, events live as long as the page.
    console.warn('Reading is kept in this page only', error)
    return eventsInMemory()
  }
}
