import type { Action, Thing } from '@jackdaw/core/people'
import { MOST_WHOLE } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import type { ProblemCode } from './problems'

/** Who may call: anyone, whoever is signed in, or whom the table of rights lets do this. `over` names the parameter `id`'s kind of
 * thing, to which the caller's relations are looked up; without it the action is asked without a thing.
 * `by`: only a paired recorder, or an application that is connected, may call, in the name of its person; a session does not count there. */
export type Access = 'anyone' | { may: Action; over?: Thing; by?: 'recorder' | 'application' }

/** A whole number as an address writes it, see `Whole`. */
export const WholeInAddress = z.coerce.number().check(z.int(), z.minimum(0), z.maximum(MOST_WHOLE))
/** Number of an edition in an address. */
export const EditionInAddress = z.coerce.number().check(z.int(), z.minimum(1), z.maximum(1_000_000))

type Shape = z.ZodMiniType | undefined

/** One address of the API: everything that caller and server have to agree on. */
export type Endpoint<
  P extends Shape = Shape,
  Q extends Shape = Shape,
  B extends Shape = Shape,
  R extends Shape = Shape,
  A extends Access = Access,
> = {
  method: 'get' | 'head' | 'post' | 'patch' | 'put' | 'delete'
  /** Path with `:name` for parameters. */
  path: string
  access: A
  params?: P
  query?: Q
  /** JSON body; `'bytes'` for a file as the whole body. */
  body?: B
  /** Largest JSON body in bytes, where it is not the usual one, see {@link maxJsonBytes}. */
  maxBytes?: number
  bytes?: { types: readonly string[]; maxBytes: number }
  /** JSON answer; without it the answer has no body, or is a file. */
  response?: R
  file?: true
  problems: readonly ProblemCode[]
}

const KB = 1024
/** Largest JSON body in bytes that an endpoint takes: small where anyone may call. */
export const maxJsonBytes = ({ access, maxBytes }: Endpoint): number => maxBytes ?? (access === 'anyone' ? 8 * KB : 256 * KB)

/** Every refusal that an endpoint may answer with: those that it declares, and those of the layers in front of every endpoint. */
export const problemsOf = (endpoint: Endpoint): ReadonlySet<ProblemCode> =>
  new Set<ProblemCode>([
    ...endpoint.problems,
    'bad-request',
    ...(endpoint.params ? (['not-found'] as const) : []),
    ...(endpoint.access === 'anyone'
      ? []
      : (['not-signed-in', 'not-paired', 'unknown-token', 'not-allowed', 'password-to-choose'] as const)),
    ...(endpoint.access !== 'anyone' && endpoint.access.over ? (['not-found'] as const) : []),
    ...(endpoint.method === 'get' || endpoint.method === 'head' ? [] : (['stale-page'] as const)),
    ...(endpoint.query || endpoint.body ? (['invalid'] as const) : []),
    ...(endpoint.body || endpoint.bytes ? (['too-large', 'wrong-type', 'busy'] as const) : []),
  ])

/** Declares an endpoint; a plain value, so that server and client read the same. */
export const endpoint = <
  P extends Shape = undefined,
  Q extends Shape = undefined,
  B extends Shape = undefined,
  R extends Shape = undefined,
  const A extends Access = Access,
>(
  declared: Endpoint<P, Q, B, R, A>,
): Endpoint<P, Q, B, R, A> => declared

type Out<S extends Shape> = S extends z.ZodMiniType ? z.output<S> : undefined
/** What the handler of an endpoint gets as parameters. */
export type ParamsOf<E> = E extends Endpoint<infer P, Shape, Shape, Shape> ? Out<P> : never
/** What the handler of an endpoint gets as query. */
export type QueryOf<E> = E extends Endpoint<Shape, infer Q, Shape, Shape> ? Out<Q> : never
/** What the handler of an endpoint gets as JSON body. */
export type BodyOf<E> = E extends Endpoint<Shape, Shape, infer B, Shape> ? Out<B> : never
/** What an endpoint answers; `undefined` without a body. */
export type ResponseOf<E> = E extends Endpoint<Shape, Shape, Shape, infer R> ? Out<R> : never

/** The address of an endpoint with its parameters filled in, what is asked in the order of its names; what is empty or not given does not
 * stand in it. */
export function addressOf(endpoint: Endpoint, params?: Record<string, unknown>, query?: Record<string, unknown>): string {
  const path = endpoint.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(params?.[name])))
  const asked = Object.entries(query ?? {})
    .filter(([, value]) => value !== undefined && value !== '')
    .sort(([a], [b]) => (a < b ? -1 : 1))
  return asked.length > 0 ? `${path}?${asked.map(([key, value]) => `${key}=${encodeURIComponent(String(value))}`).join('&')}` : path
}

/** Id of the element of a page in which its first answers stand: JSON, answers by their addresses. */
export const FIRST_ANSWERS = 'first-answers'
