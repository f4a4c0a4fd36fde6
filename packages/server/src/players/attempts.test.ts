import { ticked } from '@jackdaw/core/audiences'
import { PLAIN_SOLO, type GuideDocument, type Step, type Verb } from '@jackdaw/core/guides'
import { actingScriptOf, begin, type PlayerEvent, PlayerState, reduce, scoreOf } from '@jackdaw/core/players'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { recount } from '../events'
import { aGuide, documentOf, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let staff: Client
let png: Buffer
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  staff = await company.as('staff')
  png = await sharp({ create: { width: 1_000, height: 600, channels: 3, background: '#f2f4f5' } })
    .png()
    .toBuffer()
})
beforeEach(() => {
  server.clock.now = START
})
afterAll(() => server.close())

const SECRET = { x: 731.25, y: 417.5, width: 100, height: 40 }
function acting(step: Step, verb: Verb, pictureId: string, value?: string): Step {
  const element = {
    pictureId: pictureId as never,
    rect: SECRET,
    of: { widthPx: 1_000, heightPx: 600 },
    role: 'textbox',
    name: 'Customer',
    frame: [],
    locators: [{ kind: 'css' as const, value: '#giveaway', weight: 1, unique: true }],
  }
  return {
    ...step,
    pictures: [
      {
        id: pictureId as never,
        alt: 'framed: giveaway alt',
        annotations: [{ id: 'label-1', kind: 'label', words: 'giveaway label', at: { to: 'element', at: 'right', gapPx: 0 } }],
      },
    ],
    action: { verb, ...(value === undefined ? {} : { value }), page: { address: 'giveaway', title: '', application: '' }, element },
  }
}
/** A guide of which a step is clicked and one is typed in, and one is only read. */
async function aTest(solo: Partial<GuideDocument['solo']> = {}, more: Partial<Step> = {}) {
  const pictureId = nanoid()
  const plain = documentOf('Enter an order', 'Giveaway: open the form', 'Giveaway: type the customer', 'You are done')
  const [click, type, read] = plain.items as [Step, Step, Step]
  const items = [
    acting(click, 'select', pictureId),
    {
      ...acting(type, 'type', pictureId, 'Copper Ladle'),
      exercise: { accept: { how: 'same' as const, value: 'Copper Ladle' }, message: 'Not a customer' },
      ...more,
    },
    read,
  ]
  const guide = await aGuide(server, company, 'lead', {
    document: { ...plain, items, solo: { ...PLAIN_SOLO, task: 'A new order', triesPerStep: 2, ...solo } },
    published: false,
  })
  await server.services.addPicture({ id: pictureId as never, guideId: guide.id, bytes: png, by: company.people.lead, now: START })
  await server.services.publish(
    guide.id,
    {
      revision: 0,
      changeNote: 'First',
      mustReread: false,
      audience: ticked([company.team], []),
      openToAll: false,
      due: { kind: 'none' },
    },
    company.people.lead,
    START,
  )
  return { ...guide, pictureId, document: { ...plain, items, solo: { ...PLAIN_SOLO, ...solo } } as GuideDocument }
}
type Test = Awaited<ReturnType<typeof aTest>>
const pointed = (test: Test, right: boolean) => ({
  type: 'act',
  act: { do: 'click', pictureId: test.pictureId, by: 'mouse', scale: 1, at: right ? { x: 780, y: 430 } : { x: 5, y: 5 }, how: 'once' },
})
const enter = (entry: string) => ({ type: 'act', act: { do: 'enter', entry } })
const goOn = { type: 'act', act: { do: 'go-on' } }
const start = (test: Test, as = staff, status = 200) => as.json('post', `/api/guides/${test.id}/attempts`, { language: 'en' }, status)
const acts = async (test: Test, attempt: any, list: object[], as = staff) => {
  let last = attempt
  for (const does of list) {
    server.clock.now += 3_000
    last = await as.json('post', `/api/guides/${test.id}/attempts/${attempt.attemptId}/acts`, { n: last.acts + 1, actId: nanoid(), does })
  }
  return last
}

describe('a test', () => {
  it('is judged on the server and passed, and nothing that it sends gives an answer away', async () => {
    const test = await aTest()
    const seen: unknown[] = []
    let attempt = await start(test)
    seen.push(attempt)
    expect(attempt).toMatchObject({
      task: 'A new order',
      acts: 0,
      screen: { position: 1, of: 3, triesLeft: 2, body: null, picture: { widthPx: 1_000 } },
      result: null,
    })
    for (const does of [pointed(test, true), pointed(test, true)]) seen.push((attempt = await acts(test, attempt, [does])))
    expect(attempt).toMatchObject({ said: { is: 'part' }, screen: { position: 2, field: { options: null } } })
    seen.push((attempt = await acts(test, attempt, [enter('wrong')])))
    expect(attempt.said).toEqual({ is: 'wrong', message: 'Not a customer' })
    for (const value of [...Object.values(SECRET).slice(0, 2).map(String), 'Copper Ladle', 'iveaway', '"at"', 'rect'])
      expect(JSON.stringify(seen)).not.toContain(value)
    attempt = await acts(test, attempt, [enter('copper ladle'), goOn])
    expect(attempt.screen).toBeNull()
    expect(attempt.result).toMatchObject({
      ended: 'finished',
      percent: 75,
      passed: false,
      judged: 2,
      rightFirst: 1,
      tries: 3,
      activeMs: 15_000,
    })
    expect(attempt.result.missed).toEqual([{ stepId: test.steps[1], name: 'Giveaway: type the customer', tries: 2, done: true }])
    const second = await acts(test, await start(test), [pointed(test, true), pointed(test, true), enter('COPPER LADLE'), goOn])
    expect(second).toMatchObject({ number: 2, result: { percent: 100, passed: true, missed: [] } })
    const all = await staff.json('get', `/api/guides/${test.id}/attempts`)
    expect(all.done.map((each: any) => [each.number, each.result.percent])).toEqual([
      [2, 100],
      [1, 75],
    ])
  })
  it('goes on after the tries are used up, and can be given up', async () => {
    const test = await aTest()
    const attempt = await acts(test, await start(test), [pointed(test, false), pointed(test, false)])
    expect(attempt.screen).toMatchObject({ position: 2 })
    const left = await acts(test, attempt, [{ type: 'leave-out' }])
    expect(left.screen).toMatchObject({ position: 3, body: { type: 'doc' } })
    const given = await staff.json('post', `/api/guides/${test.id}/attempts/${attempt.attemptId}/end`)
    expect(given.result).toMatchObject({ ended: 'given-up', percent: 0, passed: false })
    expect((await staff.json('post', `/api/guides/${test.id}/attempts/${attempt.attemptId}/end`)).result).toEqual(given.result)
  })
  it('that is given up half way is no pass, however right the half was', async () => {
    const test = await aTest({ passMark: 50 })
    const attempt = await acts(test, await start(test), [pointed(test, true)])
    const given = await staff.json('post', `/api/guides/${test.id}/attempts/${attempt.attemptId}/end`)
    expect(given.result).toMatchObject({ percent: 50, passed: false, judged: 2 })
  })
  it('is gone on with where it was: in another window, on another server', async () => {
    const test = await aTest()
    const attempt = await acts(test, await start(test), [pointed(test, true)])
    const other = await server.second()
    const there = Object.assign(new (staff.constructor as typeof Client)(other.address), { cookie: staff.cookie, csrf: staff.csrf })
    const again = await start(test, there)
    expect(again).toMatchObject({ attemptId: attempt.attemptId, acts: 1, screen: { position: 2 } })
    await acts(test, again, [pointed(test, true), enter('Copper Ladle'), goOn], there)
    expect((await staff.json('get', `/api/guides/${test.id}/attempts/${attempt.attemptId}`)).result).toMatchObject({ percent: 100 })
    await other.close()
  })
  it('may be taken as often as its author says', async () => {
    const test = await aTest({ attempts: 1 })
    const attempt = await start(test)
    expect(attempt.attemptsLeft).toBe(0)
    expect((await start(test)).attemptId).toBe(attempt.attemptId)
    await staff.json('post', `/api/guides/${test.id}/attempts/${attempt.attemptId}/end`)
    expect(await start(test, staff, 409)).toMatchObject({ code: 'no-attempts-left' })
  })
  it('needs something to do', async () => {
    const guide = await aGuide(server, company, 'lead')
    expect(await staff.json('post', `/api/guides/${guide.id}/attempts`, { language: 'en' }, 409)).toMatchObject({ code: 'not-testable' })
  })
})

describe('acts that are no good', () => {
  const send = (test: Test, attempt: any, n: number, does: object, actId = nanoid(), as = staff) =>
    as.send('post', `/api/guides/${test.id}/attempts/${attempt.attemptId}/acts`, { n, actId, does })
  const code = async (response: Response) => [response.status, ((await response.json()) as { code?: string }).code]
  it('are refused when they are made up, repeated, reordered or late, and count for nothing', async () => {
    const test = await aTest()
    const attempt = await start(test)
    const [right, id] = [pointed(test, true), nanoid()]
    expect(await code(await send(test, attempt, 2, right))).toEqual([409, 'out-of-turn'])
    expect(await code(await send(test, attempt, 1, enter('Copper Ladle')))).toEqual([409, 'out-of-turn'])
    expect(await code(await send(test, attempt, 1, goOn))).toEqual([409, 'out-of-turn'])
    expect(await code(await send(test, attempt, 1, { type: 'choose', id: 'made-up' }))).toEqual([409, 'out-of-turn'])
    expect(await code(await send(test, attempt, 1, { type: 'verdict', is: 'right' }))).toEqual([422, 'invalid'])
    const first = (await (await send(test, attempt, 1, right, id)).json()) as any
    // A lost answer: the same act with the same id is answered alike; with another id it is refused.
    expect(await (await send(test, attempt, 1, right, id)).json()).toEqual(first)
    expect(await code(await send(test, attempt, 1, right))).toEqual([409, 'out-of-turn'])
    const both = await Promise.all([send(test, attempt, 2, right), send(test, attempt, 2, right)])
    expect(both.map((each) => each.status).sort()).toEqual([200, 409])
    server.clock.now += 25 * 3_600_000
    expect(await code(await send(test, attempt, 3, enter('Copper Ladle')))).toEqual([409, 'attempt-over'])
    expect((await staff.json('get', `/api/guides/${test.id}/attempts/${attempt.attemptId}`)).result).toMatchObject({
      ended: 'expired',
      passed: false,
    })
    expect(await code(await send(test, attempt, 3, enter('Copper Ladle')))).toEqual([409, 'attempt-over'])
    expect((await start(test)).number).toBe(2)
  })
  it('are those of other people’s attempts, and tests that somebody claims to have passed', async () => {
    const test = await aTest()
    const attempt = await start(test)
    const lead = await company.as('lead')
    expect((await send(test, attempt, 1, goOn, nanoid(), lead)).status).toBe(404)
    expect((await lead.send('get', `/api/guides/${test.id}/attempts/${attempt.attemptId}`)).status).toBe(404)
    const claimed = {
      id: '0199d1c0-7000-7000-8000-000000000001',
      guideId: test.id,
      edition: 1,
      way: 'solo',
      verb: 'finished',
      occurredAt: START,
      passed: true,
    }
    expect(await staff.json('post', '/api/events', { sentAt: START, events: [claimed] })).toMatchObject({
      taken: 0,
      refused: [{ id: claimed.id, why: 'malformed' }],
    })
  })
})

describe('the record of a test', () => {
  it('replays to the same state, and counted anew it gives the same figures', async () => {
    const test = await aTest()
    const attempt = await acts(test, await start(test), [
      pointed(test, false),
      pointed(test, true),
      pointed(test, true),
      enter('x'),
      enter('Copper Ladle'),
      goOn,
    ])
    const db = server.parts.database
    const row = (await db.one<{ state: unknown; percent: number }>('select state, percent from attempt where id = $1', [
      attempt.attemptId,
    ]))!
    const events = await db.rows<{ event: PlayerEvent }>('select event from attempt_act where attempt_id = $1 order by n', [
      attempt.attemptId,
    ])
    const play = {
      script: actingScriptOf(test.document, 'solo'),
      person: { roles: [], sites: [], language: 'en' },
      triesPerStep: 2,
      settled: new Set<string>(),
    }
    const replayed = events.reduce((state, { event }) => reduce(state, event, play).state, begin('solo', play, START).state)
    expect(replayed).toEqual(PlayerState.parse(row.state))
    expect(scoreOf(play.script, replayed, 80).percent).toBe(row.percent)
    const counted = async () => [
      await db.rows('select * from way_use order by 1, 2, 3'),
      await db.rows('select * from way_step order by 1, 2, 3, 4'),
    ]
    const before = await counted()
    expect(before[0]).toContainEqual(
      expect.objectContaining({ guide_id: test.id, way: 'solo', begun: 1, finished: 1, tries: 4, best_percent: 50, passed_at: null }),
    )
    expect(before[1]).toContainEqual(expect.objectContaining({ step_id: test.steps[0], times: 1, right_first: 0, tries: 2, failed: 0 }))
    await recount(server.parts.database, server.parts.events)
    expect(await counted()).toEqual(before)
  })
})

describe('where somebody is', () => {
  it('is kept for each way, and is their own', async () => {
    const test = await aTest()
    const play = {
      script: actingScriptOf(test.document),
      person: { roles: [], sites: [], language: 'en' },
      triesPerStep: 0,
      settled: new Set<string>(),
    }
    const { state } = begin('practise', play, START)
    const kept = { playId: nanoid(), edition: 1, state }
    expect(await staff.json('get', `/api/guides/${test.id}/plays/practise`)).toBeNull()
    await staff.json('put', `/api/guides/${test.id}/plays/practise`, kept, 204)
    expect(await staff.json('get', `/api/guides/${test.id}/plays/practise`)).toEqual({ ...kept, savedAt: START })
    expect(await staff.json('get', `/api/guides/${test.id}/plays/watch`)).toBeNull()
    expect(await (await company.as('lead')).json('get', `/api/guides/${test.id}/plays/practise`)).toBeNull()
    await staff.json('put', `/api/guides/${test.id}/plays/watch`, kept, 422)
    await staff.json('put', `/api/guides/${test.id}/plays/practise`, { ...kept, state: { ...state, at: 7 } }, 422)
    expect((await staff.send('get', `/api/guides/${test.id}/plays/solo`)).status).toBe(404)
  })
})
