import type { Rect } from '@jackdaw/core/guides'
import type { ShotId, TextBox } from '@jackdaw/core/recording'
import { nanoid } from 'nanoid'
import type { Press, Rest, ToPage } from '../shared/messages'
import { filled, takeNow, takeSoon, untilNext, type Picture } from './capture'
import { kept, type KeptShot, type Recording } from './store'
import { within } from './within'

type Frame = { rest: Rest; dirty: boolean }
type Tab = { frames: Map<number, Frame>; ahead: { shotId: string; doc: string } | null; turn: number }
/** The pictures of an action: the best one, and others from about the same time. */
export type ActionShots = { shotId: string | null; otherShotIds: string[] }

const AREAS_WITHIN_MS = 2_000
const tabs = new Map<number, Tab>()
const found = new Map<string, Promise<ActionShots>>()
const areasOf = new Map<string, (areas: Rect[]) => void>()

const tabOf = (id: number): Tab => {
  const known = tabs.get(id)
  if (known) return known
  const made: Tab = { frames: new Map(), ahead: null, turn: 0 }
  tabs.set(id, made)
  return made
}
export const forgetTab = (id: number): void => void tabs.delete(id)
/** A frame shows another document now. A picture that was about to be taken would show it with what was to be hidden in the one before. */
export function forgetFrame(tabId: number, frameId: number): void {
  const tab = tabOf(tabId)
  tab.turn++
  if (frameId === 0) tab.frames.clear()
  else tab.frames.delete(frameId)
}
/** What is to be hidden is another now: no picture from before that is used any more, not even as one that is not certain. */
export function forgetAheads(): void {
  for (const tab of tabs.values()) {
    tab.turn++
    tab.ahead = null
  }
}
/** How the page around all frames of a tab stood when it was last at rest. */
export const topRest = (tabId: number): Rest | undefined => tabs.get(tabId)?.frames.get(0)?.rest
/** Text in all other frames of a tab. */
export const textElsewhere = (tabId: number, frameId: number): TextBox[] =>
  [...(tabs.get(tabId)?.frames ?? [])].filter(([id]) => id !== frameId).flatMap(([, { rest }]) => rest.textBoxes)

const ANSWERS_WITHIN_MS = 1_500
/** Asks a frame. One that is gone, or that does not answer in time, has nothing to say: nothing waits on a frame for ever. */
const ask = (tabId: number, frameId: number, message: ToPage): Promise<unknown> =>
  within(
    ANSWERS_WITHIN_MS,
    chrome.tabs.sendMessage(tabId, message, { frameId }).catch(() => null),
    null,
  )
type Still = { changes: number; presses: number } | null

/** Whether the browser still has a frame. Without leave to ask, nothing is known against it. */
const isThere = async (tabId: number, frameId: number): Promise<boolean> =>
  !chrome.webNavigation || (await chrome.webNavigation.getFrame({ tabId, frameId }).catch(() => null)) !== null

/** How a frame stands: as it was; changed, or about to show another document; taken out of the page. */
async function standingOf(tabId: number, frameId: number, { doc, changes }: Rest): Promise<'still' | 'changed' | 'gone'> {
  const now = (await ask(tabId, frameId, { tell: 'still', doc })) as Still
  if (now) return now.changes === changes ? 'still' : 'changed'
  return (await isThere(tabId, frameId)) ? 'changed' : 'gone'
}

type ShotFacts = Pick<KeptShot, 'source' | 'certain' | 'used' | 'takenAt'>
async function keep(id: string, { blob, widthPx, heightPx }: Picture, recordingId: string, facts: ShotFacts): Promise<void> {
  await kept.putShot({ id, recordingId, blob, widthPx, heightPx, sent: false, ...facts })
}

/** A frame has come to rest: when all frames have, a picture is taken ahead of whatever is done next. */
export async function onRest(recordingId: string, tabId: number, frameId: number, rest: Rest): Promise<void> {
  tabOf(tabId).frames.set(frameId, { rest, dirty: false })
  await takeAhead(recordingId, tabId)
}

async function takeAhead(recordingId: string, tabId: number): Promise<void> {
  const tab = tabOf(tabId)
  const turn = ++tab.turn
  const answer = (shotId: string | null) =>
    Promise.all(
      [...tab.frames].map(([id, { rest: each }]) =>
        ask(tabId, id, { tell: 'captured', doc: each.doc, shotId, changes: each.changes, presses: each.presses }),
      ),
    )
  const wanted = () => turn === tab.turn && [...tab.frames.values()].every((frame) => !frame.dirty)
  // Somebody may be pressing a button of the bar: it is in the picture then, and another one is taken afterwards.
  const veiled = async () => (await ask(tabId, 0, { tell: 'veil' })) === true || !tab.frames.has(0)
  const data = await takeSoon(tabId, wanted, veiled)
  const takenAt = Date.now()
  // Whatever came to rest later has its own picture taken, and shows the bar again.
  if (turn !== tab.turn) return
  const frames = [...tab.frames]
  const standing = await Promise.all(frames.map(([id, frame]) => standingOf(tabId, id, frame.rest)))
  if (turn !== tab.turn) return
  // Pages take frames out again. What those showed is no part of the page any more, and they never come to rest.
  const gone = frames.filter((_, n) => standing[n] === 'gone')
  for (const [id] of gone) tab.frames.delete(id)
  if (gone.length > 0 && tab.frames.size > 0) return takeAhead(recordingId, tabId)
  if (data === null || !standing.every((each) => each === 'still')) return void (await answer(null))
  // The picture is taken: pages may count on it while it is still being filled and packed.
  const shotId = nanoid()
  const before = tab.ahead
  const top = tab.frames.get(0)?.rest ?? frames[0]![1].rest
  tab.ahead = { shotId, doc: top.doc }
  const stored = filled(data, areasIn(tab), top.window).then((picture) =>
    keep(shotId, picture, recordingId, { source: 'ahead', certain: true, used: false, takenAt }),
  )
  storing.set(shotId, stored)
  await Promise.all([answer(shotId), stored])
  storing.delete(shotId)
  if (before) await kept.dropShot(before.shotId)
}
/** Pictures that are still being filled and packed. */
const storing = new Map<string, Promise<void>>()

const near = (a: Rect, b: Rect): boolean => (['x', 'y', 'width', 'height'] as const).every((side) => Math.abs(a[side] - b[side]) <= 2)
/** Frames that stand in a page but for which no script of ours has answered: whatever they show is hidden. */
function unknownIn(rests: readonly Rest[]): Rect[] {
  const places = rests.flatMap(({ place }) => place ?? [])
  return rests.flatMap(({ inner }) => inner).filter((seen) => !places.some((place) => near(place, seen)))
}
/** What is to be hidden in a tab as it was last at rest.
 * @param except a frame that says anew what is to be hidden in it */
function areasIn(tab: Tab, except?: number): Rect[] {
  const frames = [...tab.frames]
  return [...frames.filter(([id]) => id !== except).flatMap(([, { rest }]) => rest.areas), ...unknownIn(frames.map(([, { rest }]) => rest))]
}
const windowOf = (tab: Tab, rest: Pick<Rest, 'window'>) => tab.frames.get(0)?.rest.window ?? rest.window

export function onDirty(tabId: number, frameId: number, doc: string): void {
  const frame = tabOf(tabId).frames.get(frameId)
  if (frame?.rest.doc === doc) frame.dirty = true
}
export function onAreas(pressId: string, areas: Rect[]): void {
  areasOf.get(pressId)?.(areas)
  areasOf.delete(pressId)
}

const NONE: ActionShots = { shotId: null, otherShotIds: [] }

/** Something is being done: finds the picture from before it. Known under the press's id at once, so that the action, which may be told a
 * moment later, waits for it. */
export function onPress(recording: Promise<Recording | undefined>, tabId: number, frameId: number, press: Press): Promise<void> {
  const shots = recording
    .then((now) => (now?.status === 'recording' ? shotsFor(now.id, tabId, frameId, press) : NONE))
    .catch((error: unknown): ActionShots => {
      // An action without its picture is better than none; the draft says that the picture is missing.
      console.error('the picture failed:', error)
      return NONE
    })
  found.set(press.pressId, shots)
  return shots.then((result) => kept.putPress({ id: press.pressId, ...result }))
}

async function shotsFor(recordingId: string, tabId: number, frameId: number, press: Press): Promise<ActionShots> {
  const tab = tabOf(tabId)
  if (press.freshShotId !== null) {
    await storing.get(press.freshShotId)
    await kept.changeShots([press.freshShotId], { used: true, ...(press.blind ? { certain: false } : {}) })
    return { shotId: press.freshShotId, otherShotIds: [] }
  }
  // An earlier picture of the same document is surely from before; whether it still fits is not sure.
  const topDoc = frameId === 0 ? press.doc : (tab.frames.get(0)?.rest.doc ?? press.doc)
  const stale = tab.ahead?.doc === topDoc ? tab.ahead.shotId : null
  const taken = press.held && untilNext() === 0 ? await takenNow(recordingId, tabId, frameId, press, stale) : null
  if (taken?.certain) {
    return { shotId: taken.id, otherShotIds: [] }
  }
  const copy = stale ? await copyOf(stale) : null
  const all = [copy, taken?.id ?? null].filter((each) => each !== null)
  return { shotId: all[0] ?? null, otherShotIds: all.slice(1) }
}

/** The same picture for another action, marked as not certain. */
async function copyOf(shotId: string): Promise<string | null> {
  await storing.get(shotId)
  const shot = await kept.shot(shotId)
  if (!shot) return null
  const id = nanoid()
  await kept.putShot({ ...shot, id, used: true, sent: false, certain: false })
  return id
}

/** A picture at the press, while the page is held. It is kept only when nothing has changed until it was taken: otherwise it might show what
 * comes after, with things in it that nobody has hidden. */
async function takenNow(
  recordingId: string,
  tabId: number,
  frameId: number,
  press: Press,
  stale: string | null,
): Promise<{ id: string; certain: boolean } | null> {
  const tab = tabOf(tabId)
  const areas = new Promise<Rect[] | null>((resolve) => {
    areasOf.set(press.pressId, resolve)
    setTimeout(() => resolve(null), AREAS_WITHIN_MS)
  })
  const data = await takeNow(tabId)
  const takenAt = Date.now()
  const now = (await ask(tabId, frameId, { tell: 'still', doc: press.doc })) as Still
  const own = await areas
  areasOf.delete(press.pressId)
  const others = [...tab.frames].filter(([id]) => id !== frameId)
  if (!data || !own || now?.changes !== press.changes || others.some(([, frame]) => frame.dirty)) return null
  const hidden = [...own, ...areasIn(tab, frameId)]
  const patch = press.bar ? { area: press.bar, from: stale ? ((await kept.shot(stale))?.blob ?? null) : null } : undefined
  const picture = await filled(data, hidden, windowOf(tab, press), patch)
  const certain = !press.blind && !press.bar
  const id = nanoid()
  await keep(id, picture, recordingId, { source: 'press', certain, used: true, takenAt })
  return { id, certain }
}

/** The pictures of an action. What the worker does not know any more after it was stopped is found where it was written down. */
export async function shotsOfPress(pressId: string | null, freshShotId: string | null | undefined): Promise<ActionShots> {
  if (pressId === null) return NONE
  const known = (await found.get(pressId)) ?? (await kept.press(pressId))
  if (known) return known
  if (freshShotId) await storing.get(freshShotId)
  if (freshShotId && (await kept.shot(freshShotId))) {
    await kept.changeShots([freshShotId], { used: true })
    return { shotId: freshShotId, otherShotIds: [] }
  }
  return NONE
}

/** The newest picture of a tab, for what is done outside of its page. */
export async function newestShot(tabId: number): Promise<string | null> {
  const shotId = tabs.get(tabId)?.ahead?.shotId ?? null
  if (shotId) await kept.changeShots([shotId], { used: true })
  return shotId
}
export const asShotId = (id: string): ShotId => id as ShotId
