import { nth } from '@jackdaw/core/shared'
import { sendEvents, type RefusedEvent } from '@jackdaw/contracts/reading'
import type { UsageEvent } from '@jackdaw/core/players'
import { itemKey } from '@jackdaw/core/items'
import { useSyncExternalStore } from 'react'
import { ApiProblem, call, Unreachable } from '../api'
import { placeForEvents, tellRefused, type KeptEvents } from './keptEvents'
import { markWaiting } from './waitMark'

const BATCH = 200
const EVERY_MS = 5_000
const SOON_MS = 700

let place: Promise<KeptEvents> | undefined
const kept = (): Promise<KeptEvents> => (place ??= placeForEvents())
let personId: string | null = null
let sending: Promise<void> | null = null
let most = BATCH
let timer: ReturnType<typeof setTimeout> | undefined
/** What became of the end of a guide that was told on this page. */
export type FinishFate = 'waiting' | 'taken' | 'refused'
type State = { waiting: number; refused: number; finishes: ReadonlyMap<string, FinishFate> }
let state: State = { waiting: 0, refused: 0, finishes: new Map() }
const listeners = new Set<() => void>()

function tell(next: Partial<State>): void {
  state = { ...state, ...next }
  if (next.waiting !== undefined) markWaiting(next.waiting > 0)
  listeners.forEach((listener) => listener())
}

/** A way of using an edition. */
type Using = Pick<UsageEvent, 'item' | 'edition' | 'way'>
const keyOf = ({ item, edition, way }: Using): string => `${itemKey(item)} ${edition} ${way}`
/** Notes what became of the ends of guides among these events. */
function noteFinishes(events: readonly UsageEvent[], fate: (event: UsageEvent) => FinishFate): void {
  const ends = events.filter((event) => event.verb === 'finished')
  if (ends.length > 0) tell({ finishes: new Map([...state.finishes, ...ends.map((event) => [keyOf(event), fate(event)] as const)]) })
}

/** How many events wait, how many the server did not take, and which guides' ends it has taken. */
export const outboxState = {
  now: (): State => state,
  use: (): State =>
    useSyncExternalStore(
      (changed) => {
        listeners.add(changed)
        return () => listeners.delete(changed)
      },
      () => state,
      () => state,
    ),
}

export const finishFate = ({ finishes }: Pick<State, 'finishes'>, what: Using): FinishFate | null => finishes.get(keyOf(what)) ?? null
/** Whether the server has taken that somebody finished a guide, of what was told on this page; `null` when nothing was. */
export const useFinishFate = (what: Using): FinishFate | null => finishFate(outboxState.use(), what)

/** Keeps an event and sends it soon. */
export async function record(event: UsageEvent): Promise<void> {
  if (personId === null) return
  const owner = personId
  markWaiting(true)
  noteFinishes([event], () => 'waiting')
  await (await kept()).keep(owner, event)
  tell({ waiting: await (await kept()).count(owner) })
  schedule(SOON_MS)
}

function schedule(afterMs: number): void {
  clearTimeout(timer)
  timer = setTimeout(() => void flush(), afterMs)
}

/** What the server does not take is kept apart on this device and told in its log; the rest has gone through. */
async function setAside(owner: string, events: readonly UsageEvent[], refused: readonly RefusedEvent[]): Promise<void> {
  if (refused.length === 0) return
  const place = await kept()
  for (const { at, why, detail } of refused) {
    const event = events[at]
    if (!event) continue
    tellRefused(event, why, detail)
    // Where there is no room to keep it apart it has been told all the same, and must not hold up the others.
    await place.setAside(owner, event, why).catch((error: unknown) => tellRefused(event, 'not kept', String(error)))
  }
  tell({ refused: state.refused + refused.length })
}

async function sendOnce(owner: string, keepalive: boolean): Promise<boolean> {
  const events = await (await kept()).oldest(owner, keepalive ? 50 : most)
  if (events.length === 0) return false
  try {
    const answer = await call(sendEvents, { body: { sentAt: Date.now(), events }, keepalive })
    await setAside(owner, events, answer.refused)
    const refused = new Set(answer.refused.map(({ at }) => events[at]?.id))
    noteFinishes(events, (event) => (refused.has(event.id) ? 'refused' : 'taken'))
    most = Math.min(BATCH, most * 2)
  } catch (error) {
    if (!(error instanceof ApiProblem) || ![413, 422].includes(error.problem.status)) throw error
    // The batch as a whole was refused: it is sent in smaller parts, until the one event that is the cause stands alone.
    if (events.length > 1) {
      most = Math.max(1, Math.floor(events.length / 4))
      return true
    }
    noteFinishes(events, () => 'refused')
    await setAside(owner, events, [{ at: 0, id: nth(events, 0).id, why: 'malformed', detail: error.problem.detail ?? error.problem.title }])
  }
  await (await kept()).drop(events.map((event) => event.id))
  return true
}

/** Sends what waits. Events that the server will never take are set aside; everything else stays until it is taken. */
export function flush(keepalive = false): Promise<void> {
  if (personId === null) return Promise.resolve()
  const owner = personId
  sending ??= (async () => {
    try {
      while (await sendOnce(owner, keepalive)) if (keepalive) break
    } catch (error) {
      if (!(error instanceof ApiProblem || error instanceof Unreachable)) throw error
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
