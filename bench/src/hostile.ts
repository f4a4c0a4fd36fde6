import { gzipSync } from 'node:zlib'
import { richTextOf } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import type { Running, Session } from './server'
import { signIn } from './server'

export type HostileRow = { name: string; statuses: string; ms: number; maxHeldMs: number; p99HeldMs: number; rssMb: number }
type LoopDelay = { maxMs: number; p99Ms: number; rssMb: number }

/** Asks the server how long its event loop was held since the last time. */
const loopDelay = ({ child }: Running): Promise<LoopDelay> =>
  new Promise((resolve) => {
    child.once('message', (message: { loopDelay: LoopDelay }) => resolve(message.loopDelay))
    child.send('loop-delay')
  })

/** The head of a PNG that says how large it is; 7 kB of nothing behind it. */
function wide(width: number, height: number): Uint8Array {
  const head = new Uint8Array(33)
  head.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52])
  const view = new DataView(head.buffer)
  view.setUint32(16, width)
  view.setUint32(20, height)
  head.set([8, 2, 0, 0, 0], 24)
  return new Uint8Array([...head, ...new Uint8Array(7_000)])
}

type Send = (session: Session | null, method: string, path: string, body: unknown, headers?: Record<string, string>) => Promise<number>
const sender =
  (address: string): Send =>
  async (session, method, path, body, headers = {}) => {
    const isBytes = body instanceof Uint8Array
    const response = await fetch(address + path, {
      method,
      headers: {
        ...(session ? { cookie: session.cookie, 'x-csrf-token': session.csrf } : {}),
        ...(body === undefined || isBytes ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined
        ? {}
        : { body: isBytes ? (body as Uint8Array<ArrayBuffer>) : typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    await response.arrayBuffer()
    return response.status
  }

type Hostile = {
  send: Send
  author: Session
  staff: Session
  measure: (name: string, work: () => Promise<number[]>) => Promise<void>
  newGuide: () => Promise<string>
  changes: (id: string, baseRevision: number, list: unknown[]) => Promise<number>
}
const many = (n: number, work: () => Promise<number>) => Promise.all(Array.from({ length: n }, work))
const JSON_TYPE = { 'content-type': 'application/json' }

/** What is sent to the server, and where its answers are noted. */
async function hostileTo(app: Running, rows: HostileRow[]): Promise<Hostile> {
  const send = sender(app.address)
  const [author, staff] = [await signIn(app.address, 'tomasz@larkmoor.example'), await signIn(app.address, 'ines@larkmoor.example')]
  return {
    ...{ send, author, staff },
    newGuide: async () => {
      const response = await fetch(`${app.address}/api/guides`, {
        method: 'POST',
        headers: { cookie: author.cookie, 'x-csrf-token': author.csrf, ...JSON_TYPE },
        body: JSON.stringify({ title: 'Hostile', kind: 'how-to', folderId: null }),
      })
      return ((await response.json()) as { id: string }).id
    },
    changes: (id, baseRevision, list) =>
      send(author, 'POST', `/api/guides/${id}/draft/changes`, { baseRevision, changeSetId: nanoid(), changes: list }),
    measure: async (name, work) => {
      await loopDelay(app)
      const from = performance.now()
      const statuses = await work()
      const ms = performance.now() - from
      const { maxMs, p99Ms, rssMb } = await loopDelay(app)
      rows.push({ name, statuses: [...new Set(statuses)].join(', '), ms, maxHeldMs: maxMs, p99HeldMs: p99Ms, rssMb })
    },
  }
}

/** Bodies and files that are larger than they look. */
async function packedBodies({ send, author, staff, measure, newGuide }: Hostile): Promise<void> {
  await measure('sign-in with 3.9 MB of "["', () => many(4, () => send(null, 'POST', '/api/session', '['.repeat(3_900_000), JSON_TYPE)))
  const packed = new Uint8Array(gzipSync(Buffer.alloc(3_900_000, '[')))
  await measure('the same in 4 kB of gzip', () =>
    many(8, () => send(null, 'POST', '/api/session', packed, { ...JSON_TYPE, 'content-encoding': 'gzip' })),
  )
  const bomb = new Uint8Array(gzipSync(Buffer.alloc(59_000_000, 'a')))
  await measure('10 imports by staff, 60 kB of gzip each', () =>
    many(10, () => send(staff, 'POST', '/api/imports?name=a.md', bomb, { 'content-type': 'text/markdown', 'content-encoding': 'gzip' })),
  )
  const guide = await newGuide()
  const svg = new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg">${'<rect width="9" height="9"/>'.repeat(800_000)}</svg>`)
  const picture = (bytes: Uint8Array, type: string) => () =>
    send(author, 'POST', `/api/guides/${guide}/pictures`, bytes, { 'content-type': type })
  await measure('4 × 22 MB of SVG as a picture', () => many(4, picture(svg, 'image/svg+xml')))
  await measure('8 × PNG of 59,000,000 × 1', () => many(8, picture(wide(59_000_000, 1), 'image/png')))
}

/** Drafts with more in them than anybody writes. */
async function largeDrafts({ send, author, measure, newGuide, changes }: Hostile): Promise<void> {
  const sections = await newGuide()
  const insert = () => ({ type: 'insert-item', item: { kind: 'section', id: nanoid(), title: 'x' }, after: null })
  let revision = 0
  const fill = async (count: number) => [await changes(sections, revision++, Array.from({ length: count }, insert))]
  await measure('6,000 sections', async () => [...(await fill(2_000)), ...(await fill(2_000)), ...(await fill(2_000))])
  const silenced = Array.from({ length: 2_000 }, (_, n) => ({ type: 'silence', finding: `acronym:${n}`, silenced: true }))
  await measure('2,000 changes on revision 0 of them', async () => [
    await changes(sections, 0, Array.from({ length: 2_000 }, insert)),
    await changes(sections, 0, silenced),
  ])
  const long = 'word '.repeat(580_000)
  const longStep = () => ({
    type: 'insert-item',
    item: { kind: 'step', id: nanoid(), body: richTextOf(long), pictures: [] },
    after: null,
  })
  const clashing = await newGuide()
  await changes(clashing, 0, [longStep(), { type: 'set-facts', facts: { title: 'theirs' } }])
  const titles = Array.from({ length: 100 }, (_, n) => ({ type: 'set-facts', facts: { title: `mine ${n}` } }))
  await measure('100 clashing titles beside 2.9 MB of text', async () => [await changes(clashing, 0, titles)])
  const large = await newGuide()
  await measure('saving 2.9 MB of text, twice', async () => [await changes(large, 0, [longStep()]), await changes(large, 1, [longStep()])])
  await measure('opening a draft of 5.8 MB, 5 at once', () => many(5, () => send(author, 'GET', `/api/guides/${large}/draft`, undefined)))
}

/** Imports and events that cost more to read than to write. */
async function deepAndLong({ send, author, measure }: Hostile): Promise<void> {
  const importing = (text: string) => () =>
    send(author, 'POST', '/api/imports?name=a.md', new TextEncoder().encode(text), { 'content-type': 'text/markdown' })
  await measure('import of <b> 50,000 deep', () => many(2, importing('<b>'.repeat(50_000))))
  await measure('import of 6 MB of "1. a"', () => many(2, importing('1. a\n'.repeat(1_200_000))))
  await measure('import of 4 MB of short paragraphs', () => many(2, importing('Rinse the tray.\n\n'.repeat(230_000))))
  const events = Array.from({ length: 500 }, () => ({ id: 'x', verb: 'no such', occurredAt: 2 ** 53 }))
  await measure('500 events that are none, 8 at once', () =>
    many(8, () => send(author, 'POST', '/api/events', { sentAt: Date.now(), events })),
  )
}

/** Sends what a hostile day had found, and says for each how long the event loop of the server was held. */
export async function hostileTimes(app: Running): Promise<HostileRow[]> {
  const rows: HostileRow[] = []
  const hostile = await hostileTo(app, rows)
  await packedBodies(hostile)
  await largeDrafts(hostile)
  await deepAndLong(hostile)
  return rows
}
