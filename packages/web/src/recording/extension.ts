import { RECORDER_EXTENSION_ID, RecorderAnswer, type AskRecorder } from '@jackdaw/contracts/recording'

type Runtime = { sendMessage?: (id: string, message: unknown, answer: (value: unknown) => void) => void; lastError?: unknown }
const ANSWERS_WITHIN_MS = 20_000

/** Asks the recorder in this browser.
 * @returns `null` when there is none, or when it does not answer */
export function askRecorder(ask: AskRecorder): Promise<RecorderAnswer | null> {
  const runtime = (globalThis as { chrome?: { runtime?: Runtime } }).chrome?.runtime
  return new Promise((resolve) => {
    if (!runtime?.sendMessage) return resolve(null)
    const timer = setTimeout(() => resolve(null), ANSWERS_WITHIN_MS)
    runtime.sendMessage(RECORDER_EXTENSION_ID, ask, (value) => {
      clearTimeout(timer)
      const parsed = RecorderAnswer.safeParse(runtime.lastError ? undefined : value)
      resolve(parsed.success ? parsed.data : null)
    })
  })
}
