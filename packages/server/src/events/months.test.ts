import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { v7 as uuidV7 } from 'uuid'
import { aGuide, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../testing/testServer'
import { amend } from './amend'
import { keepEventMonths } from './months'
import { recount } from './recount'

let server: TestServer
let company: Company
let staff: Client
let guide: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  staff = await company.as('staff')
  server.clock.now = START - 86_400_000
  guide = await aGuide(server, company, 'lead')
  server.clock.now = START
})
afterAll(() => server.close())

const idAt = (when: string): string => uuidV7({ msecs: Date.parse(when) })
const EVENTS = [
  ['of this month', uuidV7({ msecs: START })],
  ['at the end of this month', idAt('2026-03-31T23:59:59.999Z')],
  ['at the beginning of the next', idAt('2026-04-01T00:00:00Z')],
  ['of a clock that is years behind', idAt('2011-01-05T00:00:00Z')],
  ['of a clock that is years ahead', idAt('2077-01-05T00:00:00Z')],
  ['of no time', randomUUID()],
] as const
const send = (ids: readonly string[]) =>
  staff.json('post', '/api/events', {
    sentAt: START,
    events: ids.map((id, n) => ({
      id,
      item: { kind: 'guide', id: guide.id },
      edition: 1,
      way: 'read',
      occurredAt: START - 60_000 + n,
      verb: 'time-spent',
      part: guide.steps[0]!,
      activeMs: 1_000,
    })),
  })
const ids = EVENTS.map(([, id]) => id)
const counted = () => server.parts.database.rows('select * from part_progress order by item_id, person_id, part_id')
const tables = async () => {
  const rows = await server.parts.database.rows<{ id: string; table: string }>('select id, tableoid::regclass::text as table from event')
  return EVENTS.map(([which, id]) => [which, rows.filter((row) => row.id === id).map(({ table }) => table)])
}

it('events are laid month by month by their ids, and are there once wherever they lie', async () => {
  const { database, events: rules } = server.parts
  await send(ids)
  const before = await counted()
  expect(before).toMatchObject([{ active_ms: '6000' }])
  await Promise.all([keepEventMonths(database, START), send(ids), keepEventMonths(database, START), send(ids)])
  expect(await tables()).toEqual([
    ['of this month', ['event_2026_03']],
    ['at the end of this month', ['event_2026_03']],
    ['at the beginning of the next', ['event_2026_04']],
    ['of a clock that is years behind', ['event_rest']],
    ['of a clock that is years ahead', ['event_rest']],
    ['of no time', ['event_rest']],
  ])
  await send(ids)
  expect(await counted()).toEqual(before)
  await recount(database, rules)
  expect(await counted()).toEqual(before)
  for (const table of ['event_2026_03', 'event_rest', 'event'])
    await expect(database.rows(`delete from ${table}`)).rejects.toThrow('events are only ever added')
})
it('what was amended before its month was there still counts no more, and is amended once', async () => {
  const { database, events: rules } = server.parts
  const of = { subject: company.people.staff, verb: 'voided', reason: 'x', by: company.people.lead, now: START } as const
  const late = idAt('2026-08-10T00:00:00Z')
  await send([late])
  const amending = () => database.transaction((tx) => amend(tx, rules, { ...of, events: [late, ids[5]!] }))
  expect(await amending()).toBe(2)
  await keepEventMonths(database, Date.parse('2026-07-01T00:00:00Z'))
  const where = await database.rows('select tableoid::regclass::text as table from event where id = $1', [late])
  expect(where).toEqual([{ table: 'event_2026_08' }])
  expect(await amending()).toBe(0)
  await recount(database, rules)
  expect(await counted()).toMatchObject([{ active_ms: '5000' }])
})
it('a month more every month, and none twice', async () => {
  const { database } = server.parts
  const months = async () =>
    (
      await database.rows<{ name: string }>("select inhrelid::regclass::text as name from pg_inherits where inhparent = 'event'::regclass")
    ).map(({ name }) => name)
  const before = await months()
  await keepEventMonths(database, Date.parse('2031-01-31T23:00:00Z'))
  const after = await months()
  expect(after).toEqual(expect.arrayContaining([...before, 'event_2031_01', 'event_2031_04']))
  expect(after).not.toContain('event_2031_05')
  await keepEventMonths(database, Date.parse('2031-01-31T23:30:00Z'))
  expect(await months()).toEqual(after)
})
