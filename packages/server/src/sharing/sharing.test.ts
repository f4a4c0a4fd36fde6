import { ticked } from '@jackdaw/core/audiences'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { ExportHand } from '../testing/exportHand'
import { aGuide, Client, smallCompany, startTestServer, type Company, type TestServer } from '../testing/testServer'
import { throttleOfLinks } from './throttle'

let server: TestServer
let company: Company
let lead: Client
let admin: Client
let guest: Client
const DAY_MS = 86_400_000
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  admin = await company.as('admin')
  guest = new Client(server.address)
})
afterAll(() => server.close())
const rules = (over: object) => admin.json('put', '/api/sharing', { anyone: true, frames: [], ...over })
beforeEach(() => rules({}))

const NEW = { asksFor: null, carries: null, expiresOn: null }
type Link = { id: string; address: string; token: string }
async function aLink(id: GuideId, over: object = {}): Promise<Link> {
  const made = await lead.json('post', `/api/guides/${id}/links`, { ...NEW, ...over })
  return { ...made, token: made.address.split('/l/')[1] }
}
async function publishDraft(id: GuideId): Promise<void> {
  const { revision } = await lead.json('get', `/api/guides/${id}/draft`)
  const to = { audience: ticked([company.team], []), openToAll: false, due: { kind: 'none' } }
  await lead.json('post', `/api/guides/${id}/editions`, { revision, changeNote: 'More', mustReread: false, ...to })
}
const shared = (token: string, more = '') => guest.send('get', `/api/shared/${token}${more}`)
const why = async (answer: Response) => [answer.status, ((await answer.json()) as { detail: string }).detail.split('.')[0]]
const event = (id: GuideId, more: object) => ({
  ...{ id: uuidV7({ msecs: server.clock.now }), way: 'read', item: guideItem(id), edition: 1, occurredAt: server.clock.now },
  ...more,
})

describe('links for guests', () => {
  it('are not there until the company allows them, and stop at once when it does so no more', async () => {
    await rules({ anyone: false })
    const { id } = await aGuide(server, company, 'author')
    expect(await lead.json('get', `/api/guides/${id}/links`)).toMatchObject({ anyone: false, published: true, links: [] })
    expect((await lead.send('post', `/api/guides/${id}/links`, NEW)).status).toBe(409)
    await rules({})
    const { token } = await aLink(id)
    expect((await shared(token)).status).toBe(200)
    await rules({ anyone: false })
    expect(await why(await shared(token))).toEqual([404, 'Guides are not shown to guests any more'])
  })
  it('show the newest edition, without any name of a person', async () => {
    const { id } = await aGuide(server, company, 'author')
    const { token, address } = await aLink(id)
    expect(address).toMatch(/\/l\/[A-Za-z0-9_-]{32}$/)
    const text = await (await shared(token)).text()
    expect(JSON.parse(text)).toMatchObject({
      title: 'Rinse the trays',
      asks: null,
      guide: { guideId: id, edition: 1 },
      document: { title: 'Rinse the trays' },
    })
    expect(text).not.toContain('Name of')
    expect(JSON.stringify(await server.parts.database.rows('select * from share_link'))).not.toContain(token)
  })
  it('end when they are revoked, when their days are over, when the guide is archived; and say so', async () => {
    const { id } = await aGuide(server, company, 'author')
    const made = async (over: object = {}) => {
      server.clock.now += 1_000
      return aLink(id, over)
    }
    const [revoked, short, kept] = [await made(), await made({ expiresOn: '2026-03-11' }), await made()]
    await lead.json('post', `/api/guides/${id}/links/${revoked.id}/revoke`, undefined, 204)
    expect(await why(await shared(revoked.token))).toEqual([404, 'This link has been taken back'])
    server.clock.now += 2 * DAY_MS
    expect(await why(await shared(short.token))).toEqual([404, 'The days of this link are over'])
    expect((await shared(kept.token)).status).toBe(200)
    await server.parts.database.rows(`update item set archived_at = now() where id = $1`, [id])
    expect(await why(await shared(kept.token))).toEqual([404, 'The guide behind this link is not in use any more'])
    expect(await why(await shared('A'.repeat(32)))).toEqual([404, 'This link leads nowhere'])
    const states = (await lead.json('get', `/api/guides/${id}/links`)).links.map((link: any) => [
      link.revokedAt !== null,
      link.expiresAt !== null,
    ])
    expect(states).toEqual([
      [false, false],
      [false, true],
      [true, false],
    ])
  })
  it('ask for a number first, and show nothing before', async () => {
    const hand = await ExportHand.of(server, company)
    const { id, picture } = await hand.aGuideWithPicture()
    const { token } = await aLink(id, { asksFor: 'vehicle' })
    const visit = nanoid()
    const pictureOf = (of: string, more = '') => guest.send('get', `/shared/${token}/editions/1/pictures/${of}${more}`)
    expect(await (await shared(token)).json()).toMatchObject({ asks: 'vehicle', guide: null, document: null })
    expect((await pictureOf(picture)).status).toBe(404)
    const begin = (number: unknown) => guest.send('post', `/api/shared/${token}/visits`, { visit, number })
    for (const wrong of [null, 'Ada Finch', '']) expect((await begin(wrong)).status).toBe(422)
    const events = { visit, sentAt: server.clock.now, events: [event(id, { verb: 'opened' })] }
    expect((await guest.send('post', `/api/shared/${token}/events`, events)).status).toBe(422)
    expect((await begin('LM-204')).status).toBe(204)
    expect(await (await shared(token, `?visit=${visit}`)).json()).toMatchObject({ guide: { guideId: id } })
    expect((await pictureOf(picture, `?visit=${visit}`)).status).toBe(200)
    const other = await hand.aGuideWithPicture()
    expect((await pictureOf(other.picture, `?visit=${visit}`)).status).toBe(404)
    expect(await lead.json('get', `/api/guides/${id}/guest-visits?number=lm%20204`)).toMatchObject([{ id: visit, number: 'LM-204' }])
    await hand.close()
  })
  it('carry a number, under which their use is found', async () => {
    const { id, steps } = await aGuide(server, company, 'author')
    const { token } = await aLink(id, { carries: 'Job 17' })
    const visit = nanoid()
    const events = [
      event(id, { verb: 'opened' }),
      event(id, { verb: 'step-viewed', part: steps[0] }),
      event(id, { verb: 'time-spent', part: steps[0], activeMs: 4_000 }),
      event(id, { verb: 'finished' }),
    ]
    const send = (list: unknown[]) => guest.json('post', `/api/shared/${token}/events`, { visit, sentAt: server.clock.now, events: list })
    expect(await send(events)).toEqual({ taken: 4, refused: [] })
    // Sent again it counts once.
    await send(events)
    const found = await lead.json('get', `/api/guides/${id}/guest-visits?number=job-17`)
    expect(found).toMatchObject([{ number: 'Job 17', seen: 1, activeMs: 4_000, finishedAt: server.clock.now }])
    expect(await lead.json('get', `/api/guides/${id}/guest-visits?number=18`)).toEqual([])
    expect((await lead.json('get', `/api/guides/${id}/links`)).links).toMatchObject([{ carries: 'Job 17', visits: 1, finished: 1 }])
  })
})

describe('what guests do', () => {
  it('is a subject of its own: nobody’s progress, nobody’s record', async () => {
    const { id, steps } = await aGuide(server, company, 'author')
    const { token } = await aLink(id)
    const visit = nanoid()
    await guest.json('post', `/api/shared/${token}/events`, {
      visit,
      sentAt: server.clock.now,
      events: [event(id, { verb: 'step-viewed', part: steps[0] })],
    })
    const db = server.parts.database
    expect(await db.rows('select subject_kind, subject_id, actor_kind, attested from event where subject_id = $1', [visit])).toEqual([
      { subject_kind: 'guest', subject_id: visit, actor_kind: 'guest', attested: false },
    ])
    for (const table of ['part_progress', 'item_progress', 'edition_given'])
      expect([table, await db.rows(`select 1 from ${table} where person_id = $1`, [visit])]).toEqual([table, []])
  })
  it('is refused where it is of another guide, another way, or no step of it', async () => {
    const [one, other] = [await aGuide(server, company, 'author'), await aGuide(server, company, 'author')]
    const { token } = await aLink(one.id)
    const events = [
      event(other.id, { verb: 'opened' }),
      event(one.id, { verb: 'opened', way: 'watch' }),
      event(one.id, { verb: 'step-viewed', part: nanoid<StepId>() }),
      event(one.id, { verb: 'opened', edition: 7 }),
      'nothing',
    ]
    const { taken, refused } = await guest.json('post', `/api/shared/${token}/events`, {
      visit: nanoid(),
      sentAt: server.clock.now,
      events,
    })
    expect([taken, refused.map((each: any) => each.why)]).toEqual([
      0,
      ['unknown-guide', 'unknown-guide', 'unknown-step', 'unknown-edition', 'malformed'],
    ])
  })
  it('is told of it when the edition before a guest is withdrawn', async () => {
    const { id } = await aGuide(server, company, 'author')
    const { token } = await aLink(id)
    const { revision } = await lead.json('get', `/api/guides/${id}/draft`)
    const changes = [{ type: 'set-facts', facts: { title: 'Rinse twice' } }]
    await lead.json('post', `/api/guides/${id}/draft/changes`, { baseRevision: revision, changeSetId: nanoid(), changes })
    await publishDraft(id)
    const holding = async () => (await shared(token, '/editions/2/holding')).json()
    expect(await holding()).toEqual({ edition: 2, withdrawn: null })
    await lead.json('post', `/api/guides/${id}/editions/2/withdraw`, { why: 'Wrong valve' })
    expect(await holding()).toEqual({ edition: 1, withdrawn: { why: 'Wrong valve' } })
    expect(await (await shared(token)).json()).toMatchObject({ guide: { edition: 1 } })
  })
  it('does not get beyond the one guide: every address of the API below the link answers 404 but its own', async () => {
    const { id } = await aGuide(server, company, 'author')
    const { token } = await aLink(id)
    const own = new Set([
      '/api/shared/:token',
      '/api/shared/:token/visits',
      '/api/shared/:token/editions/:edition/holding',
      '/api/shared/:token/events',
    ])
    const tried: [string, number][] = []
    for (const { method, path } of server.routes.served) {
      if (own.has(path) || method === 'head') continue
      const rest = path
        .replace(/^\/api/, '')
        .replace(/:id\b/g, id)
        .replace(/:\w+/g, nanoid())
      // The one that leads back to the link itself.
      if (rest === '/events') continue
      const answer = await guest.send(method, `/api/shared/${token}${rest}`, method === 'get' ? undefined : {})
      tried.push([`${method} ${rest}`, answer.status])
    }
    expect(tried.length).toBeGreaterThan(150)
    expect(tried.filter(([, status]) => status !== 404)).toEqual([])
    // And nothing of it is open to whoever has no more than the link.
    expect((await guest.send('get', `/api/guides/${id}/reader`)).status).toBe(401)
    expect((await guest.send('get', `/api/guides/${id}/reader`, undefined, { authorization: `Bearer ${token}` })).status).toBe(401)
  })
})

it('holds one link back that is asked without end, and no other', async () => {
  const throttle = throttleOfLinks(3)
  for (let n = 0; n < 3; n++) await throttle('loud')
  await expect(throttle('loud')).rejects.toMatchObject({ code: 'too-many-tries', retryAfterS: 60 })
  await throttle('quiet')
})

describe('a frame on another site', () => {
  const framing = async (path: string) => {
    const { headers } = await guest.send('get', path, undefined, { accept: 'text/html' })
    return [/frame-ancestors ([^;]*)/.exec(headers.get('content-security-policy') ?? '')?.[1], headers.get('x-frame-options')]
  }
  it('may show a guide behind a link on the sites that the company names, and nothing else', async () => {
    expect(await framing(`/l/${'A'.repeat(32)}`)).toEqual(["'none'", 'DENY'])
    expect(await rules({ frames: ['https://wiki.larkmoor.example/start', 'https://wiki.larkmoor.example'] })).toMatchObject({
      frames: ['https://wiki.larkmoor.example'],
    })
    expect(await framing(`/l/${'A'.repeat(32)}`)).toEqual(['https://wiki.larkmoor.example', null])
    expect(await framing('/library')).toEqual(["'none'", 'DENY'])
    const refused = await admin.send('put', '/api/sharing', { anyone: true, frames: ['wiki'] })
    expect(await refused.json()).toMatchObject({ errors: [{ pointer: '/body/frames/0' }] })
    await rules({ anyone: false, frames: ['https://wiki.larkmoor.example'] })
    expect(await framing(`/l/${'A'.repeat(32)}`)).toEqual(["'none'", 'DENY'])
  })
})
