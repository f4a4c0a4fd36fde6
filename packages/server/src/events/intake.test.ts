import { seededRandom, type GuideId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { v7 as uuidV7 } from 'uuid'
import { aGuide, documentOf, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../testing/testServer'
import { amend } from './amend'
import { EVENT } from './model'
import { recount } from './recount'

let server: TestServer
let other: TestServer
let company: Company
let staff: Client
let guide: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  other = await server.second()
  company = await smallCompany(server)
  staff = await company.as('staff')
})
const DAY = 86_400_000
beforeEach(async () => {
  server.clock.now = START - DAY
  guide = await aGuide(server, company, 'lead')
  server.clock.now = START
})
afterAll(async () => {
  await other.close()
  await server.close()
})

type Made = { verb: string; part?: string; activeMs?: number; occurredAt?: number; edition?: number }
const event = (made: Made) => ({
  id: uuidV7(),
  item: { kind: 'guide', id: guide.id },
  edition: 1,
  way: 'read',
  occurredAt: START - 60_000,
  ...made,
})
const send = (events: object[], at = server, sentAt = START) =>
  Object.assign(new (staff.constructor as typeof Client)(at.address), { cookie: staff.cookie, csrf: staff.csrf }).json(
    'post',
    '/api/events',
    { sentAt, events },
  )
const rolledUp = async () => ({
  readings: await server.parts.database.rows('select * from item_progress order by item_id, person_id'),
  steps: await server.parts.database.rows('select * from part_progress order by item_id, person_id, part_id'),
})
const row = async () =>
  (await (await company.as('lead')).json('get', `/api/items/${guide.id}/who-finished`)).rows.find(
    (each: { name: string }) => each.name === 'Name of staff',
  )

describe('events', () => {
  it('are counted once, however often and to whichever server they are sent', async () => {
    const events = [
      event({ verb: 'opened' }),
      event({ verb: 'step-viewed', part: guide.steps[0]! }),
      event({ verb: 'time-spent', part: guide.steps[0]!, activeMs: 9_000 }),
    ]
    await Promise.all([send(events), send(events, other), send(events.slice(1)), send([...events, ...events], other)])
    expect(await row()).toMatchObject({ state: 'in-progress', seen: 1, activeMs: 9_000 })
  })
  it('are there at once: what one server took, the other shows', async () => {
    await send([event({ verb: 'step-viewed', part: guide.steps[1]! })], other)
    expect((await staff.json('get', `/api/guides/${guide.id}/reader`)).progress.lastStepId).toBe(guide.steps[1])
  })
  it('carry the server’s time, whatever the sender’s clock says', async () => {
    const hour = 3_600_000
    await send([event({ verb: 'opened', occurredAt: START - 5 * hour - 60_000 })], server, START - 5 * hour)
    expect((await row()).startedAt).toBe(START - 60_000)
  })
  it('say “finished” only when every step has been read', async () => {
    const finished = event({ verb: 'finished' })
    expect((await send([event({ verb: 'step-viewed', part: guide.steps[0]! }), finished])).refused).toEqual([
      { at: 1, id: finished.id, why: 'steps-not-read' },
    ])
    expect((await row()).state).toBe('in-progress')
    expect((await send([...guide.steps.slice(1).map((stepId) => event({ verb: 'step-viewed', part: stepId })), finished])).refused).toEqual(
      [],
    )
    expect(await row()).toMatchObject({ state: 'done', seen: 3, finishedEdition: 1 })
  })
  const readAll = (activeMs: number) => [
    ...guide.steps.flatMap((stepId) => [
      event({ verb: 'step-viewed', part: stepId }),
      event({ verb: 'time-spent', part: stepId, activeMs }),
    ]),
    event({ verb: 'finished' }),
  ]
  it('vouch for a reading that had the time it takes, and say of any other that it is claimed', async () => {
    // Given and told at once: the server has seen no time pass.
    await send(readAll(9_000))
    expect(await row()).toMatchObject({ state: 'done', finishedAttested: false })
    const counts = async () => (await (await company.as('lead')).json('get', `/api/items/${guide.id}/who-finished`)).counts
    expect(await counts()).toMatchObject({ done: 1, claimed: 1 })
    // Later the same person reads it in good time: from then on it is vouched for, from the moment of that reading.
    server.clock.now += 60_000
    await send([{ ...event({ verb: 'finished' }), occurredAt: START + 50_000 }], server, START + 60_000)
    expect(await row()).toMatchObject({ finishedAttested: true, finishedAt: START + 50_000 })
    expect(await counts()).toMatchObject({ done: 1, claimed: 0 })
  })
  it('do not vouch for steps on which no time was spent', async () => {
    await staff.json('get', `/api/guides/${guide.id}/reader`)
    server.clock.now += 3_600_000
    await send(readAll(1), server, START + 3_600_000)
    expect(await row()).toMatchObject({ state: 'done', finishedAttested: false })
    const csv = await (await (await company.as('lead')).send('get', `/api/items/${guide.id}/who-finished.csv`)).text()
    expect(csv).toContain(',claimed,')
  })
  it('from before the edition was there are put right, and marked', async () => {
    const early = { ...event({ verb: 'opened' }), occurredAt: 1 }
    const late = { ...event({ verb: 'opened' }), occurredAt: START + DAY }
    await send([early, late, event({ verb: 'opened' })])
    const rows = await server.parts.database.rows<{ occurred_at: Date; time_put_right: boolean }>(
      'select occurred_at, time_put_right from event where item_id = $1 order by occurred_at',
      [guide.id],
    )
    expect(rows.map((each) => [each.occurred_at.getTime(), each.time_put_right])).toEqual([
      [START - DAY, true],
      [START - 60_000, false],
      [START, true],
    ])
  })
  it('ask for each step’s confirmation where the author does', async () => {
    guide = await aGuide(server, company, 'lead', { document: { ...documentOf('Gate', 'a', 'b'), confirmSteps: true } })
    const views = guide.steps.map((stepId) => event({ verb: 'step-viewed', part: stepId }))
    expect((await send([...views, event({ verb: 'finished' })])).refused).toMatchObject([{ why: 'steps-not-read' }])
    expect(
      (await send([...guide.steps.map((stepId) => event({ verb: 'step-confirmed', part: stepId })), event({ verb: 'finished' })])).refused,
    ).toEqual([])
  })
  it('about other editions, other steps and other people’s guides are refused one by one', async () => {
    const foreign = await aGuide(server, company, 'lead', { openToAll: false, published: false })
    const answer = await send([
      event({ verb: 'opened' }),
      event({ verb: 'opened', edition: 9 }),
      event({ verb: 'step-viewed', part: nanoid() }),
      { ...event({ verb: 'opened' }), item: { kind: 'guide', id: foreign.id } },
    ])
    expect(answer.taken).toBe(1)
    expect(answer.refused.map((each: { why: string }) => each.why)).toEqual(['unknown-edition', 'unknown-step', 'unknown-guide'])
  })
  it('that are none are refused one by one, and the others of their batch are taken', async () => {
    const good = event({ verb: 'time-spent', part: guide.steps[0]!, activeMs: 5 })
    const wrong = [{ activeMs: 10 * 3_600_000 }, { activeMs: -1 }, { id: 'x' }, { occurredAt: 0 }, { edition: 2 ** 31 }].map((each) => ({
      ...good,
      id: uuidV7(),
      ...each,
    }))
    const answer = await send([wrong[0]!, good, ...wrong.slice(1), null as never, [] as never])
    expect(answer.taken).toBe(1)
    expect(answer.refused.map((each: { at: number; why: string }) => [each.at, each.why])).toEqual(
      [0, 2, 3, 4, 5, 6, 7].map((at) => [at, 'malformed']),
    )
    expect(answer.refused[0].detail).toContain('activeMs')
    expect(await row()).toMatchObject({ activeMs: 5 })
  })
  it('say by what they were told, on which day it was there, and keep what they carry that is not counted', async () => {
    const agent = 'Mozilla/5.0 (Linux; Android 14; Pixel 7) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/126.0.0.0 Mobile Safari/537.36'
    const headers = { 'user-agent': agent, 'accept-language': 'pl-PL,pl;q=0.9' }
    const events = [{ ...event({ verb: 'opened', occurredAt: Date.parse('2026-03-09T23:30:00Z') }), visit: nanoid() }]
    expect((await staff.send('post', '/api/events', { sentAt: START, events }, headers)).status).toBe(200)
    expect(await server.parts.database.in(EVENT).one({ itemId: guide.id as GuideId })).toMatchObject({
      verb: 'opened',
      visit: events[0]!.visit,
      subjectKind: 'person',
      subjectId: company.people.staff,
      actorId: company.people.staff,
      device: 'phone',
      browser: 'Chrome',
      language: 'pl-PL',
      localDay: '2026-03-09',
      transactionId: expect.stringMatching(/^\d+$/) as string,
    })
  })
  it('of older pages are taken in their form, as the same events', async () => {
    const { item: _, ...old } = { ...event({ verb: 'step-viewed' }), guideId: guide.id, stepId: guide.steps[2]!, playId: nanoid() }
    expect(await send([old])).toEqual({ taken: 1, refused: [] })
    const stored = await server.parts.database.in(EVENT).one({ id: old.id })
    expect(stored).toMatchObject({ itemKind: 'guide', itemId: guide.id, partId: guide.steps[2], visit: old.playId })
  })
  it('that are amended count no more, and what is left is counted anew: figures fall', async () => {
    const { database, events: rules } = server.parts
    server.clock.now += 60_000
    const [early, late] = [event({ verb: 'finished' }), event({ verb: 'finished' })]
    await send([...readAll(9_000).slice(0, -1), early, late], server, START + 60_000)
    const wasRow = await row()
    expect(wasRow).toMatchObject({ state: 'done', seen: 3, activeMs: 27_000 })
    const of = {
      subject: company.people.staff,
      verb: 'voided',
      reason: 'Read by somebody else',
      by: company.people.lead,
      now: START,
    } as const
    const told = (await database.in(EVENT).find({ itemId: guide.id as GuideId })).filter((each) => each.partId === guide.steps[2])
    const amended = (ids: string[]) => database.transaction((tx) => amend(tx, rules, { ...of, events: ids }))
    expect(await amended([early.id])).toBe(1)
    expect(await row()).toMatchObject({ state: 'done' })
    expect(await amended([early.id, late.id, ...told.map((each) => each.id), uuidV7()])).toBe(3)
    expect(await row()).toMatchObject({ state: 'in-progress', seen: 2, activeMs: 18_000, finishedAt: null })
    expect(await database.in(EVENT).one({ amends: late.id })).toMatchObject({
      verb: 'voided',
      actorId: company.people.lead,
      subjectId: company.people.staff,
      attested: true,
      data: { reason: of.reason },
    })
    const before = await rolledUp()
    await recount(server.parts.database, server.parts.events)
    expect(await rolledUp()).toEqual(before)
  })
  it('are amended for the person of whom they were told, and for nobody else', async () => {
    const opened = event({ verb: 'opened' })
    await send([opened])
    const of = { subject: company.people.outsider, verb: 'voided', reason: 'x', by: company.people.lead, now: START } as const
    expect(await server.parts.database.transaction((tx) => amend(tx, server.parts.events, { ...of, events: [opened.id] }))).toBe(0)
    expect((await row()).state).toBe('in-progress')
  })
  it('are never changed or taken away', async () => {
    await send([event({ verb: 'opened' })])
    for (const sql of [`update event set active_ms = 1`, 'delete from event'])
      await expect(server.parts.database.rows(sql)).rejects.toThrow('events are only ever added')
  })
  it('give the same figures when everything is counted anew, in whatever order they came', async () => {
    const random = seededRandom(42)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
    const events = Array.from({ length: 400 }, () => {
      const verb = pick(['opened', 'step-viewed', 'step-viewed', 'step-confirmed', 'time-spent', 'finished'])
      const stepped = verb !== 'opened' && verb !== 'finished'
      return event({
        verb,
        ...(stepped ? { part: pick(guide.steps) } : {}),
        ...(verb === 'time-spent' ? { activeMs: 1 + Math.floor(random() * 9_000) } : {}),
        occurredAt: START - Math.floor(random() * 1e9),
      })
    })
    const batches = Array.from({ length: 40 }, (_, i) => events.slice(i * 10, i * 10 + 15))
    await Promise.all(batches.map((batch, i) => send(batch, i % 2 ? server : other)))
    const before = await rolledUp()
    await recount(server.parts.database, server.parts.events)
    expect(await rolledUp()).toEqual(before)
    expect(before.steps.length).toBeGreaterThan(2)
  })
})
