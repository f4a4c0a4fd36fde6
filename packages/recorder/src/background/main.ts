import { AskRecorder, type RecorderAnswer } from '@jackdaw/contracts/recording'
import { originOf } from '@jackdaw/core/recording'
import { PENDING } from '../content/link'
import type { BarWish, FromPage, FromPanel, Orders, ToPage } from '../shared/messages'
import { openToScripts } from '../shared/standingOrders'
import { afterRestart, carryOut, homeOrigin, look, pair, SEND_AGAIN, sends, sendWhatIsLeft, setHiding, start, unpair } from './control'
import { cameIntoView, lastActionIn, noteOpener, takeAction, takeArrival, takePending, takeSwitch } from './intake'
import { broadcast, shownNow } from './recordingState'
import { watchNavigations } from './navigations'
import { mayLook } from './scripts'
import { forgetFrame, forgetTab, onAreas, onDirty, onPress, onRest } from './shots'
import { kept } from './store'

/** Things that change what is kept happen one after the other. */
let queue: Promise<unknown> = Promise.resolve()
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = queue.then(work)
  queue = mine.catch(() => undefined)
  return mine
}
const SEND_SOON_MS = 400
let sending: ReturnType<typeof setTimeout> | undefined
/** Sends beside everything else: a slow network holds nothing up. */
const sendSoon = () => {
  clearTimeout(sending)
  sending = setTimeout(() => void sendWhatIsLeft(), SEND_SOON_MS)
}

/** Carries out in turn what somebody wishes. What it leads to be sent is sent beside, so that nothing waits for a slow network.
 * @returns what stands in the way; empty when nothing does */
async function wished(wish: BarWish): Promise<string> {
  const why = await inTurn(() => carryOut(wish))
  return why === '' && sends(wish) ? sendWhatIsLeft() : why
}

/** Lets all frames of a tab begin or end to be pointed at. */
const pointIn = (tabId: number, what: 'point' | 'unpoint') => chrome.tabs.sendMessage<ToPage>(tabId, { tell: what }).catch(() => null) // the tab is gone

/** Jackdaw's own pages are never recorded. */
const isJackdaw = async (address: string): Promise<boolean> => {
  const pairing = await kept.pairing()
  return pairing !== undefined && originOf(address) === originOf(pairing.origin)
}

async function fromPage(message: FromPage, tabId: number, frameId: number, address: string): Promise<unknown> {
  switch (message.say) {
    case 'areas':
      return onAreas(message.pressId, message.areas)
    case 'dirty':
      return onDirty(tabId, frameId, message.doc)
    case 'press':
      return onPress(kept.recording(), tabId, frameId, message.press)
    case 'beat':
      return null
    case 'wish':
      if (message.wish === 'point' || message.wish === 'unpoint') return pointIn(tabId, message.wish)
      return wished(message.wish)
    case 'hiding':
      return inTurn(() => setHiding(message.hiding))
  }
  // Before anything that the new document tells: what is known of the old one is of no use to it.
  if (message.say === 'hello') forgetFrame(tabId, frameId)
  const recording = await kept.recording()
  if (!recording) return null
  switch (message.say) {
    case 'hello': {
      const { id, names, secret, startedAt, status } = recording
      if (status === 'finishing' || status === 'interrupted' || (await isJackdaw(address))) return null
      const home = originOf((await kept.pairing())?.origin ?? '')
      const orders: Orders = {
        recordingId: id,
        names,
        secret,
        home,
        shown: await shownNow(),
        lastActionAt: lastActionIn(tabId),
        startedAt,
        first: recording.tabs.length === 0,
      }
      return orders
    }
    case 'rest':
      return recording.status === 'recording' ? onRest(recording.id, tabId, frameId, message.rest) : null
    case 'action':
      await inTurn(() => takeAction(recording, tabId, frameId, message.action))
      // Written down by the page, which may be gone before it can clear that away itself.
      await chrome.storage.local.remove(`${PENDING}${message.action.id}`)
      void broadcast()
      sendSoon()
      return { kept: true }
    case 'arrived':
      if (recording.status !== 'recording') return null
      await inTurn(() => takeArrival(recording, tabId, message))
      sendSoon()
      return broadcast()
  }
}

async function fromPanel(message: FromPanel): Promise<unknown> {
  switch (message.panel) {
    case 'look':
      return look('')
    case 'pair':
      return look(await pair(message.code))
    case 'unpair':
      await unpair()
      return look('')
    case 'start':
      return look(await inTurn(() => start(message)))
    case 'wish':
      return look(await wished(message.wish))
    case 'hiding':
      await inTurn(() => setHiding(message.hiding))
      return look('')
  }
}

chrome.runtime.onMessage.addListener((message: FromPage | FromPanel, sender, answer) => {
  const fromOurs = sender.id === chrome.runtime.id
  if (!fromOurs) return false
  const done =
    'panel' in message
      ? sender.url?.startsWith(chrome.runtime.getURL('')) && fromPanel(message)
      : sender.tab?.id !== undefined && fromPage(message, sender.tab.id, sender.frameId ?? 0, sender.tab.url ?? '')
  if (!done) return false
  void done.then((value) => answer(value ?? null))
  return true
})

/** What Jackdaw's own pages may ask. */
async function fromJackdaw(message: unknown): Promise<RecorderAnswer> {
  const parsed = AskRecorder.safeParse(message)
  if (!parsed.success) return { ok: false, why: 'The recorder does not understand this page. Load the newest recorder from Jackdaw.' }
  const ask = parsed.data
  if (ask.ask === 'pair') {
    const why = await pair(ask.code)
    if (why !== '') return { ok: false, why }
  }
  if (ask.ask === 'record') {
    if (await kept.recording()) return { ok: false, why: 'A recording is running already. Finish it first.' }
    if (!(await kept.pairing())) return { ok: false, why: 'This browser is not paired with Jackdaw yet.' }
    const why = (await mayLook()) ? await inTurn(() => start(ask)) : ''
    if (why !== '') return { ok: false, why }
    if (!(await kept.recording())) {
      // The browser asks for leave only when somebody presses a button of ours: the panel has it.
      await kept.setAsked({ address: ask.address, language: ask.language, target: ask.target })
      await chrome.tabs.create({ url: chrome.runtime.getURL('panel.html') })
    }
  }
  return {
    ok: true,
    version: chrome.runtime.getManifest().version,
    paired: (await kept.pairing()) !== undefined,
    recording: (await kept.recording()) !== undefined,
  }
}
chrome.runtime.onMessageExternal.addListener((message: unknown, sender, answer: (value: RecorderAnswer) => void) => {
  // The manifest lets in a host with all its ports; Jackdaw is only one of them.
  void homeOrigin().then(async (home) => sender.origin === home && answer(await fromJackdaw(message)))
  return true
})

chrome.tabs.onRemoved.addListener((tabId) => forgetTab(tabId))
chrome.tabs.onCreated.addListener((tab) => {
  if (tab.id !== undefined && tab.openerTabId !== undefined) noteOpener(tab.id)
})
const wentTo = (tabId: number) => {
  const at = Date.now()
  if (cameIntoView(tabId)) return
  void inTurn(async () => {
    const [recording, pairing] = await Promise.all([kept.recording(), kept.pairing()])
    if (recording?.status !== 'recording' || !(await mayLook())) return
    await takeSwitch(recording, tabId, pairing?.origin ?? '', at)
    await broadcast()
  })
}
chrome.tabs.onActivated.addListener(({ tabId }) => wentTo(tabId))
chrome.windows.onFocusChanged.addListener((windowId) => {
  if (windowId === chrome.windows.WINDOW_ID_NONE) return
  void chrome.tabs.query({ active: true, windowId }).then(([tab]) => tab?.id !== undefined && wentTo(tab.id))
})
chrome.runtime.onStartup.addListener(() => void afterRestart())
chrome.alarms.onAlarm.addListener((alarm) => {
  if (alarm.name === SEND_AGAIN) sendSoon()
})
watchNavigations()
void openToScripts()
/** Each time the worker begins to live: what pages wrote down while nobody was there, and what has not been sent. */
void inTurn(async () => {
  const recording = await kept.recording()
  if (!recording) return
  await takePending(recording)
  sendSoon()
})
