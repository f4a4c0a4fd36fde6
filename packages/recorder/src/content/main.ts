import { nanoid } from 'nanoid'
import { readStandingOrders } from '../shared/standingOrders'
import type { Orders, StandingOrders, ToPage } from '../shared/messages'
import { FrameRecorder } from './frameRecorder'
import { tell } from './link'

/** Set while this frame records: the script may be put into it more than once. */
const world = globalThis as { jackdawRecords?: boolean }

/** What the background waits for an answer to. */
const ANSWERED: ReadonlySet<ToPage['tell']> = new Set(['still', 'veil', 'flush'])

/** @returns ends the recorder, and hears nothing for it any more */
function listenTo(recorder: FrameRecorder): () => void {
  const end = () => {
    chrome.runtime.onMessage.removeListener(listen)
    recorder.hear({ tell: 'stop' })
    world.jackdawRecords = false
  }
  const listen = (message: ToPage, _sender: chrome.runtime.MessageSender, answer: (value: unknown) => void) => {
    if (message.tell === 'stop') {
      end()
      return false
    }
    const result = recorder.hear(message)
    if (!ANSWERED.has(message.tell)) return false
    void Promise.resolve(result).then((value) => answer(value ?? null))
    return true
  }
  chrome.runtime.onMessage.addListener(listen)
  return end
}

const AGAIN_AFTER_MS = 700
/** Greets the background until it answers: it may be starting just now.
 * @returns `null` when this page is not recorded */
async function greet(doc: string): Promise<Orders | null> {
  for (;;) {
    const orders = await tell<Orders | null>({ say: 'hello', doc, top: window === top })
    if (orders !== undefined) return orders
    if (!chrome.runtime?.id) return null // the extension was loaded anew
    await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER_MS))
  }
}

/** Whether this is a page of Jackdaw, or a frame in one. */
const isHome = ({ home }: StandingOrders): boolean => location.origin === home || [...location.ancestorOrigins].includes(home)

async function begin(): Promise<void> {
  if (world.jackdawRecords) return
  world.jackdawRecords = true
  const doc = nanoid()
  const greeting = greet(doc)
  const start = (orders: StandingOrders) => {
    const recorder = new FrameRecorder(doc, orders)
    return { recorder, end: listenTo(recorder) }
  }
  // Whoever is quick clicks before the background has answered.
  const standing = await readStandingOrders()
  const early = standing && !isHome(standing) ? start(standing) : null
  const orders = await greeting
  if (!orders) {
    early?.end()
    world.jackdawRecords = false
  } else if (!early) start(orders).recorder.greeted(orders)
  // It may have been ended while the background was being greeted.
  else if (world.jackdawRecords) early.recorder.greeted(orders)
}
void begin()
