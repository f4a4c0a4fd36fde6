import { addressOf, FIRST_ANSWERS, type Endpoint, type ParamsOf, type QueryOf, type ResponseOf } from '@jackdaw/contracts/endpoint'

/** How long what came with the page is as good as asked for now, in milliseconds since the page was asked for. */
const GOOD_FOR_MS = 10_000

let answers: Map<string, unknown> | null = null
/** When they came, on the clock of `performance.now()`. */
let cameAt = 0

/** What the server sent along with the page, by address. */
function cameAlong(): Map<string, unknown> {
  if (answers) return answers
  const text = typeof document === 'undefined' ? null : document.getElementById(FIRST_ANSWERS)?.textContent
  const found: Record<string, unknown> = text ? JSON.parse(text) : {}
  return (answers = new Map(Object.entries(found)))
}

/** Puts answers in the place of those that came along with the page, by their addresses. */
export function putFirst(given: Record<string, unknown>): void {
  answers = new Map(Object.entries(given))
  cameAt = performance.now()
}

/** The answer of an endpoint that came along with the page. It stays there, see {@link takeFirst}. */
export function firstAnswer<E extends Endpoint>(
  endpoint: E,
  { params, query }: { params?: ParamsOf<E>; query?: QueryOf<E> } = {},
): ResponseOf<E> | undefined {
  if (performance.now() - cameAt > GOOD_FOR_MS) return undefined
  return cameAlong().get(addressOf(endpoint, params as Record<string, unknown>, query as Record<string, unknown>)) as
    ResponseOf<E> | undefined
}

/** Takes an answer that came along with the page: whoever asks again asks the server. */
export function takeFirst(address: string): { answer: unknown } | null {
  const all = cameAlong()
  if (!all.has(address) || performance.now() - cameAt > GOOD_FOR_MS) return null
  const answer = all.get(address)
  all.delete(address)
  return { answer }
}

/** Lets go of what was answered before it was asked for, along with the page or by what keeps its frame: it has become old. */
export function forgetAhead(address: string): void {
  takeFirst(address)
  navigator.serviceWorker?.controller?.postMessage('forget')
}
