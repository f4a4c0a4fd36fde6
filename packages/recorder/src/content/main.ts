import { nanoid } from 'nanoid'
import type { Orders, ToPage } from '../shared/messages'
import { FrameRecorder } from './frameRecorder'
import { tell } from './link'

/** Set while this frame records: the script may be put into it more than once. */
const world = globalThis as { jackdawRecords?: boolean }

/** What the background waits for an answer to. */
const ANSWERED: ReadonlySet<ToPage['tell']> = new Set(['still', 'veil', 'flush'])

function listenTo(recorder: FrameRecorder): void {
  const listen = (message: ToPage, _sender: chrome.runtime.MessageSender, answer: (value: unknown) => void) => {
    const result = recorder.hear(message)
    if (message.tell === 'stop') {
      world.jackdawRecords = false
      chrome.runtime.onMessage.removeListener(listen)
    }
    if (!ANSWERED.has(message.tell)) return false
    void Promise.resolve(result).then((value) => answer(value ?? null))
    return true
  }
  chrome.runtime.onMessage.addListener(listen)
}

async function begin(): Promise<void> {
  if (world.jackdawRecords) return
  world.jackdawRecords = true
  const doc = nanoid()
  const orders = await tell<Orders | null>({ say: 'hello', doc, top: window === top })
  if (orders) listenTo(new FrameRecorder(doc, orders))
  else world.jackdawRecords = false
}
void begin()
