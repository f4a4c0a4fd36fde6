import { addressOf, type BodyOf, type Endpoint, type ParamsOf, type QueryOf, type ResponseOf } from '@jackdaw/contracts/endpoint'
import type { Problem } from '@jackdaw/contracts/problems'
import { firstAnswer, takeFirst } from './firstAnswers'

/** The server refused, and says why. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title)
    this.name = 'ApiProblem'
  }
}
/** The server cannot be reached. */
export class Unreachable extends Error {
  constructor() {
    super('The server cannot be reached')
    this.name = 'Unreachable'
  }
}

let session = { csrf: '', personId: '' }
/** Remembers whose session this page belongs to, and its token; requests that change something carry it. */
export const setSession = (me: { csrf: string; id: string } | null): void =>
  void (session = { csrf: me?.csrf ?? '', personId: me?.id ?? '' })

/** The token that requests carry which are not made here, such as those of long uploads. */
export const sessionToken = (): string => session.csrf

/** Gets the token anew after the same person has signed in again in another tab. Somebody else's session is never used. */
export async function renewToken(): Promise<boolean> {
  const response = await fetch('/api/session', { credentials: 'same-origin' })
  const me: { csrf: string; id: string } | null = response.ok ? await response.json() : null
  if (!me || me.id !== session.personId || me.csrf === session.csrf) return false
  setSession(me)
  return true
}

type Part<K extends string, T> = [T] extends [undefined] ? { [P in K]?: undefined } : { [P in K]: T }
export type CallInput<E> = Part<'params', ParamsOf<E>> &
  Part<'query', QueryOf<E>> &
  Part<'body', BodyOf<E>> & { bytes?: Blob; signal?: AbortSignal; keepalive?: boolean }

const problemOf = async (response: Response): Promise<ApiProblem> =>
  problemIn(response.status, response.headers.get('content-type'), await response.text())
/** The problem that an answer tells. */
export function problemIn(status: number, type: string | null | undefined, text: string): ApiProblem {
  if (type?.includes('problem+json')) return new ApiProblem(JSON.parse(text) as Problem)
  return new ApiProblem({ type: 'about:blank', code: 'internal', title: `The server answered ${status}`, status })
}

async function send(endpoint: Endpoint, input: object): Promise<Response> {
  const { params, query, body, bytes, signal, keepalive } = input as {
    params?: Record<string, unknown>
    query?: Record<string, unknown>
    body?: unknown
    bytes?: Blob
    signal?: AbortSignal
    keepalive?: boolean
  }
  const headers: Record<string, string> = {}
  if (endpoint.method !== 'get') headers['x-csrf-token'] = session.csrf
  if (bytes) headers['content-type'] = bytes.type || 'application/octet-stream'
  else if (body !== undefined) headers['content-type'] = 'application/json'
  try {
    return await fetch(addressOf(endpoint, params, query), {
      method: endpoint.method.toUpperCase(),
      headers,
      credentials: 'same-origin',
      ...(bytes ? { body: bytes } : body !== undefined ? { body: JSON.stringify(body) } : {}),
      ...(signal ? { signal } : {}),
      ...(keepalive ? { keepalive } : {}),
    })
  } catch (error) {
    if (signal?.aborted) throw error
    throw new Unreachable()
  }
}

const firstOf = (endpoint: Endpoint, { params, query }: { params?: unknown; query?: unknown }) =>
  endpoint.method === 'get' ? takeFirst(addressOf(endpoint, params as Record<string, unknown>, query as Record<string, unknown>)) : null

async function answerTo(endpoint: Endpoint, input: object): Promise<Response> {
  let response = await send(endpoint, input)
  if (response.status === 403 && endpoint.method !== 'get' && (await renewToken())) response = await send(endpoint, input)
  if (!response.ok) {
    const problem = await problemOf(response)
    if (response.status === 401 && endpoint.path !== '/api/session') window.dispatchEvent(new Event('jackdaw:signed-out'))
    throw problem
  }
  return response
}

/** Calls an endpoint. What came along with the page is taken from there, once.
 * @throws ApiProblem when the server refuses, Unreachable when there is no answer */
export async function call<E extends Endpoint>(endpoint: E, input: CallInput<E>): Promise<ResponseOf<E>> {
  const first = firstOf(endpoint, input)
  if (first) return first.answer as ResponseOf<E>
  const response = await answerTo(endpoint, input)
  return (response.status === 204 ? undefined : await response.json()) as ResponseOf<E>
}

/** Calls an endpoint that answers with a file. @throws as {@link call} */
export const callForFile = async <E extends Endpoint>(endpoint: E, input: CallInput<E>): Promise<Blob> =>
  (await answerTo(endpoint, input)).blob()

/** How a query reads an endpoint: what came along with the page is there at once. */
export const reading = <E extends Endpoint>(endpoint: E, input: Omit<CallInput<E>, 'signal' | 'body'>) => ({
  initialData: () => firstAnswer(endpoint, input as { params?: ParamsOf<E>; query?: QueryOf<E> }),
  queryFn: ({ signal }: { signal: AbortSignal }) => call(endpoint, { ...input, signal } as CallInput<E>),
})

/** What to say about an error. `words`: the detail before anything (`into`) was put into its places, where something was. */
export function wordsFor(error: unknown): { title: string; detail: string; words?: string; into?: Record<string, string | number> } {
  if (error instanceof ApiProblem) {
    const { title, detail = '', words, into } = error.problem
    return { title, detail, ...(words === undefined ? {} : { words, into: into ?? {} }) }
  }
  if (error instanceof Unreachable)
    return { title: 'The server cannot be reached', detail: 'Check the connection; what you see stays on this page.' }
  return { title: 'Something went wrong on this page', detail: error instanceof Error ? error.message : '' }
}
