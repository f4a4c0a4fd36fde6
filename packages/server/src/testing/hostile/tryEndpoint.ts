import { problemsOf, type Endpoint } from '@jackdaw/contracts/endpoint'
import { Problem, PROBLEMS, type ProblemCode } from '@jackdaw/contracts/problems'
import { GuideDocument } from '@jackdaw/core/guides'
import { LEVEL_PRESETS, may, type Level, type Relation } from '@jackdaw/core/people'
import { oneOf } from '@jackdaw/core/testing'
import { isShallow } from '../../http/readJson'
import { fullInputs, nameOf, spoilt, validInput, withForeignIds } from './inputs'
import type { Input } from './special'
import { sendInput, type Answer } from './send'
import { CALLERS, CANARY, type CallerName, type HostileWorld, type Things } from './world'

const SLOWEST_MS = 10_000
const DEEPEST_DRAFT = 250
/** What came of many requests: faults in words, and how many were accepted of those that should be (`meant`). */
export type Tried = { faults: string[]; sent: number; meant: number; accepted: number }

/** What is sent, in turn, so that a few tries see some of each: what is right, what is spoilt, either by anybody, anything by nobody. */
type Turn = 'right' | 'spoilt' | 'anybody' | 'nobody'
const R = 'right'
const S = 'spoilt'
const A = 'anybody'
const TURNS: readonly Turn[] = [R, S, A, R, S, 'nobody', R, S, R, A, S, R, S, R, A, S, R, S, R, A]

/** How each of these stands to the things that an input is about. */
const RELATIONS: Partial<Record<CallerName, [Level, Relation[]]>> = {
  staff: ['staff', ['assigned', 'self']],
  author: ['author', ['own', 'self']],
  lead: ['lead', ['self', 'here']],
  admin: ['admin', ['self', 'here']],
}
/** Endpoints that are asked about `staff`, whoever asks: nobody else asks about themselves there. */
const ABOUT_STAFF = new Set([
  'get /api/people/:id/items/:itemId/reasons',
  'get /api/people/:id/records/:guideId',
  'get /api/people/:id/hand-ins/:taskId',
  'get /api/people/:id/quizzes/:quizId/attempts',
  'put /api/people/:id/quizzes/:quizId/allowance',
])
/** Endpoints that show what others did, never what whoever calls did. */
const OF_OTHERS = new Set(['get /api/quiz-attempts/:id/record'])
/** Endpoints about what whoever calls is asked to judge. */
const ASKED = /\/(judging|grades)\b/
/** Callers whom the table of rights lets do what an endpoint does; requests of theirs show what lies behind the door. */
function trusted(endpoint: Endpoint): CallerName[] {
  const { access } = endpoint
  const isNotOwn = (who: string) => OF_OTHERS.has(nameOf(endpoint)) || (ABOUT_STAFF.has(nameOf(endpoint)) && who !== 'staff')
  const asked = ASKED.test(endpoint.path) ? (['asked'] as const) : []
  if (access === 'anyone') return ['nobody', 'staff', 'author']
  if (access.by) return [access.by]
  return Object.entries(RELATIONS).flatMap(([who, [level, relations]]) =>
    may(
      new Set(LEVEL_PRESETS[level]),
      access.may,
      new Set([...(isNotOwn(who) ? relations.filter((each) => each !== 'self') : relations), ...asked]),
    )
      ? [who as CallerName]
      : [],
  )
}
/** Sessions and pairings that end with the request. */
const ends = (endpoint: Endpoint): boolean =>
  ['delete /api/session', 'delete /api/recorder/pairing', 'post /api/session'].includes(nameOf(endpoint))
const writes = ({ method }: Endpoint): boolean => method !== 'get' && method !== 'head'

/** Whether a refusal is one that the endpoint declares, and says what it has to say. */
function faultOfRefusal(endpoint: Endpoint, answer: Answer): string | null {
  if (endpoint.method === 'head' && answer.text === '') return null
  if (!answer.type.startsWith('application/problem+json')) return `answers ${answer.status} as ${answer.type || 'nothing'}`
  const problem = Problem.safeParse(JSON.parse(answer.text))
  if (!problem.success) return `answers ${answer.status} without a problem`
  const { code, status, errors, detail } = problem.data
  if (!(code in PROBLEMS) || PROBLEMS[code as ProblemCode].status !== status || status !== answer.status)
    return `says ${code} with ${answer.status}`
  if (!problemsOf(endpoint).has(code as ProblemCode)) return `answers ${code}, which it does not declare`
  if (code === 'invalid' && !errors?.length && !detail) return 'refuses without a word on what was wrong'
  return null
}

/** The server's own reader of addresses and headers refuses what is too long, before any of ours is asked. */
const HEAD_TOO_LARGE = 431

function faultOf(endpoint: Endpoint, answer: Answer): string | null {
  if (answer.status === HEAD_TOO_LARGE) return null
  if (answer.ms > SLOWEST_MS) return `took ${Math.round(answer.ms)} ms`
  if (answer.status >= 500 && !answer.text.includes('"busy"')) return `answers ${answer.status}: ${answer.text.slice(0, 300)}`
  return answer.status >= 400 ? faultOfRefusal(endpoint, answer) : null
}

/** Reads again what was written; who reads it changes from time to time, so that everybody who may has a turn. */
async function readBack(world: HostileWorld, things: Things, random: () => number): Promise<string | null> {
  for (const [path, ...readers] of [
    [`/api/guides/${things.guide}/draft`, oneOf(random, ['lead', 'author', 'admin'] as const)],
    [`/api/guides/${things.guide}/reader`, oneOf(random, ['staff', 'lead', 'author', 'admin'] as const)],
    [`/api/guides/${things.guide}/publication`, oneOf(random, ['lead', 'admin'] as const)],
  ] as const)
    for (const who of readers) {
      const response = await world.clients.get(who)!.send('get', path)
      const text = await response.text()
      if (response.status === 200 && path.endsWith('/draft')) {
        if (!isShallow(Buffer.from(text), DEEPEST_DRAFT)) return 'afterwards the draft lies deeper than anything that may be sent'
        const { error } = GuideDocument.safeParse((JSON.parse(text) as { document: unknown }).document)
        if (error) return `afterwards the draft breaks its own schema: ${JSON.stringify(error.issues[0])}`
      }
      // Whoever was only given it may have lost it by what was written.
      const fine = who === 'lead' || who === 'admin' ? [200] : [200, 403, 404]
      if (!fine.includes(response.status)) return `afterwards ${who} reads ${path}: ${response.status} ${text.slice(0, 200)}`
    }
  return null
}
/** Reads all lists and records that may have been touched by what was written last. */
export async function faultInLists(world: HostileWorld): Promise<string | null> {
  const things = world.written
  if (!things) return null
  world.written = null
  const { staff } = world.company.people
  const paths = ['/api/today', '/api/guides', '/api/folders', '/api/records/items', '/api/records/people', '/api/look', '/api/session']
  const ofGuide = ['drop-off', 'way-steps/solo', 'picture-sizes', 'attempts', 'plays/watch', 'draft/changes?since=0']
  const ofItem = ['who-finished', 'who-finished.csv', 'givings'].map((each) => `/api/items/${things.guide}/${each}`)
  for (const path of [...paths, ...ofGuide.map((each) => `/api/guides/${things.guide}/${each}`), ...ofItem, `/api/people/${staff}/records`])
    for (const who of /^\/api\/(guides|items)\//.test(path) ? (['lead'] as const) : (['lead', 'staff'] as const)) {
      const { status } = await world.clients.get(who)!.send('get', path)
      if (status >= 500 || (who === 'lead' && ![200, 404].includes(status))) return `afterwards ${who} reads ${path}: ${status}`
    }
  return null
}

/** Tries an endpoint with valid, nearly valid and hostile requests, as every caller. */
export async function tryEndpoint(world: HostileWorld, endpoint: Endpoint, inputs: number, random: () => number): Promise<Tried> {
  const tried: Tried = { faults: [], sent: 0, meant: 0, accepted: 0 }
  const isFresh = ends(endpoint)
  const wrongs = new Set<string>()
  const made = new Map<CallerName, Things>()
  let last: Things | null = null
  for (let n = 0; n < inputs; n++) {
    const turn = TURNS[n % TURNS.length]!
    const caller = turn === 'nobody' ? turn : oneOf(random, turn === 'anybody' ? CALLERS : trusted(endpoint))
    const things = made.get(caller) ?? (await world.things(caller, endpoint))
    made.set(caller, things)
    await world.forgetTries()
    const valid = await validInput(world, endpoint, caller, things, random)
    const input = turn === 'right' || (turn === 'anybody' && random() < 0.5) ? valid : spoilt(world, endpoint, valid, random, wrongs)
    const client = isFresh ? await world.freshClient(caller) : world.clients.get(caller)!
    const headers = isFresh ? await world.freshHeaders(caller) : world.headers(caller)
    const before = await world.fingerprint()
    const answer = await sendInput(client, endpoint, input, headers)
    tried.sent++
    if (turn === 'right') {
      tried.meant++
      if (answer.status < 400) tried.accepted++
    }
    const fault =
      faultOf(endpoint, answer) ??
      faultAtTheDoor(endpoint, caller, input, answer) ??
      (await faultAfter(world, endpoint, answer, before, things, random)) ??
      (answer.status < 400 && random() < 0.1
        ? await faultWhenRepeated(endpoint, input, () => sendInput(client, endpoint, input, headers))
        : null)
    if (fault) tried.faults.push(told(endpoint, caller, input, fault))
    // What was written on is not written on again.
    if (answer.status < 400 && writes(endpoint)) made.delete(caller)
    last = things
  }
  if (last && writes(endpoint)) world.written = last
  return tried
}

async function faultAfter(
  world: HostileWorld,
  endpoint: Endpoint,
  answer: Answer,
  before: string,
  things: Things,
  random: () => number,
): Promise<string | null> {
  if (answer.status >= 400)
    return (await world.fingerprint()) === before ? null : `refused (${answer.status}), and yet something was changed`
  return writes(endpoint) ? readBack(world, things, random) : null
}

/** Whoever has not said who they are is told so, whatever they send: nothing of it is read before. */
function faultAtTheDoor(endpoint: Endpoint, caller: CallerName, { wrong }: Input, answer: Answer): string | null {
  // An address that no endpoint has is nobody's.
  if (wrong.startsWith('params') && [400, 404].includes(answer.status)) return null
  if (endpoint.access === 'anyone' || caller !== 'nobody' || answer.status === HEAD_TOO_LARGE || answer.status === 401) return null
  return `is asked for rights only after what was sent was looked at (${answer.status})`
}

/** The same once more, and several times at the same moment: a double click, a lost answer, two tabs. */
async function faultWhenRepeated(endpoint: Endpoint, input: Input, send: () => Promise<Answer>): Promise<string | null> {
  if (!writes(endpoint) || ends(endpoint)) return null
  const sent = input.body as { baseRevision?: number } | undefined
  if (sent?.baseRevision !== undefined) sent.baseRevision++
  const answers = [await send(), ...(await Promise.all([send(), send(), send()]))]
  const bad = answers.find((answer) => answer.status >= 500)
  return bad ? `sent again it answers ${bad.status}: ${bad.text.slice(0, 200)}` : null
}

const told = (endpoint: Endpoint, caller: CallerName, input: Input, fault: string): string =>
  `${nameOf(endpoint)} as ${caller}${input.wrong ? ` (${input.wrong.slice(0, 120)})` : ''}: ${fault}`

/** Puts ids of somebody else's things into the places of a valid request, one at a time. Each has to be refused; where it is a reference
 * that an endpoint answers one by one, what is somebody else's stays as it is and none of it comes back. */
export async function tryForeignIds(world: HostileWorld, endpoint: Endpoint, rounds: number, random: () => number): Promise<Tried> {
  const tried: Tried = { faults: [], sent: 0, meant: 0, accepted: 0 }
  const { access } = endpoint
  const caller: CallerName = access === 'anyone' ? 'author' : (access.by ?? 'author')
  const before = await world.fingerprint('foreign')
  for (let n = 0; n < rounds; n++) {
    const things = await world.things(caller, endpoint)
    const valid = await fullInputs(world, endpoint, caller, things, random)
    for (const { kind, at, input } of valid.flatMap((each) => withForeignIds(world, endpoint, each))) {
      const answer = await sendInput(world.clients.get(caller)!, endpoint, input, world.headers(caller))
      tried.sent++
      if (answer.status < 400) tried.accepted++
      const where = `${nameOf(endpoint)} with a foreign ${kind} at ${at}`
      if (answer.status >= 500) tried.faults.push(`${where}: answers ${answer.status}`)
      if (answer.text.includes(CANARY)) tried.faults.push(`${where}: tells of it`)
      if ((await world.fingerprint('foreign')) !== before) tried.faults.push(`${where}: changes it`)
      if (answer.status < 400 && mustRefuse(endpoint, kind, at)) tried.faults.push(`${where}: takes it (${answer.status})`)
    }
  }
  return tried
}
/** Kinds whose ids are never taken from somebody else. Steps and sections are places in a guide; what is not there is told as gone. */
const MUST_REFUSE = new Set([
  'guide',
  'item',
  'giving',
  'task',
  'hand-in',
  'check-in',
  'quiz',
  'quiz-attempt',
  'clip',
  'captions',
  'export',
  'picture',
  'attempt',
  'recording',
  'recorder',
  'folder',
  'group',
  'audience',
])
/** Places where an id that is not there means nothing, and why. */
const MEANS_NOTHING: readonly [place: RegExp, why: string][] = [
  [/^get \/api\/guides query\/folder$/, 'a filter that nothing fits'],
  [/^get \/api\/directory query\/group$/, 'a filter that nothing fits'],
  [/^post .*\/draft\/changes body\/changes\/\d+\/(pictureId|after)$/, 'a place in the own guide; it is told as gone'],
  [/^post .*\/adopted-pictures body\/pictures\/\d+$/, 'the answer leaves out what the other guide does not have'],
  [/^post .*\/dead-links body\/guides\/\d+$/, 'the answer says which of them the asker would not find'],
  [/^post \/api\/(shared\/:token\/)?events body\/events/, 'each event is answered for itself'],
  [/^post .*\/acts body\/does\/act\/pictureId$/, 'where somebody pointed: another picture than that of the step is a miss'],
  [/^put .*\/pictures\/:shotId params\/shotId$/, 'chosen by the sender, within its own recording'],
]
const mustRefuse = (endpoint: Endpoint, kind: string, at: string): boolean =>
  (at.startsWith('params') || MUST_REFUSE.has(kind)) && !MEANS_NOTHING.some(([place]) => place.test(`${nameOf(endpoint)} ${at}`))
