import type { BodyOf, Endpoint, ParamsOf, ResponseOf } from '@jackdaw/contracts/endpoint'
import type { ProblemCode } from '@jackdaw/contracts/problems'

/** Jackdaw refused, and says why. */
export class Refusal extends Error {
  constructor(
    readonly code: ProblemCode | '',
    readonly status: number,
    detail: string,
  ) {
    super(detail)
    this.name = 'Refusal'
  }
}
/** Jackdaw did not answer. */
export class NoAnswer extends Error {
  constructor() {
    super('Jackdaw cannot be reached')
    this.name = 'NoAnswer'
  }
}

type Part<K extends string, T> = [T] extends [undefined] ? { [P in K]?: undefined } : { [P in K]: T }

/** Calls an endpoint in the name of the pairing. Cookies are never sent. */
export async function callServer<E extends Endpoint>(
  to: { origin: string; token?: string },
  endpoint: E,
  input: Part<'params', ParamsOf<E>> & Part<'body', BodyOf<E>> & { bytes?: Blob },
): Promise<ResponseOf<E>> {
  const { params, body, bytes } = input as { params?: Record<string, string>; body?: unknown; bytes?: Blob }
  const path = endpoint.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params?.[name] ?? ''))
  const headers: Record<string, string> = to.token ? { authorization: `Bearer ${to.token}` } : {}
  if (bytes) headers['content-type'] = bytes.type
  else if (body !== undefined) headers['content-type'] = 'application/json'
  const response = await fetch(to.origin + path, {
    method: endpoint.method.toUpperCase(),
    headers,
    credentials: 'omit',
    ...(bytes ? { body: bytes } : body === undefined ? {} : { body: JSON.stringify(body) }),
  }).catch(() => {
    throw new NoAnswer()
  })
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as ResponseOf<E>
  if (!response.headers.get('content-type')?.includes('problem+json'))
    throw response.status >= 500 ? new NoAnswer() : new Refusal('', response.status, `Jackdaw answered ${response.status}`)
  const problem: { code: ProblemCode; title: string; detail?: string } = await response.json()
  throw new Refusal(problem.code, response.status, `${problem.title}. ${problem.detail ?? ''}`.trim())
}
