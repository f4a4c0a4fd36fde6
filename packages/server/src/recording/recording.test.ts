import { putJob } from '../jobs'
import { unzipSync } from 'fflate'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, type Company, type TestServer, type Who } from '../testing/testServer'

let server: TestServer
let company: Company
let png: Buffer
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  png = await aPicture('#095660')
})
afterAll(() => server.close())
const aPicture = (background: string, width = 640, height = 400) =>
  sharp({ create: { width, height, channels: 3, background } })
    .png()
    .toBuffer()

/** A paired browser: what it sends carries its token and no cookie. */
class Paired {
  constructor(
    readonly token: string,
    readonly client = new Client(server.address),
  ) {}
  send(method: string, path: string, body?: unknown, more: Record<string, string> = {}): Promise<Response> {
    return this.client.send(method, `/api/recorder${path}`, body, {
      authorization: `Bearer ${this.token}`,
      origin: `chrome-extension://${'a'.repeat(32)}`,
      ...more,
    })
  }
  async json(method: string, path: string, body?: unknown): Promise<any> {
    const response = await this.send(method, path, body)
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`)
    return response.json()
  }
  picture(recording: string, shot: string, bytes: Buffer = png, type = 'image/png'): Promise<Response> {
    return this.send('put', `/recordings/${recording}/pictures/${shot}`, new Uint8Array(bytes), { 'content-type': type })
  }
}
async function paired(who: Who): Promise<Paired> {
  const { code } = await (await company.as(who)).json('post', '/api/recorders/code')
  const answer = await (await new Client(server.address).send('post', '/api/recorder/pairing', { code, name: 'Chromium on linux' })).json()
  return new Paired((answer as { token: string }).token)
}
const page = { address: 'https://book.example/orders', title: 'Order Book', heading: 'Orders', application: 'Order Book', language: 'en' }
const anAction = (name: string, shotId: string | null, n = 0): any => ({
  id: nanoid(),
  kind: 'click',
  at: 1_770_000_000_000 + n * 1_000,
  tab: 0,
  page,
  element: {
    tag: 'button',
    role: 'button',
    name,
    text: name,
    rect: { x: 10, y: 20, width: 60, height: 20 },
    frame: [],
    inShadow: false,
    around: [],
    locators: [{ kind: 'role-name', value: `button "${name}"`, weight: 0.85, unique: true }],
  },
  scroll: { x: 0, y: 0 },
  window: { width: 640, height: 400 },
  devicePixelRatio: 1,
  ...(shotId ? { shot: { id: shotId, widthPx: 640, heightPx: 400, source: 'ahead', certain: true } } : {}),
})
const begin = async (by: Paired, target: object | null = null): Promise<string> => {
  const id = nanoid()
  await by.json('post', '/recordings', { id, language: 'en', target })
  return id
}
const finish = (by: Paired, id: string, actions: readonly { id: string }[]) =>
  by.json('post', `/recordings/${id}/finish`, { actions: actions.map((each) => each.id) })

describe('pairing', () => {
  it('takes a code once, for ten minutes, however it is written', async () => {
    const author = await company.as('author')
    const { code } = await author.json('post', '/api/recorders/code')
    expect(code).toMatch(/^[2-9A-HJKMNP-Z]{4}-[2-9A-HJKMNP-Z]{4}$/)
    const use = (what: string) => new Client(server.address).send('post', '/api/recorder/pairing', { code: what, name: 'Here' })
    expect(await (await use(` ${code.toLowerCase().replace('-', ' ')} `)).json()).toMatchObject({
      person: 'Name of author',
      company: 'Larkmoor Glasshouses',
    })
    expect((await use(code)).status).toBe(422)
    const late = await author.json('post', '/api/recorders/code')
    server.clock.now += 11 * 60_000
    expect((await use(late.code)).status).toBe(422)
    const [older, newer] = [await author.json('post', '/api/recorders/code'), await author.json('post', '/api/recorders/code')]
    expect((await use(older.code)).status).toBe(422)
    expect((await use(newer.code)).status).toBe(200)
  })
  it('cannot be guessed at for long', async () => {
    const answers: number[] = []
    for (let n = 0; n < 40; n++)
      answers.push((await new Client(server.address).send('post', '/api/recorder/pairing', { code: 'ABCDEFGH', name: 'x' })).status)
    expect(answers).toContain(429)
    server.clock.now += 3_600_000
  })
  it('is listed, and ended at once from either side', async () => {
    const by = await paired('author')
    expect(await by.json('get', '/pairing')).toEqual({ person: 'Name of author', company: 'Larkmoor Glasshouses' })
    const author = await company.as('author')
    const [newest] = await author.json('get', '/api/recorders')
    expect(newest).toMatchObject({ name: 'Chromium on linux', pairedAt: server.clock.now })
    expect((await (await company.as('lead')).send('delete', `/api/recorders/${newest.id}`)).status).toBe(404)
    expect((await author.send('delete', `/api/recorders/${newest.id}`)).status).toBe(204)
    const refused = await by.send('get', '/pairing')
    expect([refused.status, ((await refused.json()) as any).code]).toEqual([401, 'not-paired'])
    const other = await paired('author')
    expect((await other.send('delete', '/pairing')).status).toBe(204)
    expect((await other.send('post', '/recordings', { id: nanoid(), language: 'en', target: null })).status).toBe(401)
  })
  it('is of no use anywhere else, and ends with the right to write guides', async () => {
    const by = await paired('otherAuthor')
    expect((await by.client.send('get', '/api/guides', undefined, { authorization: `Bearer ${by.token}` })).status).toBe(401)
    await server.parts.database.rows(`update person set permissions = '{}' where id = $1`, [company.people.otherAuthor])
    expect((await by.send('post', '/recordings', { id: nanoid(), language: 'en', target: null })).status).toBe(403)
    await server.parts.database.rows(`update person set active = false where id = $1`, [company.people.otherAuthor])
    expect((await by.send('get', '/pairing')).status).toBe(401)
    await server.parts.database.rows(`update person set active = true, permissions = '{guides.write,people.look-up}' where id = $1`, [
      company.people.otherAuthor,
    ])
  })
  it('never stores token or code as they are', async () => {
    const by = await paired('author')
    const rows = await server.parts.database.rows('select token_hash from recorder union all select code_hash from pairing_code')
    expect(JSON.stringify(rows)).not.toContain(by.token)
  })
})

describe('the extension', () => {
  it('comes as a zip made for this Jackdaw', async () => {
    const author = await company.as('author')
    const response = await author.send('get', '/recorder/jackdaw-recorder.zip')
    expect(response.headers.get('content-disposition')).toContain('jackdaw-recorder.zip')
    const files = unzipSync(new Uint8Array(await response.arrayBuffer()))
    const text = (name: string) => new TextDecoder().decode(files[`jackdaw-recorder/${name}`])
    expect(JSON.parse(text('jackdaw.json'))).toEqual({ origin: server.address })
    expect(JSON.parse(text('manifest.json'))).toMatchObject({
      manifest_version: 3,
      optional_host_permissions: ['<all_urls>'],
      host_permissions: ['http://127.0.0.1/*'],
      externally_connectable: { matches: ['http://127.0.0.1/*'] },
    })
    expect(Object.keys(files)).toEqual(
      expect.arrayContaining(['jackdaw-recorder/background.js', 'jackdaw-recorder/content.js', 'jackdaw-recorder/panel.html']),
    )
  })
})

describe('a recording', () => {
  let by: Paired
  beforeEach(async () => {
    by = await paired('author')
  })
  it('becomes a draft with its pictures; what was dropped is gone, also from the storage', async () => {
    const id = await begin(by)
    const [kept, dropped, unused] = [nanoid(), nanoid(), nanoid()]
    const red = await aPicture('#ff0000')
    for (const [shot, bytes] of [
      [kept, png],
      [dropped, red],
      [unused, await aPicture('#00ff00')],
    ] as const)
      expect((await by.picture(id, shot, bytes)).status).toBe(200)
    const actions = [anAction('New order', kept), anAction('Oops', dropped, 1)]
    await by.json('post', `/recordings/${id}/actions`, { actions })
    const before = await contents()
    const done = await finish(by, id, [actions[0]])
    expect(done).toMatchObject({ done: true, steps: 1, unsure: 0 })
    const author = await company.as('author')
    const draft = await author.json('get', `/api/guides/${done.guideId}/draft`)
    expect(draft.document).toMatchObject({ title: 'New order in Order Book', language: 'en', version: 4 })
    const [step] = draft.document.items
    expect(step.action.element.rect).toEqual({ x: 10, y: 20, width: 60, height: 20 })
    expect((await author.send('get', `/guides/${done.guideId}/draft/pictures/${step.pictures[0].id}`)).status).toBe(200)
    expect((await contents()).length).toBeLessThan(before.length)
    expect(await server.parts.database.rows('select 1 from recording_action where recording_id = $1', [id])).toHaveLength(1)
    expect(await finish(by, id, [actions[0]])).toEqual(done)
    expect((await by.picture(id, nanoid())).status).toBe(409)
    expect((await by.send('post', `/recordings/${id}/actions`, { actions: [anAction('Late', null, 2)] })).status).toBe(409)
    // What is there already may come again, also after the end: two senders, or a lost answer.
    expect((await by.picture(id, kept)).status).toBe(200)
    expect((await by.send('post', `/recordings/${id}/actions`, { actions: [actions[0]] })).status).toBe(200)
  })
  it('that is sent twice over, in pieces and out of order is the same recording', async () => {
    const id = await begin(by)
    await by.json('post', '/recordings', { id, language: 'en', target: null })
    const shots = Array.from({ length: 6 }, () => nanoid())
    const actions = shots.map((shot, n) => anAction(`Button ${n}`, shot, n))
    for (const round of [actions.slice(3), actions, actions.slice(0, 4)])
      await by.json('post', `/recordings/${id}/actions`, { actions: round })
    for (const shot of [...shots, ...shots]) expect((await by.picture(id, shot)).status).toBe(200)
    const done = await finish(by, id, actions)
    expect(done.steps).toBe(6)
  })
  it('says what it misses and writes nothing until it is there', async () => {
    const id = await begin(by)
    const [one, two] = [anAction('One', nanoid()), anAction('Two', null, 1)]
    await by.json('post', `/recordings/${id}/actions`, { actions: [one] })
    expect(await finish(by, id, [one, two])).toEqual({ done: false, missing: { actions: [two.id], shots: [one.shot.id] } })
    await by.json('post', `/recordings/${id}/actions`, { actions: [two] })
    await by.picture(id, one.shot.id)
    const done = await finish(by, id, [one, two])
    expect(done).toMatchObject({ done: true, steps: 2, unsure: 1 })
    const draft = await (await company.as('author')).json('get', `/api/guides/${done.guideId}/draft`)
    expect(draft.document.items[1].check).toMatchObject({ doubts: ['no-picture'] })
    expect(done.firstStep).toBe(draft.document.items[1].id)
  })
  it('goes into its place in an existing guide', async () => {
    const guide = await aGuide(server, company, 'author')
    const id = await begin(by, { guideId: guide.id, after: guide.steps[0] })
    const actions = [anAction('First', null), anAction('Second', null, 1)]
    await by.json('post', `/recordings/${id}/actions`, { actions })
    await finish(by, id, actions)
    const { document } = await (await company.as('author')).json('get', `/api/guides/${guide.id}/draft`)
    expect(document.title).toBe('Rinse the trays')
    expect(
      document.items.map((item: any) => item.action?.element?.name ?? item.body.content[0].content.map((run: any) => run.text).join('')),
    ).toEqual(['Fill the basin', 'Select First.', 'Select Second.', 'Rinse', 'Stack'])
  })
  it('into a guide that is not one’s own is refused at the beginning and at the end', async () => {
    const guide = await aGuide(server, company, 'author')
    const other = await paired('otherAuthor')
    const start = (target: object) => other.send('post', '/recordings', { id: nanoid(), language: 'en', target })
    expect((await start({ guideId: guide.id, after: null })).status).toBe(404)
    expect((await start({ guideId: nanoid(), after: null })).status).toBe(404)
    expect((await start({ guideId: '../../etc', after: null })).status).toBe(422)
    const lead = await paired('lead')
    const id = await begin(lead, { guideId: guide.id, after: null })
    const action = anAction('One', null)
    await lead.json('post', `/recordings/${id}/actions`, { actions: [action] })
    await server.parts.database.rows(`update person set permissions = '{guides.write}' where id = $1`, [company.people.lead])
    expect((await lead.send('post', `/recordings/${id}/finish`, { actions: [action.id] })).status).toBe(404)
    await server.parts.database.rows(
      `update person set permissions = '{guides.write,guides.all,guides.publish,folders.change,people.look-up,records.all,people.invite}' where id = $1`,
      [company.people.lead],
    )
    await (await company.as('author')).send('patch', `/api/guides/${guide.id}`, { archived: true })
    expect((await lead.send('post', `/recordings/${id}/finish`, { actions: [action.id] })).status).toBe(409)
  })
  it('of somebody else is not there', async () => {
    const id = await begin(by)
    const other = await paired('lead')
    expect((await other.picture(id, nanoid())).status).toBe(404)
    expect((await other.send('post', `/recordings/${id}/actions`, { actions: [anAction('x', null)] })).status).toBe(404)
    expect((await other.send('post', `/recordings/${id}/finish`, { actions: [] })).status).toBe(404)
    expect((await other.send('delete', `/recordings/${id}`)).status).toBe(404)
    expect((await other.send('post', '/recordings', { id, language: 'en', target: null })).status).toBe(404)
  })
  it('is thrown away with its pictures when it is discarded, or after a month', async () => {
    const before = await contents()
    const id = await begin(by)
    await by.picture(id, nanoid(), await aPicture('#123456'))
    expect((await by.send('delete', `/recordings/${id}`)).status).toBe(204)
    const old = await begin(by)
    await by.picture(old, nanoid(), await aPicture('#654321'))
    server.clock.now += 31 * 86_400_000
    await putJob(server.parts.database, 'remove-abandoned-recordings', {})
    await server.runner.drain()
    expect(await contents()).toEqual(before)
    expect(await server.parts.database.rows('select 1 from recording where id = any ($1)', [[id, old]])).toEqual([])
  })
  it('lets a browser ask for names without telling them', async () => {
    const answer = await by.json('post', '/recordings', { id: nanoid(), language: 'en', target: null })
    expect(answer.names.marks.length).toBeGreaterThan(5)
    expect(JSON.stringify(answer)).not.toMatch(/Name of|example\.org/)
  })
  async function contents(): Promise<string[]> {
    const all: string[] = []
    for await (const { hash } of server.parts.content.list()) all.push(hash)
    return all.sort()
  }
})

describe('what a recorder sends', () => {
  let by: Paired
  let id: string
  beforeAll(async () => {
    by = await paired('author')
    id = await begin(by)
  })
  it.each([
    ['text as a picture', Buffer.from('not a picture'), 'image/png', 422],
    ['a drawing with a script', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'), 'image/svg+xml', 422],
    ['13 MB', Buffer.alloc(13 * 1024 * 1024, 7), 'image/png', 413],
    ['another type', Buffer.from('x'), 'text/html', 415],
  ])('is refused when it is %s', async (_, bytes, type, status) => {
    expect((await by.picture(id, nanoid(), bytes, type)).status).toBe(status)
  })
  it('is refused when ids are none', async () => {
    expect((await by.picture(id, 'x')).status).toBe(404)
    expect((await by.picture('..%2f..%2fetc', nanoid())).status).toBe(404)
  })
  it.each([
    ['no kind', (a: any) => ({ ...a, kind: 'explode' })],
    ['a name of a megabyte', (a: any) => ({ ...a, element: { ...a.element, name: 'x'.repeat(1_000_000) } })],
    ['a size that is none', (a: any) => ({ ...a, window: { width: 'wide', height: -4 } })],
    ['a time before all times', (a: any) => ({ ...a, at: -1 })],
    ['no id', (a: any) => ({ ...a, id: "'; drop table recording; --" })],
    ['2,000 boxes of text', (a: any) => ({ ...a, textBoxes: Array.from({ length: 2_000 }, () => ({ rect: a.element.rect, text: 'x' })) })],
  ])('is refused when an action has %s', async (_, bad) => {
    const response = await by.send('post', `/recordings/${id}/actions`, { actions: [anAction('Good', null), bad(anAction('Bad', null))] })
    expect([response.status, ((await response.json()) as any).code]).toEqual([422, 'invalid'])
    expect(await server.parts.database.rows('select 1 from recording_action where recording_id = $1', [id])).toEqual([])
  })
  it('cannot bring markup, links or a pretended element into the draft', async () => {
    const evil = await begin(by)
    const action = {
      ...anAction('<img src=x onerror=alert(1)>', null),
      page: { ...page, address: 'javascript:alert(1)', application: '<b>App</b>' },
    }
    const open = { ...action, id: nanoid(), kind: 'page', opened: 'typed', element: undefined, at: action.at - 5_000 }
    await by.json('post', `/recordings/${evil}/actions`, { actions: [open, action] })
    const done = await finish(by, evil, [open, action])
    const draft = JSON.stringify(
      (await (await company.as('author')).json('get', `/api/guides/${done.guideId}/draft`)).document.items.map((item: any) => item.body),
    )
    expect(draft).not.toContain('"link"')
    expect(draft).not.toContain('javascript')
  })
  it('may be 500 steps, which become one draft', async () => {
    const long = await begin(by)
    const shot = nanoid()
    await by.picture(long, shot)
    const actions = Array.from({ length: 500 }, (_, n) => anAction(`Button ${n}`, n % 50 === 0 ? shot : null, n))
    for (let at = 0; at < 500; at += 25) await by.json('post', `/recordings/${long}/actions`, { actions: actions.slice(at, at + 25) })
    const done = await finish(by, long, actions)
    expect(done).toMatchObject({ done: true, steps: 500 })
  }, 60_000)
  it('may not be more than fits', async () => {
    const full = await begin(by)
    await server.parts.database.rows(
      `insert into recording_action select $1, 'filler-' || n, '{}'::jsonb from generate_series(1, 1990) n`,
      [full],
    )
    const response = await by.send('post', `/recordings/${full}/actions`, {
      actions: Array.from({ length: 11 }, (_, n) => anAction(`B ${n}`, null, n)),
    })
    expect([response.status, ((await response.json()) as any).code]).toEqual([409, 'recording-full'])
  })
})
