import { sendEvents } from '@jackdaw/contracts/reading'
import type { UsageEvent } from '@jackdaw/core/events'
import { useSyncExternalStore } from 'react'
import { ApiProblem, call, Unreachable } from '../api'
import { placeForEvents, type KeptEvents } from './keptEvents'

const BATCH = 200
const EVERY_MS = 5_000
const SOON_MS = 700

let place: Promise<KeptEvents> | undefined
const kept = (): Promise<KeptEvents> => (place ??= placeForEvents())
let personId: string | null = null
let sending: Promise<void> | null = null
let timer: ReturnType<typeof setTimeout> | undefined
let state = { waiting: 0, refused: 0 }
const listeners = new Set<() => void>()

function tell(next: Partial<typeof state>): void {
  state = { ...state, ...next }
  listeners.forEach((listener) => listener())
}

/** How many events wait, and how many the server did not take. */
export const outboxState = {
  use: () =>
    useSyncExternalStore(
      (changed) => {
        listeners.add(changed)
        return () => listeners.delete(changed)
      },
      () => state,
    ),
}

/** Keeps an event and sends it soon. */
export async function record(event: UsageEvent): Promise<void> {
  if (personId === null) return
  const owner = personId
  await (await kept()).keep(owner, event)
  tell({ waiting: await (await kept()).count(owner) })
  schedule(SOON_MS)
}

function schedule(afterMs: number): void {
  clearTimeout(timer)
  timer = setTimeout(() => void flush(), afterMs)
}

async function sendOnce(owner: string, keepalive: boolean): Promise<boolean> {
  const events = await (await kept()).oldest(owner, keepalive ? 50 : BATCH)
  if (events.length === 0) return false
  const answer = await call(sendEvents, { body: { sentAt: Date.now(), events }, keepalive })
  await (await kept()).drop(events.map((event) => event.id))
  if (answer.refused.length > 0) tell({ refused: state.refused + answer.refused.length })
  return true
}

async function letGo(owner: string): Promise<void> {
  const place = await kept()
  await place.drop((await place.oldest(owner, BATCH)).map((event) => event.id))
}

/** Sends what waits. Events that the server will never take (422) are let go; everything else stays until it is taken. */
export function flush(keepalive = false): Promise<void> {
  if (personId === null) return Promise.resolve()
  const owner = personId
  sending ??= (async () => {
    try {
      while (await sendOnce(owner, keepalive)) if (keepalive) break
    } catch (error) {
      if (!(error instanceof ApiProblem || error instanceof Unreachable)) throw error
      if (error instanceof ApiProblem && error.problem.status === 422) await letGo(owner)
    } finally {
      sending = null
      tell({ waiting: await (await kept()).count(owner) })
      schedule(EVERY_MS)
    }
  })()
  return sending
}

const PATIENCE_MS = 1_500

/** Waits a moment for what was recorded to reach the server, so that figures asked for next are up to date. */
export const settled = (): Promise<void> => Promise.race([flush(), new Promise<void>((resolve) => setTimeout(resolve, PATIENCE_MS))])

/** Begins to send for a person: now, every few seconds, when the network comes back, and when the page is left. */
export function startOutbox(id: string): () => void {
  personId = id
  const online = () => void flush()
  const hidden = () => document.visibilityState === 'hidden' && void flush(true)
  window.addEventListener('online', online)
  document.addEventListener('visibilitychange', hidden)
  void flush()
  return () => {
    window.removeEventListener('online', online)
    document.removeEventListener('visibilitychange', hidden)
    clearTimeout(timer)
  }
}

/** Sends all that waits before somebody signs out.
 * @returns how many could not be sent */
export async function leaveNoEvents(): Promise<number> {
  await flush()
  return personId === null ? 0 : (await kept()).count(personId)
}
