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
beforeEach(async () => {
  guide = await aGuide(server, company, 'lead')
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
  readings: await server.parts.database.rows('select * from reading order by guide_id, person_id'),
  steps: await server.parts.database.rows('select * from reading_step order by guide_id, person_id, step_id'),
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
      { id: finished.id, why: 'steps-not-read' },
    ])
    expect((await row()).state).toBe('in-progress')
    expect((await send([...guide.steps.slice(1).map((stepId) => event({ verb: 'step-viewed', stepId })), finished])).refused).toEqual([])
    expect(await row()).toMatchObject({ state: 'done', seen: 3, finishedEdition: 1 })
    const [stored] = await server.parts.database.rows<{ attested: boolean }>(`select attested from event where id = $1`, [finished.id])
    expect(stored!.attested).toBe(true)
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
  it('with more time than can have passed, or without an id of their own, are refused whole', async () => {
    for (const wrong of [{ activeMs: 10 * 3_600_000 }, { activeMs: -1 }, { id: 'x' }, { occurredAt: 0 }]) {
      const response = await staff.send('post', '/api/events', {
        sentAt: START,
        events: [{ ...event({ verb: 'time-spent', stepId: guide.steps[0]!, activeMs: 5 }), ...wrong }],
      })
      expect(response.status).toBe(422)
    }
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
