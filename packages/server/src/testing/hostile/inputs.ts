import type { Endpoint } from '@jackdaw/contracts/endpoint'
import { UsageEvent } from '@jackdaw/core/players'
import { Change } from '@jackdaw/core/guides'
import { kindOfId } from '@jackdaw/core/shared'
import { hostileOf, oneOf, sitesOf, valueOf, withAt, type Schema } from '@jackdaw/core/testing'
import { nanoid } from 'nanoid'
import { gzipSync } from 'node:zlib'
import { v7 as uuidV7 } from 'uuid'
import { PASSWORD, START } from '../testServer'
import { PEOPLE_INPUTS } from './peopleInputs'
import { EXCHANGE_INPUTS } from './exchangeInputs'
import { ENGAGEMENT_INPUTS } from './engagementInputs'
import { SHARING_INPUTS } from './sharingInputs'
import { QUIZ_INPUTS } from './quizInputs'
import { QUESTION } from './madeForPeople'
import { aPlayerState, planOf } from './madeThings'
import { body, type Input, type Special } from './special'
import type { CallerName, HostileWorld, Things } from './world'

export const nameOf = ({ method, path }: Endpoint): string => `${method} ${path}`

const lists = (levels: number): unknown => {
  let block: unknown = { type: 'paragraph', content: [{ type: 'text', text: 'deep' }] }
  for (let i = 0; i < levels; i++) block = { type: 'bulletList', content: [{ type: 'listItem', content: [block] }] }
  return { type: 'doc', content: [block] }
}

/** Changes that meet those of others, or come to a limit. */
const changesThatMeet = (things: Things): unknown[][] => [
  [{ type: 'set-facts', facts: { solo: { task: '', passMark: 55, triesPerStep: 1, attempts: 1 }, title: 'Mine' } }],
  [{ type: 'silence', finding: 'acronym:x', silenced: false }],
  [{ type: 'set-step', stepId: things.steps[0], fields: { body: lists(20) } }],
  [{ type: 'set-step', stepId: things.steps[0], fields: { body: lists(120) } }],
  Array.from({ length: 205 }, (_, n) => ({
    type: 'put-annotation',
    stepId: things.steps[1],
    pictureId: things.picture,
    annotation: { id: `annotation-${n}`, kind: 'frame', area: { to: 'picture', rect: { x: 0, y: 0, width: 0.5, height: 0.5 } } },
    after: null,
  })),
]
/** What a task of theirs may say. */
const taskDocument = ({ company }: HostileWorld, picture: string | null): unknown => ({
  ...{ title: 'Walk the fire route', words: 'With somebody.', minutes: 10, evidence: 'none' },
  ...{ confirmer: { by: 'role', roleId: company.role }, picture: picture === null ? null : { id: picture, alt: 'A door' } },
})
/** What no schema can say: values that depend on what is there at the moment. Only that; everything else comes from the contract. */
const SPECIAL: Record<string, Special> = {
  ...PEOPLE_INPUTS,
  ...QUIZ_INPUTS,
  ...EXCHANGE_INPUTS,
  ...SHARING_INPUTS,
  ...ENGAGEMENT_INPUTS,
  'post /api/session': (_world, _things, input, caller) => {
    const who = caller === 'nobody' || caller.endsWith('ecorder') ? 'staff' : caller
    input.body = { account: `${who}@example.org`, password: PASSWORD }
  },
  // On the newest state, or on one that others have gone on from, also to the same facts.
  'post /api/guides/:id/draft/changes': (_world, things, input, _caller, random) => {
    const sent = input.body as { baseRevision: number; changes: unknown[] }
    sent.baseRevision = oneOf(random, [things.revision, 0, 1])
    if (random() < 0.3) sent.changes = oneOf(random, changesThatMeet(things))
  },
  'get /api/guides/:id/draft/changes': (_world, things, input) => void (input.query['since'] = String(things.revision)),
  'post /api/guides/:id/editions': async (world, things, input) => {
    const sent = input.body as Record<string, unknown>
    // A blackout that is not applied stands in the way.
    const remove = { type: 'remove-annotation', stepId: things.blackout.stepId, pictureId: things.picture, annotationId: 'blackout-one' }
    const client = world.clients.get('author')!
    const changes = { baseRevision: things.revision, changeSetId: nanoid(), changes: [remove] }
    const saved = await client.send('post', `/api/guides/${things.guide}/draft/changes`, changes)
    sent['revision'] = ((await saved.json()) as { revision: number }).revision
  },
  'get /api/people/:id/items/:itemId/reasons': (world, _things, input) => void (input.params['id'] = world.company.people.staff),
  'get /api/people/:id/records/:guideId': (world, _things, input) => void (input.params['id'] = world.company.people.staff),
  'post /api/guides/:id/blackouts': body((sent, things) => void (sent['places'] = [things.blackout])),
  'post /api/guides/:id/blackout-reach': body((sent, things) => void (sent['places'] = [things.blackout])),
  'patch /api/guides/:id': (world, _things, input) => {
    const sent = input.body as Record<string, unknown>
    if (sent['ownerId']) sent['ownerId'] = world.company.people.author
    if (sent['sharedWith']) sent['sharedWith'] = [world.company.people.otherAuthor]
  },
  'post /api/plans': body((sent, things) => void (sent['document'] = planOf(things.guide))),
  'put /api/plans/:id': body((sent, things) => void Object.assign(sent, { document: planOf(things.guide), revision: 1 })),
  'post /api/plans/:id/editions': body((sent) => void (sent['revision'] = 1)),
  'post /api/plans/:id/editions/preview': body((sent, things) => void (sent['document'] = planOf(things.guide))),
  'post /api/plan-simulations': body((sent, things) => void Object.assign(sent, { document: planOf(things.guide), startOn: '2026-04-01' })),
  'post /api/plans/:id/givings': body((sent) => void (sent['mentorId'] = null)),
  'post /api/plans/:id/people': body((sent) => void Object.assign(sent, { startOn: '2026-04-01', mentorId: null })),
  'post /api/tasks': body((sent, _things, world) => void (sent['document'] = taskDocument(world, null))),
  'put /api/tasks/:id/draft': body((sent, things, world) => {
    sent['document'] = taskDocument(world, things.taskPicture)
    sent['revision'] = 2
  }),
  'post /api/tasks/:id/editions': body((sent) => void (sent['revision'] = 2)),
  'get /tasks/:id/editions/:edition/pictures/:pictureId': (_world, _things, input) => void (input.params['edition'] = '1'),
  'post /api/tasks/:id/hand-ins': body((sent) => {
    sent['edition'] = 1
    sent['photo'] = null
  }),
  'put /api/check-ins/:id/answers': body((sent) => void (sent['answers'] = [{ question: QUESTION, words: 'The labels', mark: null }])),
  'get /api/people/:id/hand-ins/:taskId': (world, _things, input) => void (input.params['id'] = world.company.people.staff),
  'patch /api/folders/:folderId': body((sent) => void (sent['parentId'] = null)),
  'get /guides/:id/editions/:edition/pictures/:pictureId': (_world, _things, input) => void (input.params['edition'] = '1'),
  'put /api/guides/:id/plays/:way': (_world, things, input) => {
    const way = input.params['way'] as 'watch' | 'practise'
    input.body = { playId: nanoid(), edition: 1, state: aPlayerState(way, things.picture) }
  },
  'post /api/guides/:id/attempts/:attemptId/acts': body((sent, things) => {
    sent['n'] = things.attempt.acts + 1
    sent['actId'] = nanoid()
    // Most other acts are out of turn at the step where a new attempt stands.
    const act = sent['does'] as { type: string }
    if (act.type !== 'act') sent['does'] = { type: 'leave-out' }
  }),
  'post /api/guides/:id/remarks': body((sent) => {
    sent['id'] = nanoid()
    sent['edition'] = 1
  }),
  'post /api/jobs/:jobId/retry': (_world, things, input) => void (input.params['jobId'] = things.job),
  'post /api/jobs': body((sent) => void (sent['name'] = 'remove-noted-files')),
  'post /api/mail-stops': async (world, _things, input) => {
    input.body = { token: await world.aToken() }
  },
  'post /api/recorder/pairing': async (world, _things, input) => {
    input.body = { code: await world.newCode(), name: 'Here' }
  },
  'post /api/recorder/recordings': body((sent) => void (sent['id'] = nanoid())),
  'put /api/recorder/recordings/:id/pictures/:shotId': (_world, _things, input) => void (input.params['shotId'] = nanoid()),
  'post /api/recorder/recordings/:id/finish': body((sent, things) => void (sent['actions'] = [things.action])),
  'post /api/imports': (_world, _things, input) => void (input.query['name'] = 'a.md'),
}

const MARKDOWN = new TextEncoder().encode('# Rinse\n\nFor every tray.\n\n1. Fill the basin\n2. Rinse\n')
/** Files that are no pictures and no texts, or are worse than they look. */
function wrongBytes(world: HostileWorld, random: () => number): { what: string; bytes: Uint8Array; type?: string; encoding?: string } {
  const png = Uint8Array.from(world.png)
  const wide = Uint8Array.from(png)
  new DataView(wide.buffer).setUint32(16, 59_000_000)
  return oneOf(random, [
    { what: 'nothing', bytes: new Uint8Array() },
    { what: 'half a picture', bytes: png.slice(0, png.length / 2) },
    { what: 'a picture that says it is 59,000,000 wide', bytes: wide },
    {
      what: 'an SVG',
      bytes: new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
      type: 'image/svg+xml',
    },
    { what: 'noise', bytes: Uint8Array.from({ length: 5_000 }, () => Math.floor(random() * 256)) },
    { what: 'deep HTML', bytes: new TextEncoder().encode('<b>'.repeat(50_000)) },
    { what: 'deep lists', bytes: new TextEncoder().encode(Array.from({ length: 200 }, (_, n) => `${'  '.repeat(n)}- x`).join('\n')) },
    { what: 'the head of a zip', bytes: new TextEncoder().encode('PK\x03\x04nonsense') },
    { what: 'gzip', bytes: gzipSync(Buffer.alloc(3_000_000, '[')), encoding: 'gzip' },
    { what: 'another type', bytes: png, type: 'application/x-www-form-urlencoded' },
  ])
}

const texts = (value: unknown): Record<string, string> =>
  Object.fromEntries(
    Object.entries((value ?? {}) as object).map(([key, each]) => [key, typeof each === 'object' ? JSON.stringify(each) : String(each)]),
  )

/** Texts of a form that is not found by trying, by their places. */
const USUAL: Record<string, string> = {
  columns: 'number,name',
  zone: 'Europe/London',
  'site/zone': 'Europe/London',
  'admin/mail': 'somebody@example.org',
  'look/colour': '#095660',
  'look/logo': '',
}

/** The picture that an address is about. */
function pictureFor(path: string, things: Things): string {
  if (path.includes('quiz')) return things.quizPicture
  if (path.includes('bank')) return things.bankPicture
  return /task/i.test(path) ? things.taskPicture : things.picture
}

/** Makes a request that the endpoint should take from somebody who may. */
export async function validInput(
  world: HostileWorld,
  endpoint: Endpoint,
  caller: CallerName,
  things: Things,
  random: () => number,
  full = false,
): Promise<Input> {
  const people = world.company.people
  const known: Record<string, readonly string[]> = {
    guide: [things.guide],
    item: [things.guide],
    giving: [things.giving],
    task: [things.task],
    'hand-in': [things.handIn],
    'check-in': [things.checkIn],
    quiz: [things.quiz],
    bank: [things.bank],
    'quiz-attempt': [things.quizAttempt],
    clip: [things.clip],
    captions: [things.captions],
    // In documents questions have ids of their own, each another one.
    ...(endpoint.path.includes(':questionId') ? { question: [things.question] } : {}),
    plan: [things.plan],
    enrolment: [things.enrolment],
    'plan-giving': [things.planGiving],
    step: things.steps,
    section: [things.section],
    picture: [pictureFor(endpoint.path, things)],
    folder: [things.folder],
    person: [people.staff, people.author, people.lead],
    group: [world.company.team, world.company.role, world.company.site],
    audience: [things.audience],
    attempt: [things.attempt.id],
    remark: [things.remark],
    entry: [things.entry],
    recording: [things.recording],
    shot: [things.shot],
    action: [things.action],
    recorder: [things.recorder],
  }
  const { personId } = { personId: world.personOf(caller) }
  const hint = (schema: Schema, path: readonly PropertyKey[]) => {
    const kind = kindOfId(schema)
    if (kind === 'person' && endpoint.path.startsWith('/api/people/:id')) return { value: personId }
    const list = kind ? known[kind] : undefined
    if (list) return { value: oneOf(random, list) }
    const usual = USUAL[path.join('/')]
    if (usual !== undefined) return { value: usual }
    if (/^post .*\/events$/.test(nameOf(endpoint))) {
      if (path[0] === 'sentAt') return { value: START }
      if (path.length === 2 && path[0] === 'events') return { value: anEvent(things, random) }
    }
    return undefined
  }
  const made = (schema: Schema | undefined) => (schema ? valueOf(schema, { random, hint, full }) : undefined)
  const input: Input = {
    params: texts(made(endpoint.params)),
    query: texts(made(endpoint.query)),
    body: made(endpoint.body),
    headers: {},
    wrong: '',
  }
  if (endpoint.bytes) {
    const picture = endpoint.bytes.types.some((type) => type.startsWith('image'))
    input.bytes = picture ? Uint8Array.from(world.png) : MARKDOWN
    input.headers['content-type'] = picture ? 'image/png' : 'text/markdown'
  }
  await SPECIAL[nameOf(endpoint)]?.(world, things, input, caller, random)
  return input
}

/** Valid requests with everything in them that may be; of changes to a guide one of each type. */
export async function fullInputs(
  world: HostileWorld,
  endpoint: Endpoint,
  caller: CallerName,
  things: Things,
  random: () => number,
): Promise<Input[]> {
  const valid = () => validInput(world, endpoint, caller, things, random, true)
  if (nameOf(endpoint) !== 'post /api/guides/:id/draft/changes') return [await valid()]
  const byType = new Map<string, Input>()
  for (let n = 0; n < 400 && byType.size < CHANGE_TYPES; n++) {
    const input = await valid()
    const [change] = (input.body as { changes: { type: string }[] }).changes
    ;(input.body as { changes: unknown[] }).changes = [change]
    if (!byType.has(change!.type)) byType.set(change!.type, input)
  }
  return [...byType.values()]
}
const CHANGE_TYPES = (Change._zod.def as unknown as { options: unknown[] }).options.length

const anEvent = (things: Things, random: () => number): unknown => ({
  ...(valueOf(UsageEvent as Schema, { random }) as object),
  id: uuidV7(),
  item: { kind: 'guide', id: things.guide },
  edition: 1,
  occurredAt: START - 1_000,
  ...(random() < 0.8 ? { part: oneOf(random, things.steps) } : {}),
})

/** Makes something wrong or odd about a valid request. */
export function spoilt(world: HostileWorld, endpoint: Endpoint, valid: Input, random: () => number, tried: Set<string>): Input {
  const ids = Object.values(world.foreign)
  const input: Input = { ...valid, params: { ...valid.params }, query: { ...valid.query }, headers: { ...valid.headers } }
  const parts: (() => string)[] = []
  const part = (where: 'params' | 'query' | 'body', schema: Schema | undefined) => {
    if (!schema) return
    parts.push(() => {
      const hostile = hostileOf(schema, valid[where] ?? {}, random, ids, tried)
      if (where === 'body') input.body = hostile.value
      else input[where] = texts(hostile.value)
      return `${where} ${hostile.path}: ${hostile.what}`
    })
  }
  part('params', endpoint.params)
  part('query', endpoint.query)
  part('body', endpoint.body)
  part('body', endpoint.body)
  if (endpoint.bytes)
    parts.push(() => {
      const { what, bytes, type, encoding } = wrongBytes(world, random)
      input.bytes = bytes
      if (type) input.headers['content-type'] = type
      if (encoding) input.headers['content-encoding'] = encoding
      return `bytes: ${what}`
    })
  if (endpoint.body)
    parts.push(() => {
      const [what, headers] = oneOf(random, [
        ['another charset', { 'content-type': 'application/json; charset=utf-16' }],
        ['no JSON', { 'content-type': 'text/plain' }],
        ['packed', { 'content-encoding': 'gzip' }],
      ] as const)
      Object.assign(input.headers, headers)
      return `headers: ${what}`
    })
  parts.push(() => {
    const [what, headers] = oneOf(random, [
      ['a range', { range: 'bytes=900000000-' }],
      ['a condition', { 'if-match': '"x"', 'if-unmodified-since': 'Thu, 01 Jan 1970 00:00:00 GMT' }],
      ['a forwarded address', { 'x-forwarded-for': '1.2.3.4, \x7f', 'x-forwarded-proto': 'https' }],
    ] as const)
    Object.assign(input.headers, headers)
    return `headers: ${what}`
  })
  input.wrong = oneOf(random, parts)()
  return input
}

/** The requests that name something of somebody else in the place of one id of a valid request, one for each id in it. */
export function withForeignIds(world: HostileWorld, endpoint: Endpoint, valid: Input): { kind: string; at: string; input: Input }[] {
  // Of a list, one place stands for all.
  const tried = new Set<string>()
  return (['params', 'query', 'body'] as const).flatMap((where) => {
    const schema = endpoint[where]
    if (!schema || valid[where] === undefined) return []
    return sitesOf(schema, valid[where]).flatMap((site) => {
      const kind = kindOfId(site.schema)
      const foreign = kind ? world.foreign[kind] : undefined
      if (!kind || !foreign || site.value === foreign) return []
      const place = `${where} ${site.path.map((step) => (typeof step === 'number' ? '*' : String(step))).join('/')}`
      if (tried.has(place)) return []
      tried.add(place)
      const input = { ...valid, [where]: withAt(valid[where], site.path, foreign) } as Input
      // A set of changes that was sent before is only answered again.
      if (where === 'body' && (input.body as { changeSetId?: string }).changeSetId)
        (input.body as { changeSetId: string }).changeSetId = nanoid()
      return [{ kind, at: `${where}/${site.path.map(String).join('/')}`, input }]
    })
  })
}
