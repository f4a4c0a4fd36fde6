import type { Action } from '@jackdaw/core/people'
import * as z from 'zod/mini'
import type { ProblemCode } from './problems'

/** Who may call: anyone, whoever is signed in, or whom the table of rights lets do this. `over` names the parameter `id`'s kind of
 * thing, to which the caller's relations are looked up; without it the action is asked without a thing.
 * `by: 'recorder'`: only a paired recorder may call, in the name of its person; a session does not count there. */
export type Access = 'anyone' | { may: Action; over?: 'guide' | 'person'; by?: 'recorder' }

type Shape = z.ZodMiniType | undefined

/** One address of the API: everything that caller and server have to agree on. */
export type Endpoint<P extends Shape = Shape, Q extends Shape = Shape, B extends Shape = Shape, R extends Shape = Shape> = {
  method: 'get' | 'post' | 'patch' | 'put' | 'delete'
  /** Path with `:name` for parameters. */
  path: string
  access: Access
  params?: P
  query?: Q
  /** JSON body; `'bytes'` for a file as the whole body. */
  body?: B
  bytes?: { types: readonly string[]; maxBytes: number }
  /** JSON answer; without it the answer has no body, or is a file. */
  response?: R
  file?: true
  problems: readonly ProblemCode[]
}

/** Declares an endpoint; a plain value, so that server and client read the same. */
export const endpoint = <
  P extends Shape = undefined,
  Q extends Shape = undefined,
  B extends Shape = undefined,
  R extends Shape = undefined,
>(
  declared: Endpoint<P, Q, B, R>,
): Endpoint<P, Q, B, R> => declared

type Out<S extends Shape> = S extends z.ZodMiniType ? z.output<S> : undefined
/** What the handler of an endpoint gets as parameters. */
export type ParamsOf<E> = E extends Endpoint<infer P, Shape, Shape, Shape> ? Out<P> : never
/** What the handler of an endpoint gets as query. */
export type QueryOf<E> = E extends Endpoint<Shape, infer Q, Shape, Shape> ? Out<Q> : never
/** What the handler of an endpoint gets as JSON body. */
export type BodyOf<E> = E extends Endpoint<Shape, Shape, infer B, Shape> ? Out<B> : never
/** What an endpoint answers; `undefined` without a body. */
export type ResponseOf<E> = E extends Endpoint<Shape, Shape, Shape, infer R> ? Out<R> : never
