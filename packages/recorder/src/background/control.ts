import { discardRecording, endPairing, pairRecorder, startRecording } from '@jackdaw/contracts/recording'
import { MAX_ACTIONS, type RecordingId } from '@jackdaw/core/recording'
import { nanoid } from 'nanoid'
import type { BarWish, Hiding } from '../shared/messages'
import { forgetPending, takePending } from './intake'
import { sendAll, sendAndFinish } from './outbox'
import { broadcast, lastStepIds, shownNow, toAllTabs } from './recordingState'
import { intoPages, mayLook, outOfPages } from './scripts'
import { callServer, NoAnswer, Refusal } from './server'
import { forgetAheads } from './shots'
import { kept, type Asked, type Pairing, type Recording } from './store'
import { within } from './within'

const SEND_AGAIN = 'send-again'
const FLUSH_WITHIN_MS = 600

/** Where this extension's Jackdaw is: written into it by the Jackdaw that it was fetched from. */
export async function homeOrigin(): Promise<string> {
  const response = await fetch(chrome.runtime.getURL('jackdaw.json')).catch(() => null)
  if (!response?.ok) return ''
  const home: { origin: string } = await response.json()
  return home.origin
}

export async function pair(code: string): Promise<string> {
  const origin = await homeOrigin()
  const name = `${navigator.userAgent.includes('Edg/') ? 'Edge' : 'Chromium'} on ${(await chrome.runtime.getPlatformInfo()).os}`
  try {
    const { token, person, company } = await callServer({ origin }, pairRecorder, { body: { code, name } })
    await kept.setPairing({ origin, token, person, company })
    return sendWhatIsLeft()
  } catch (error) {
    return told(error)
  }
}
export async function unpair(): Promise<void> {
  const pairing = await kept.pairing()
  if (pairing) await callServer(pairing, endPairing, {}).catch(() => undefined) // ended here in any case
  await kept.setPairing(null)
}

/** What to say about something that went wrong. A fault of our own is told, too: what was recorded is still there. */
function told(error: unknown): string {
  if (error instanceof NoAnswer)
    return 'Jackdaw cannot be reached. What was recorded is kept in this browser and sent when Jackdaw answers.'
  if (error instanceof Refusal) return error.message
  console.error(error)
  return `The recorder has a fault: ${error instanceof Error ? error.message : String(error)}. What was recorded is kept; save it as a file.`
}

/** Begins to record.
 * @returns what stands in the way; empty when it runs */
export async function start(asked: Asked): Promise<string> {
  const pairing = await kept.pairing()
  if (!pairing) return 'Pair this browser with Jackdaw first.'
  if (await kept.recording()) return 'A recording is running already. Finish it first.'
  if (asked.address !== '' && !/^https?:\/\//i.test(asked.address))
    return 'Only pages on the web can be recorded; the address has to begin with https:// or http://.'
  if (!(await mayLook())) return 'The recorder has no leave to look at pages.'
  const id = nanoid<RecordingId>()
  try {
    const { names } = await callServer(pairing, startRecording, { body: { id, language: asked.language, target: asked.target } })
    await kept.setAsked(null)
    const recording: Recording = {
      ...asked,
      id,
      names,
      status: 'recording',
      secret: nanoid(),
      tabs: [],
      startedAt: Date.now(),
      trouble: '',
    }
    await kept.setRecording(recording)
  } catch (error) {
    return told(error)
  }
  await intoPages(pairing.origin)
  if (asked.address !== '') await chrome.tabs.create({ url: asked.address })
  await broadcast()
  return ''
}

const change = (to: Partial<Recording>): Promise<void> => kept.changeRecording((now) => ({ ...now, ...to }))

async function dropLast(): Promise<void> {
  await kept.changeActions(await lastStepIds(), { dropped: true })
  await broadcast()
}

/** Goes on after a pause, or after the browser was closed in the middle. */
async function goOn(): Promise<string> {
  const pairing = await kept.pairing()
  if (!pairing) return 'Pair this browser with Jackdaw first; what was recorded is kept.'
  if (!(await mayLook())) return 'The recorder has no leave to look at pages.'
  await change({ status: 'recording', trouble: '' })
  await intoPages(pairing.origin)
  await broadcast()
  return ''
}

/** Ends the recording: pages tell the last that they know. What is left is to be sent then. */
async function finish(): Promise<string> {
  const recording = await kept.recording()
  if (!recording) return ''
  if (recording.status === 'recording') {
    await within(FLUSH_WITHIN_MS, toAllTabs({ tell: 'flush' }), undefined)
    await takePending(recording)
  }
  await change({ status: 'finishing', trouble: '' })
  await broadcast()
  return ''
}

let running: Promise<string> | null = null
let next: Promise<string> | null = null
/** Sends what is there; after the end also has the draft written. Tried again until it works. There is never more than one sender: whoever
 * asks while one is at work gets what the next one says.
 * @returns what stands in the way; empty when nothing does */
export function sendWhatIsLeft(): Promise<string> {
  if (!running) {
    running = send().finally(() => (running = null))
    return running
  }
  next ??= running
    .catch(() => '')
    .then(() => {
      next = null
      return sendWhatIsLeft()
    })
  return next
}

/** @param begunAnew Jackdaw had to begin the recording again: that is tried once */
async function send(begunAnew = false): Promise<string> {
  const [recording, pairing] = await Promise.all([kept.recording(), kept.pairing()])
  if (!recording) return ''
  if (!pairing) {
    const why = 'This browser is not paired with Jackdaw any more. Pair it again and what was recorded is sent; it is kept here.'
    await trouble(why)
    return why
  }
  try {
    if (recording.status !== 'finishing') {
      await sendAll(pairing, recording)
      if (recording.trouble !== '' && (await kept.countActions()) < MAX_ACTIONS) await trouble('')
      return ''
    }
    const { guideId, firstStep } = await sendAndFinish(pairing, recording)
    await end()
    await chrome.tabs.create({ url: `${pairing.origin}/guides/${guideId}/edit${firstStep ? `?step=${firstStep}` : ''}` })
    return ''
  } catch (error) {
    return waitFor(error, pairing, recording, begunAnew)
  }
}

/** The guide that it was recorded for is gone, in the archive, or another's now. */
const TARGET_CODES: ReadonlySet<string> = new Set(['not-allowed', 'item-archived'])

/** What stands in the way is told, and whatever can be done about it without the person is done. */
async function waitFor(error: unknown, pairing: Pairing, recording: Recording, begunAnew: boolean): Promise<string> {
  const now = await kept.recording()
  if (now?.id !== recording.id) return '' // thrown away meanwhile
  if (error instanceof Refusal && error.code === 'not-found' && !begunAnew && (await beginAnew(pairing, now))) return send(true)
  if (error instanceof Refusal && now.status === 'finishing' && TARGET_CODES.has(error.code)) await change({ noTarget: true })
  if (error instanceof Refusal && error.code === 'not-paired') await kept.setPairing(null)
  return sendLater(told(error))
}
async function sendLater(why: string): Promise<string> {
  await trouble(why)
  await chrome.alarms.create(SEND_AGAIN, { delayInMinutes: 0.5 })
  return why
}

/** Jackdaw has thrown the recording away, or it belongs to another person's pairing: it is begun again under another id, and all of it is
 * sent anew. Where the guide that it was recorded for is gone, it becomes one of its own.
 * @returns whether Jackdaw has begun it */
async function beginAnew(pairing: Pairing, recording: Recording): Promise<boolean> {
  const id = nanoid<RecordingId>()
  for (const target of recording.target && !recording.ownGuide ? [recording.target, null] : [null])
    try {
      await callServer(pairing, startRecording, { body: { id, language: recording.language, target } })
      const [actions, shots] = await Promise.all([kept.actions(), kept.shots()])
      await kept.changeActions(
        actions.map((each) => each.id),
        { sent: false },
      )
      await kept.changeShots(
        shots.map((each) => each.id),
        { sent: false },
      )
      await change({ id, target })
      return true
    } catch (error) {
      if (!(error instanceof Refusal || error instanceof NoAnswer)) throw error
    }
  return false
}

async function trouble(words: string): Promise<void> {
  await change({ trouble: words })
  await broadcast()
}

/** Leaves all pages, gives back the leave to look at them, and forgets the recording. */
async function end(): Promise<void> {
  await toAllTabs({ tell: 'stop' })
  await outOfPages()
  await kept.forgetRecording()
  await forgetPending()
  await chrome.alarms.clear(SEND_AGAIN)
  await broadcast()
}

async function discard(): Promise<string> {
  const [recording, pairing] = await Promise.all([kept.recording(), kept.pairing()])
  if (recording && pairing)
    await callServer(pairing, discardRecording, { params: { id: recording.id as RecordingId } }).catch((error: unknown) => {
      // What Jackdaw has of it is thrown away there after a while by itself.
      console.info('could not tell Jackdaw:', told(error))
    })
  await end()
  return ''
}

/** Whether what is left has to be sent once a wish is carried out. */
export const sends = (wish: BarWish): boolean => wish === 'finish' || wish === 'own-guide'

export async function carryOut(wish: BarWish): Promise<string> {
  switch (wish) {
    case 'pause':
      await change({ status: 'paused' })
      await broadcast()
      return ''
    case 'go-on':
      return goOn()
    case 'drop':
      await dropLast()
      return ''
    case 'finish':
      return finish()
    case 'own-guide':
      await change({ ownGuide: true, noTarget: false })
      return finish()
    case 'discard':
      return discard()
    case 'point':
    case 'unpoint':
      return ''
  }
}

export async function setHiding(hiding: Hiding): Promise<void> {
  await kept.setHiding(hiding)
  forgetAheads()
  await broadcast()
}

/** The browser was started anew: a recording that ran when it was closed waits for its person. */
export async function afterRestart(): Promise<void> {
  const recording = await kept.recording()
  if (recording && recording.status !== 'finishing') await change({ status: 'interrupted' })
  await broadcast()
}

export const look = async (problem: string) => {
  const [shown, pairing, asked] = await Promise.all([shownNow(), kept.pairing(), kept.asked()])
  return { shown, origin: pairing?.origin ?? (await homeOrigin()), person: pairing?.person ?? '', asked, problem }
}
export { SEND_AGAIN }
