import { join } from 'node:path'
import { ACCOUNTS, DEMO_PASSWORD } from '@jackdaw/demo'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { recount } from './events'
import { loadDemoOnce } from './loadDemo'
import { Client, startTestServer, type TestServer } from './testing/testServer'

const DEMO = join(process.cwd(), 'demo')
let server: TestServer
let other: TestServer
let marta: Client
beforeAll(async () => {
  server = await startTestServer()
  server.parts.config.demoAnchor = '2026-03-10'
  other = await server.second()
  other.parts.config.demoAnchor = '2026-03-10'
  const loaded = await Promise.all([loadDemoOnce(server.parts, DEMO), loadDemoOnce(other.parts, DEMO)])
  expect(loaded.sort()).toEqual([false, true])
  marta = await new Client(server.address).signIn('marta@larkmoor.example', DEMO_PASSWORD)
}, 240_000)
afterAll(async () => {
  await other.close()
  await server.close()
})

type Guide = { item: { id: string }; title: string; counts: { people: number; done: number; late: number }; lastAt: number | null }
const itemRecords = async (): Promise<Guide[]> => (await marta.json('get', '/api/records/items')).rows
const guide = async (title: RegExp) => (await itemRecords()).find((each) => title.test(each.title))!

describe('the demo company', () => {
  it('has 64 people, an account for each level and a manager, and at least 12 guides, six of them with pictures', async () => {
    const { database } = server.parts
    expect(await database.one('select count(*)::int as n from person where active')).toEqual({ n: 64 })
    expect((await marta.json('get', '/api/guides')).total).toBeGreaterThanOrEqual(12)
    expect((await database.one<{ n: number }>('select count(distinct item_id)::int as n from picture_use'))!.n).toBeGreaterThanOrEqual(6)
    const found = await Promise.all(
      ACCOUNTS.map(async ({ mail }) => (await new Client(server.address).signIn(mail, DEMO_PASSWORD)).json('get', '/api/session')),
    )
    expect(found.map((me) => [me.level, me.hasReports])).toEqual([
      ['admin', true],
      ['lead', false],
      ['author', true],
      ['staff', false],
      ['staff', true],
    ])
  })
  it('has been read for 60 days', async () => {
    const row = await server.parts.database.one<{ n: number; days: number }>(
      'select count(*)::int as n, (extract(epoch from max(occurred_at) - min(occurred_at)) / 86400)::int as days from event',
    )
    expect(row!.n).toBeGreaterThan(4_000)
    expect(row!.days).toBeGreaterThanOrEqual(50)
  })
  it('hides a step where many stop', async () => {
    const { steps, started } = await marta.json('get', `/api/guides/${(await guide(/Pack and label/)).item.id}/drop-off`)
    const worst = [...steps].sort((a, b) => b.stoppedHere - a.stoppedHere)[0]
    expect(worst.name).toContain('label printer')
    expect(worst.stoppedHere / started).toBeGreaterThan(0.25)
  })
  it('hides a team that lags, and a guide that nobody opens', async () => {
    const people = (await marta.json('get', `/api/items/${(await guide(/Pack and label/)).item.id}/who-finished`)).rows as {
      department: string
      seen: number
    }[]
    const begun = (department: string) =>
      people.filter((person) => person.department === department).reduce((sum, person) => sum + (person.seen > 0 ? 1 : 0), 0) /
      people.filter((person) => person.department === department).length
    expect(begun('Dispatch')).toBeLessThan(begun('Packhouse') - 0.3)
    expect(await guide(/pump filter/)).toMatchObject({ lastAt: null, counts: { done: 0 } })
  })
  it('gives its staff account something begun, something new and something to be read again', async () => {
    server.clock.now = Date.parse('2026-03-10T10:00:00Z')
    const ines = await new Client(server.address).signIn('ines@larkmoor.example', DEMO_PASSWORD)
    const { waiting } = await ines.json('get', '/api/today')
    expect(new Set(waiting.map((item: { state: string }) => item.state))).toEqual(new Set(['in-progress', 'not-started', 'out-of-date']))
  })
  it('shows figures that a full recount confirms', async () => {
    const before = await itemRecords()
    await recount(server.parts.database, server.parts.events)
    expect(await itemRecords()).toEqual(before)
  })
  it('is loaded anew when asked for, and not otherwise', async () => {
    expect(await loadDemoOnce(server.parts, DEMO)).toBe(false)
    await server.parts.database.rows(`update setting set value = '{"anchor": "2026-03-10", "whole": false}' where key = 'demo'`)
    expect(await loadDemoOnce(server.parts, DEMO)).toBe(true)
    expect(await server.parts.database.one('select count(*)::int as n from person where active')).toEqual({ n: 64 })
  }, 240_000)
})
