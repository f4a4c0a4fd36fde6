import { seededRandom } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { v7 as uuidV7 } from 'uuid'
import { aGuide, documentOf, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../testing/testServer'
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

type Made = { verb: string; stepId?: string; activeMs?: number; occurredAt?: number; edition?: number }
const event = (made: Made) => ({ id: uuidV7(), guideId: guide.id, edition: 1, way: 'read', occurredAt: START - 60_000, ...made })
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
  (await (await company.as('lead')).json('get', `/api/guides/${guide.id}/who-finished`)).rows.find(
    (each: { name: string }) => each.name === 'Name of staff',
  )

describe('events', () => {
  it('are counted once, however often and to whichever server they are sent', async () => {
    const events = [
      event({ verb: 'opened' }),
      event({ verb: 'step-viewed', stepId: guide.steps[0]! }),
      event({ verb: 'time-spent', stepId: guide.steps[0]!, activeMs: 9_000 }),
    ]
    await Promise.all([send(events), send(events, other), send(events.slice(1)), send([...events, ...events], other)])
    expect(await row()).toMatchObject({ state: 'in-progress', seen: 1, activeMs: 9_000 })
  })
  it('are there at once: what one server took, the other shows', async () => {
    await send([event({ verb: 'step-viewed', stepId: guide.steps[1]! })], other)
    expect((await staff.json('get', `/api/guides/${guide.id}/reader`)).progress.lastStepId).toBe(guide.steps[1])
  })
  it('carry the server’s time, whatever the sender’s clock says', async () => {
    const hour = 3_600_000
    await send([event({ verb: 'opened', occurredAt: START - 5 * hour - 60_000 })], server, START - 5 * hour)
    expect((await row()).startedAt).toBe(START - 60_000)
  })
  it('say “finished” only when every step has been read', async () => {
    const finished = event({ verb: 'finished' })
    expect((await send([event({ verb: 'step-viewed', stepId: guide.steps[0]! }), finished])).refused).toEqual([
      { at: 1, id: finished.id, why: 'steps-not-read' },
    ])
    expect((await row()).state).toBe('in-progress')
    expect((await send([...guide.steps.slice(1).map((stepId) => event({ verb: 'step-viewed', stepId })), finished])).refused).toEqual([])
    expect(await row()).toMatchObject({ state: 'done', seen: 3, finishedEdition: 1 })
  })
  const readAll = (activeMs: number) => [
    ...guide.steps.flatMap((stepId) => [event({ verb: 'step-viewed', stepId }), event({ verb: 'time-spent', stepId, activeMs })]),
    event({ verb: 'finished' }),
  ]
  it('vouch for a reading that had the time it takes, and say of any other that it is claimed', async () => {
    // Given and told at once: the server has seen no time pass.
    await send(readAll(9_000))
    expect(await row()).toMatchObject({ state: 'done', finishedAttested: false })
    const counts = async () => (await (await company.as('lead')).json('get', `/api/guides/${guide.id}/who-finished`)).counts
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
    const csv = await (await (await company.as('lead')).send('get', `/api/guides/${guide.id}/who-finished.csv`)).text()
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
    const views = guide.steps.map((stepId) => event({ verb: 'step-viewed', stepId }))
    expect((await send([...views, event({ verb: 'finished' })])).refused).toMatchObject([{ why: 'steps-not-read' }])
    expect(
      (await send([...guide.steps.map((stepId) => event({ verb: 'step-confirmed', stepId })), event({ verb: 'finished' })])).refused,
    ).toEqual([])
  })
  it('about other editions, other steps and other people’s guides are refused one by one', async () => {
    const foreign = await aGuide(server, company, 'lead', { openToAll: false, published: false })
    const answer = await send([
      event({ verb: 'opened' }),
      event({ verb: 'opened', edition: 9 }),
      event({ verb: 'step-viewed', stepId: nanoid() }),
      { ...event({ verb: 'opened' }), guideId: foreign.id },
    ])
    expect(answer.taken).toBe(1)
    expect(answer.refused.map((each: { why: string }) => each.why)).toEqual(['unknown-edition', 'unknown-step', 'unknown-guide'])
  })
  it('that are none are refused one by one, and the others of their batch are taken', async () => {
    const good = event({ verb: 'time-spent', stepId: guide.steps[0]!, activeMs: 5 })
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
        ...(stepped ? { stepId: pick(guide.steps) } : {}),
        ...(verb === 'time-spent' ? { activeMs: 1 + Math.floor(random() * 9_000) } : {}),
        occurredAt: START - Math.floor(random() * 1e9),
      })
    })
    const batches = Array.from({ length: 40 }, (_, i) => events.slice(i * 10, i * 10 + 15))
    await Promise.all(batches.map((batch, i) => send(batch, i % 2 ? server : other)))
    const before = await rolledUp()
    await recount(server.parts.database)
    expect(await rolledUp()).toEqual(before)
    expect(before.steps.length).toBeGreaterThan(2)
  })
})
