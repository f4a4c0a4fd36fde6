import { maxJsonBytes, type BodyOf, type Endpoint, type ParamsOf, type QueryOf, type ResponseOf } from '@jackdaw/contracts/endpoint'
import { may, THINGS, type Relation, type Thing } from '@jackdaw/core/people'
import express, { type Request, type RequestHandler, type Response, type Router } from 'express'
import * as z from 'zod/mini'
import type { Caller, Context, Parts, RelationFinders } from './context'
import { fail, said, type FieldError } from './fail'
import { isWellFormed } from './isWellFormed'
import { othersFirst } from './othersFirst'
import { bytesReader, jsonReader } from './readJson'
import { withoutStored, type StoredJson } from './storedJson'
import { UploadBudget } from './uploadBudget'

/** Answers an endpoint that is read, with what was asked for already parsed from an address.
 * @returns the JSON of its answer
 * @throws Refused as for a request of its own: rights are asked for first */
type Reading = (params: unknown, query: unknown, request: { req: Request; res: Response }) => Promise<string>
/** The routes as they are put together: the router, the list of what it serves, which the rights test reads, and how what is read can be
 * answered within another request. */
export type Routes = {
  router: Router
  served: Endpoint[]
  readings: Map<Endpoint, Reading>
  parts: Parts
  relations: RelationFinders
  uploads: UploadBudget
}
export const newRoutes = (parts: Parts, relations: RelationFinders): Routes => ({
  router: express.Router(),
  served: [],
  readings: new Map(),
  parts,
  relations,
  uploads: new UploadBudget(),
})

type AnyEndpoint = Endpoint
type Input<E> = { params: ParamsOf<E>; query: QueryOf<E>; body: BodyOf<E>; bytes: Buffer }

const pointer = (where: string, path: PropertyKey[]): string =>
  `/${[where, ...path].map((part) => String(part).replaceAll('~', '~0').replaceAll('/', '~1')).join('/')}`

function read<T>(schema: z.ZodMiniType<T> | undefined, value: unknown, where: 'params' | 'query' | 'body'): T {
  if (!schema) return undefined as T
  const parsed = schema.safeParse(value ?? {})
  if (parsed.success) return parsed.data
  if (where === 'params') fail('not-found')
  const errors: FieldError[] = parsed.error.issues
    .slice(0, 20)
    .map((issue) => ({ pointer: pointer(where, issue.path), detail: issue.message }))
  return fail('invalid', `${errors[0]?.pointer ?? ''}: ${errors[0]?.detail ?? ''}`, errors)
}

/** The layers that read the body of an endpoint. */
function bodyReaders(routes: Routes, endpoint: AnyEndpoint): RequestHandler[] {
  const { body, bytes } = endpoint
  if (bytes) {
    const takes = (req: Request) => Boolean(req.is([...bytes.types]))
    return [routes.uploads.layer(bytes.maxBytes), bytesReader(bytes.maxBytes, takes)]
  }
  const most = maxJsonBytes(endpoint)
  return body ? [routes.uploads.layer(most), jsonReader(most)] : []
}

const refuseIllFormed = (value: unknown, where: 'query' | 'body'): void => {
  if (!isWellFormed(value))
    fail('invalid', 'The text holds characters that no text can hold (NUL or half a surrogate pair).', [
      { pointer: `/${where}`, detail: 'Not well-formed text' },
    ])
}

function checkBody(endpoint: AnyEndpoint, req: Request): void {
  if (endpoint.bytes && !Buffer.isBuffer(req.body))
    fail('wrong-type', said('Send one of these: {{types}}.', { types: endpoint.bytes.types.join(', ') }))
  if (!endpoint.body) return
  if (req.body === undefined) fail(req.headers['content-type'] ? 'wrong-type' : 'bad-request', 'A JSON body is expected.')
  refuseIllFormed(req.body, 'body')
}

/** What somebody is told who has not said who they are. */
const notKnown = ({ access }: AnyEndpoint) => (byOf(access) === null ? 'not-signed-in' : NOT_KNOWN[byOf(access)!])
const NOT_KNOWN = { recorder: 'not-paired', application: 'unknown-token' } as const
/** By what an endpoint is called in somebody's name; `null` where by a session. */
const byOf = (access: AnyEndpoint['access']) => (access === 'anyone' ? null : (access.by ?? null))
/** In whose name a request comes in. */
const callerIn = ({ access }: AnyEndpoint, { caller, recorder, application }: Response['locals'] & Express.Locals): Caller | null =>
  ({ session: caller, recorder, application: application?.owner })[byOf(access) ?? 'session'] ?? null

/** How somebody stands to the thing of an endpoint. Its id was read by the endpoint's own schema. */
const relationsTo = ({ relations }: Routes, thing: Thing, caller: Caller, id: unknown): Promise<ReadonlySet<Relation> | null> =>
  (relations[thing] as (caller: Caller, id: unknown) => Promise<ReadonlySet<Relation> | null>)(caller, id)

/** What somebody may do who has still to choose a password of their own. */
const BEFORE_CHOOSING: ReadonlySet<string> = new Set(['session.end', 'self.password'])

/** Asks the table of rights, for every request. What the caller may not know of answers as if it did not exist. */
async function authorise(routes: Routes, endpoint: AnyEndpoint, caller: Caller | null, id: unknown): Promise<ReadonlySet<Relation>> {
  if (endpoint.access === 'anyone') return new Set()
  if (!caller) return fail(notKnown(endpoint))
  const { may: action, over } = endpoint.access
  if (caller.passwordToChoose && !BEFORE_CHOOSING.has(action)) fail('password-to-choose')
  if (!over) {
    const relations = new Set<Relation>(caller.hasReports ? ['reports'] : [])
    return may(caller.permissions, action, relations) ? relations : fail('not-allowed')
  }
  const relations = await relationsTo(routes, over, caller, id)
  if (!relations) return fail('not-found')
  if (may(caller.permissions, action, relations)) return relations
  return fail(THINGS[over].knownBy.some((each) => may(caller.permissions, each, relations)) ? 'not-allowed' : 'not-found')
}

/** An answer, in which a stored document may stand as its JSON. */
type Answer<R> = R extends { document: unknown } ? Omit<R, 'document'> & { document: R['document'] | StoredJson } : R
/** What the handler of an endpoint answers. */
export type AnswerOf<E extends Endpoint> = Answer<ResponseOf<E>>

/** Who calls an endpoint: somebody who is known, unless it is open to anyone. */
type CallerOf<E> = E extends { access: 'anyone' } ? Caller | null : Caller

/** Puts an endpoint on the router: asks for rights, then reads and checks the request, then checks our own answer.
 * A handler of a `file` endpoint writes its answer itself. */
export function route<E extends AnyEndpoint>(
  routes: Routes,
  endpoint: E,
  handler: (input: Input<E>, context: Context<CallerOf<E>>) => Promise<AnswerOf<E> | void>,
): void {
  routes.served.push(endpoint)
  const { response } = endpoint
  const callerOf = (res: Response) => callerIn(endpoint, res.locals)
  /** What the caller may see is asked for before anything of the body is read. */
  const admit = async (given: unknown, res: Response) => {
    const caller = callerOf(res)
    if (endpoint.access !== 'anyone' && !caller)
      fail(
        notKnown(endpoint),
        byOf(endpoint.access) === 'recorder' ? 'Pair it again; what was recorded is kept in the browser.' : undefined,
      )
    const params = read(endpoint.params, given, 'params')
    return { params, relations: await authorise(routes, endpoint, caller, (params as { id?: unknown } | undefined)?.id) }
  }
  const before: RequestHandler = async (req, res, next) => {
    res.locals.route = `${endpoint.method} ${endpoint.path}`
    if (!endpoint.file) res.setHeader('Cache-Control', 'no-store')
    Object.assign(res.locals, await admit(req.params, res))
    next()
  }
  /** The JSON of the answer; nothing where it has none, or was written by the handler. */
  const answer = async (input: Input<E>, relations: ReadonlySet<Relation>, req: Request, res: Response): Promise<string | undefined> => {
    const given = await handler(input, { caller: callerOf(res) as CallerOf<E>, relations, now: routes.parts.clock(), req, res })
    if (endpoint.file || !response) return undefined
    await othersFirst()
    const { plain, write } = withoutStored(given)
    const checked = response.safeParse(plain)
    if (!checked.success)
      throw new Error(`our answer to ${endpoint.method} ${endpoint.path} is malformed: ${JSON.stringify(checked.error.issues.slice(0, 3))}`)
    return write(checked.data)
  }
  const handle = async (req: Request, res: Response): Promise<void> => {
    checkBody(endpoint, req)
    await othersFirst()
    refuseIllFormed(req.query, 'query')
    const input = {
      params: res.locals.params,
      query: read(endpoint.query, req.query, 'query'),
      body: read(endpoint.body, req.body, 'body'),
      bytes: req.body,
    } as Input<E>
    await othersFirst()
    const json = await answer(input, res.locals.relations ?? new Set<Relation>(), req, res)
    if (endpoint.file) return
    if (json === undefined) res.status(204).end()
    else res.type('json').send(json)
  }
  if (endpoint.method === 'get' && response && !endpoint.file)
    routes.readings.set(endpoint, async (given, asked, { req, res }) => {
      const { params, relations } = await admit(given, res)
      const input = { params, query: read(endpoint.query, asked, 'query') } as Input<E>
      return (await answer(input, relations, req, res)) ?? 'null'
    })
  routes.router[endpoint.method](endpoint.path, before, ...bodyReaders(routes, endpoint), handle)
}
