import type { GoalResult } from '@jackdaw/contracts/goals'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer } from '../testing/testServer'

const HOUR_MS = 3_600_000
let server: TestServer
let company: Company
let admin: Client
let token: string
let application: string
const nobody = () => new Client(server.address)
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  admin = await company.as('admin')
  const made = await admin.json('post', '/api/applications', { name: 'Order Book', scopes: ['acts.tell'] })
  ;({ token, id: application } = made)
})
afterAll(() => server.close())

const act = (id: string, more: object = {}) => ({ id, person: 'staff@example.org', name: 'order-saved', at: START - HOUR_MS, ...more })
const tell = async (acts: object[], with_ = token) =>
  nobody().send('post', '/api/connected/acts', { acts }, { authorization: `Bearer ${with_}` })
const told = async () => (await admin.json('get', '/api/act-names')) as { name: string; times: number }[]

it('takes what an application tells, once, of people who are known, and says which are not', async () => {
  const answer = await tell([
    act('one'),
    act('two', { person: 'STAFF@example.org' }),
    act('three', { person: 'who@example.org' }),
    act('one'),
  ])
  expect([answer.status, await answer.json()]).toEqual([200, { taken: 3, refused: [{ at: 2, id: 'three', why: 'unknown-person' }] }])
  expect(await told()).toEqual([{ name: 'order-saved', times: 2 }])
  expect((await tell([act('one'), act('four', { at: START + 30 * HOUR_MS })])).status).toBe(200)
  expect(await told()).toEqual([{ name: 'order-saved', times: 3 }])
  const [four] = await server.parts.database.rows<{ at: Date }>("select at from told_act where id = 'four'")
  expect(four!.at.getTime()).toBe(server.clock.now)
})
it('keeps of a token its hash only, and knows no other, no session, and none that was taken back', async () => {
  const kept = await server.parts.database.rows<{ token_hash: string }>('select token_hash from application')
  expect(kept.map((row) => row.token_hash)).not.toContain(token)
  for (const wrong of ['', 'x'.repeat(48), token.slice(1)]) expect((await tell([act('x')], wrong)).status).toBe(401)
  expect((await admin.send('post', '/api/connected/acts', { acts: [act('x')] })).status).toBe(401)
  const listed = await admin.json('get', '/api/applications')
  expect(listed).toEqual([
    expect.objectContaining({ id: application, name: 'Order Book', owner: { id: company.people.admin, name: 'Name of admin' } }),
  ])
  expect(JSON.stringify(listed)).not.toContain(token)
  const other = await admin.json('post', '/api/applications', { name: 'Old one', scopes: ['acts.tell'] })
  expect((await tell([act('y')], other.token)).status).toBe(200)
  expect((await admin.send('delete', `/api/applications/${other.id}`)).status).toBe(204)
  expect((await tell([act('z')], other.token)).status).toBe(401)
  expect((await tell([])).status).toBe(422)
  for (const wrong of [{ name: 'Order saved' }, { at: 'now' }, { id: '' }, { person: '' }])
    expect((await tell([act('x', wrong)])).status).toBe(422)
})
it('is a step of a goal, which people reach by what was told of them', async () => {
  const guide = await aGuide(server, company, 'lead', { openToAll: true })
  for (const who of ['staff', 'outsider'] as const) {
    const opened = { id: uuidV7(), item: { kind: 'guide', id: guide.id }, edition: 1, way: 'read', verb: 'opened', occurredAt: START }
    await (await company.as(who)).json('post', '/api/events', { sentAt: START, events: [opened] })
  }
  server.clock.now = START + 2 * HOUR_MS
  await tell([
    act('five', { name: 'crate-labelled', at: START + HOUR_MS }),
    act('six', { name: 'crate-labelled', at: START - 5 * HOUR_MS, person: 'outsider@example.org' }),
  ])
  const lead = await company.as('lead')
  const goal = nanoid()
  const put = (steps: object[]) => lead.send('put', `/api/goals/${goal}`, { name: 'Labels a crate', from: guide.id, steps })
  expect((await put([{ act: 'Crate labelled', withinDays: 1 }])).status).toBe(422)
  expect((await put([{ act: 'crate-labelled', withinDays: 1 }])).status).toBe(204)
  const result: GoalResult = await lead.json('get', `/api/goals/${goal}/result`)
  expect(result.goal.steps).toEqual([{ item: null, act: 'crate-labelled', withinDays: 1 }])
  // What the other did was before they had begun.
  expect(result).toMatchObject({ began: 2, steps: [{ of: 2, reached: 1, underWay: 1 }] })
  const { rows } = await lead.json('get', `/api/goals/${goal}/people?part=reached&step=0`)
  expect(rows).toEqual([
    expect.objectContaining({ person: { id: company.people.staff, name: 'Name of staff' }, reachedAt: [START + HOUR_MS] }),
  ])
})
it('may do nothing any more when its owner may not', async () => {
  await server.parts.database.rows('update person set active = false where id = $1', [company.people.admin])
  expect((await tell([act('late')])).status).toBe(401)
})
