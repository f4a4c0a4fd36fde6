import { MAX_ACTIONS, MAX_TEXT_BOXES, originOf, type ActionId, type PageSeen, type RawAction, type Shot } from '@jackdaw/core/recording'
import { nanoid } from 'nanoid'
import { PENDING } from '../content/link'
import type { Arrival, ToldAction } from '../shared/messages'
import { wasTyped } from './navigations'
import { asShotId, newestShot, shotsOfPress, textElsewhere, topRest } from './shots'
import { kept, type KeptShot, type Recording } from './store'

const FOLLOWS_WITHIN_MS = 10_000
const lastActionAt = new Map<number, number>()
const historyIndex = new Map<number, number>()
const openedBy = new Map<number, number>()
/** Tabs that were opened from another one and have not been gone to yet: the browser itself goes to them. */
const justOpened = new Set<number>()

export const lastActionIn = (tabId: number): number => lastActionAt.get(tabId) ?? 0
/** A tab was opened from another one. */
export function noteOpener(tabId: number): void {
  openedBy.set(tabId, Date.now())
  justOpened.add(tabId)
}

/** A tab is in view now.
 * @returns whether the browser itself went there, because it was opened just then */
export const cameIntoView = (tabId: number): boolean => justOpened.delete(tabId)

/** Which of the recording's tabs this is, counted from 0. */
async function tabIndex(recording: Recording, tabId: number): Promise<number> {
  const at = recording.tabs.indexOf(tabId)
  if (at >= 0) return at
  const now = await kept.recording()
  if (now && !now.tabs.includes(tabId))
    await kept.changeRecording((each) => (each.tabs.includes(tabId) ? each : { ...each, tabs: [...each.tabs, tabId] }))
  return (now?.tabs.indexOf(tabId) ?? -1) >= 0 ? now!.tabs.indexOf(tabId) : (now?.tabs.length ?? recording.tabs.length)
}

const shotOf = ({ id, widthPx, heightPx, source, certain }: KeptShot): Shot => ({ id: asShotId(id), widthPx, heightPx, source, certain })

async function put(recordingId: string, action: RawAction): Promise<void> {
  await kept.putAction({ id: action.id, recordingId, action, dropped: false, sent: false })
}

/** Whether there is no room for more: then the recording pauses and says so. */
async function isFull(recording: Recording): Promise<boolean> {
  if ((await kept.countActions()) < MAX_ACTIONS) return false
  const now = (await kept.recording()) ?? recording
  const trouble = `A recording holds ${MAX_ACTIONS} actions. Finish it, and record the rest as a second one.`
  if (now.status === 'recording')
    await kept.changeRecording((each) => (each.status === 'recording' ? { ...each, status: 'paused', trouble } : each))
  return true
}

/** Keeps an action that a page tells. Telling it again changes nothing. */
export async function takeAction(recording: Recording, tabId: number, frameId: number, told: ToldAction): Promise<void> {
  if ((await kept.hasAction(told.id)) || (await isFull(recording))) return
  const { pressId, freshShotId, ...rest } = told
  const { shotId, otherShotIds } = await shotsOfPress(pressId, freshShotId)
  const [shot, ...others] = await Promise.all([shotId, ...otherShotIds].map((id) => (id ? kept.shot(id) : undefined)))
  // A frame knows only itself: page and window are those of the page around it.
  const top = frameId === 0 ? undefined : topRest(tabId)
  const textBoxes = rest.textBoxes && [...rest.textBoxes, ...textElsewhere(tabId, frameId)].slice(0, MAX_TEXT_BOXES)
  await put(recording.id, {
    ...rest,
    ...(top ? { page: top.page, window: top.window } : {}),
    ...(textBoxes ? { textBoxes } : {}),
    tab: await tabIndex(recording, tabId),
    ...(shot ? { shot: shotOf(shot) } : {}),
    ...(others.length > 0 ? { otherShots: others.filter((each) => each !== undefined).map(shotOf) } : {}),
  })
  if (told.kind !== 'scroll') lastActionAt.set(tabId, told.at)
}

const bare = { scroll: { x: 0, y: 0 }, window: { width: 0, height: 0 }, devicePixelRatio: 1 }

/** A page is there. By itself that is a raw action of its own; the rules decide whether it is a step. */
export async function takeArrival(
  recording: Recording,
  tabId: number,
  arrival: { page: PageSeen; how: Arrival; index: number; at: number },
): Promise<void> {
  const { page, how, index, at } = arrival
  const before = historyIndex.get(tabId)
  historyIndex.set(tabId, index)
  if (await isFull(recording)) return
  const followed = at - lastActionIn(tabId) < FOLLOWS_WITHIN_MS || at - (openedBy.get(tabId) ?? 0) < FOLLOWS_WITHIN_MS
  const tab = await tabIndex(recording, tabId)
  const id = () => nanoid<ActionId>()
  if (how === 'again' || how === 'back_forward') {
    if (followed && at - lastActionIn(tabId) < 1_500) return
    const shotId = await newestShot(tabId)
    const shot = shotId ? await kept.shot(shotId) : undefined
    const kind = before !== undefined && index > before ? 'forward' : 'back'
    lastActionAt.set(tabId, at)
    return put(recording.id, { id: id(), kind, at, tab, page, ...bare, ...(shot ? { shot: shotOf(shot) } : {}) })
  }
  return put(recording.id, {
    id: id(),
    kind: 'page',
    at,
    tab,
    page,
    opened: how === 'reload' ? 'reload' : (wasTyped(tabId, at) ?? !followed) ? 'typed' : 'followed',
    ...bare,
  })
}

/** The person went to another browser tab. */
export async function takeSwitch(recording: Recording, tabId: number, own: string, at: number): Promise<void> {
  const tab = await chrome.tabs.get(tabId).catch(() => null)
  const address = tab?.url ?? ''
  if (!tab || !/^https?:/.test(address) || originOf(address) === own) return
  // Whether something was done in another tab before is for the rules to say: what other pages tell may be on its way yet.
  if (await isFull(recording)) return
  const index = await tabIndex(recording, tabId)
  const page = topRest(tabId)?.page ?? { address: originOf(address), title: '', heading: '', application: '', language: '' }
  await put(recording.id, { id: nanoid<ActionId>(), kind: 'switch-tab', at, tab: index, page, ...bare })
}

/** Takes over what pages wrote down and nobody had heard. */
export async function takePending(recording: Recording): Promise<void> {
  const all = await chrome.storage.local.get(null)
  for (const [key, value] of Object.entries(all)) {
    if (!key.startsWith(PENDING)) continue
    const told = value as ToldAction
    if (told.at >= recording.startedAt) await takeAction(recording, recording.tabs.at(-1) ?? 0, 0, told)
    await chrome.storage.local.remove(key)
  }
}

/** Throws away what pages wrote down: the recording is over. */
export async function forgetPending(): Promise<void> {
  const all = await chrome.storage.local.get(null)
  await chrome.storage.local.remove(Object.keys(all).filter((key) => key.startsWith(PENDING)))
}
