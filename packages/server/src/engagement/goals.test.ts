import type { GoalPerson, GoalResult } from '@jackdaw/contracts/goals'
import { addDays, localDateAt, nth, seededRandom } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testing/testServer'

const DAY_MS = 86_400_000
const READERS = ['staff', 'outsider', 'author', 'otherAuthor', 'manager', 'admin'] as const satisfies readonly Who[]
const today = localDateAt(START, 'Europe/London')
const SPAN = { from: addDays(today, -60), to: today }

let server: TestServer
let company: Company
let lead: Client
let manager: Client
let guides: string[]
let parts: string[][]
const goal = nanoid()
beforeAll(async () => {
  server = await startTestServer()
  server.clock.now = START - 70 * DAY_MS
  company = await smallCompany(server)
  const random = seededRandom(5)
  guides = []
  parts = []
  for (let n = 0; n < 3; n++) {
    const { id, steps } = await aGuide(server, company, 'lead', { openToAll: true })
    guides.push(id)
    parts.push(steps)
  }
  server.clock.now = START
  for (const who of READERS) {
    const about = (n: number, occurredAt: number) => ({
      id: uuidV7(),
      item: { kind: 'guide', id: nth(guides, n) },
      edition: 1,
      way: 'read',
      occurredAt,
    })
    // Only what has been gone through can be finished.
    const gone = parts.flatMap((steps, n) => steps.map((part) => ({ ...about(n, START - 60 * DAY_MS), verb: 'step-viewed', part })))
    const acts = Array.from({ length: 30 }, () => ({
      ...about(Math.floor(random() * 3), START - Math.floor(random() * 55 * DAY_MS)),
      verb: random() < 0.5 ? 'opened' : 'finished',
    }))
    const events = [...gone, ...acts]
    await (await company.as(who)).json('post', '/api/events', { sentAt: START, events })
  }
  lead = await company.as('lead')
  manager = await company.as('manager')
  const steps = [
    { item: guides[1], withinDays: 20 },
    { item: guides[2], withinDays: 15 },
  ]
  expect((await lead.send('put', `/api/goals/${goal}`, { name: 'Ready to pack', from: guides[0], steps })).status).toBe(204)
})
afterAll(() => server.close())

const query = (of: object) =>
  new URLSearchParams(Object.entries(of).map(([name, value]): [string, string] => [name, String(value)])).toString()
const result = (who: Client): Promise<GoalResult> => who.json('get', `/api/goals/${goal}/result?${query(SPAN)}`)
const people = async (who: Client, of: object): Promise<GoalPerson[]> =>
  (await who.json('get', `/api/goals/${goal}/people?${query({ ...SPAN, ...of })}`)).rows

/** The same, slowly, from the events one by one. */
async function slowly() {
  type Told = { verb: string; item: string; person: string; at: Date }
  const events = await server.parts.database.rows<Told>(
    `select verb, item_id as item, subject_id as person, occurred_at as at from event_counted where subject_kind = 'person' order by occurred_at`,
  )
  const begun = new Map<string, number>()
  for (const { verb, item, person, at } of events)
    if (verb === 'opened' && item === guides[0] && !begun.has(person)) begun.set(person, at.getTime())
  const next = (person: string, item: string, from: number, days: number) => {
    const at = events
      .find((each) => each.person === person && each.item === item && each.verb === 'finished' && each.at.getTime() >= from)
      ?.at.getTime()
    return at !== undefined && at - from <= days * DAY_MS ? at : null
  }
  const first = new Map([...begun].map(([person, at]) => [person, next(person, guides[1]!, at, 20)]))
  const second = new Map([...first].flatMap(([person, at]) => (at === null ? [] : [[person, next(person, guides[2]!, at, 15)] as const])))
  return {
    began: begun.size,
    first: [...first.values()].filter((at) => at !== null).length,
    of: second.size,
    second: [...second.values()].filter((at) => at !== null).length,
  }
}

it('tells who came from one thing to the others in time, as a slow count does', async () => {
  const found = await result(lead)
  const slow = await slowly()
  expect([found.began, found.steps[0]?.of, found.steps[0]?.reached, found.steps[1]?.of, found.steps[1]?.reached]).toEqual([
    slow.began,
    slow.began,
    slow.first,
    slow.of,
    slow.second,
  ])
  expect(slow.first).toBeGreaterThan(1)
  expect(found.goal).toMatchObject({ name: 'Ready to pack', from: { title: 'Rinse the trays' } })
})
it('opens each figure to as many people', async () => {
  for (const who of [lead, manager]) {
    const found = await result(who)
    expect((await people(who, { part: 'began' })).length).toBe(found.began)
    for (const [step, { of, reached, underWay }] of found.steps.entries()) {
      const parts = await Promise.all(['reached', 'under-way', 'missed'].map(async (part) => (await people(who, { part, step })).length))
      expect(parts).toEqual([reached, underWay, of - reached - underWay])
    }
    for (const { kind, id, began, reached } of found.groups) {
      expect((await people(who, { part: 'began', [kind]: id })).length).toBe(began)
      for (const [step, n] of reached.entries()) expect((await people(who, { part: 'reached', step, [kind]: id })).length).toBe(n)
    }
  }
  expect((await result(lead)).groups.some(({ kind, began }) => kind === 'site' && began > 0)).toBe(true)
  expect((await result(manager)).began).toBeLessThanOrEqual(1)
})
it('draws the curve of those who are still under way too, never falling, and not above all', async () => {
  for (const { curve } of (await result(lead)).steps)
    for (const [n, point] of curve.entries()) {
      expect(point.share).toBeGreaterThanOrEqual(curve[n - 1]?.share ?? 0)
      expect([point.low <= point.share, point.share <= point.high, point.high <= 1]).toEqual([true, true, true])
    }
})
it('is named by the lead, of what is published, and taken away again', async () => {
  const id = nanoid()
  const put = async (who: Client, body: object) => (await who.send('put', `/api/goals/${id}`, body)).status
  const plain = { name: 'Other', from: guides[0], steps: [{ item: guides[1], withinDays: 7 }] }
  expect(await put(manager, plain)).toBe(403)
  expect(await put(lead, { ...plain, from: nanoid() })).toBe(404)
  for (const wrong of [{ steps: [] }, { name: '' }, { steps: [{ item: guides[1], withinDays: 0 }] }])
    expect(await put(lead, { ...plain, ...wrong })).toBe(422)
  expect(await put(lead, plain)).toBe(204)
  expect(await put(lead, { ...plain, name: 'Another' })).toBe(204)
  expect((await manager.json('get', '/api/goals')).map((each: { name: string }) => each.name)).toEqual(['Another', 'Ready to pack'])
  expect((await lead.send('get', `/api/goals/${id}/people?part=reached&step=1`)).status).toBe(422)
  expect((await lead.send('delete', `/api/goals/${id}`)).status).toBe(204)
  expect((await lead.send('get', `/api/goals/${id}/result`)).status).toBe(404)
})
