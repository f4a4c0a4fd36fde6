import type { FromPage, ToldAction } from '../shared/messages'

const AGAIN_AFTER_MS = 700
export const PENDING = 'pending:'

/** What went wrong with a message that nobody was there to hear: the worker was being stopped, or the extension was loaded anew. */
const isNobody = (error: unknown): boolean =>
  error instanceof Error && /receiving end|message port closed|message channel closed|context invalidated/i.test(error.message)

/** Tells the background something, once. */
export async function tell<T>(message: FromPage): Promise<T | undefined> {
  try {
    return await chrome.runtime.sendMessage<FromPage, T>(message)
  } catch (error) {
    if (isNobody(error)) return undefined
    throw error
  }
}

/** Tells an action until the background says that it is kept. It is written down first, so that it survives this page and the worker. */
export async function keep(action: ToldAction): Promise<void> {
  const key = `${PENDING}${action.id}`
  const written = chrome.storage.local.set({ [key]: action })
  for (;;) {
    const answer = await tell<{ kept: boolean }>({ say: 'action', action })
    if (answer?.kept) break
    if (!chrome.runtime?.id) return // the extension was loaded anew; what is written down is found by the new one
    await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER_MS))
  }
  await written
  await chrome.storage.local.remove(key)
}
