import type { UseOverTime } from '@jackdaw/contracts/engagement'
import { MAX_ACTIVE_MS, type UsageEvent } from '@jackdaw/core/players'
import { addDays, localDateAt, nth, seededRandom, type GuideId, type LocalDate, type SearchId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { recount } from '../events'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testing/testServer'
import { keepUse } from './keptUse'

const DAY_MS = 86_400_000
const DAYS = 640
const READERS = ['staff', 'outsider', 'author', 'manager'] as const satisfies readonly Who[]
const RECORDS = ['item_progress', 'part_progress', 'acknowledgement', 'way_use', 'way_step']
const USES = ['use_day', 'use_month', 'use_visit', 'use_step']
const PROOF = "verb not in ('opened', 'step-viewed', 'time-spent')"

let server: TestServer
let company: Company
let lead: Client
let guides: { id: string; steps: string[] }[]
const today = localDateAt(START, 'Europe/London')
const span = { from: addDays(today, -DAYS), to: today }

const eventAt = (random: () => number, occurredAt: number): UsageEvent => {
  const pick = <T>(list: readonly T[]): T => nth(list, Math.floor(random() * list.length))
  const guide = pick(guides)
  const way = pick(['read', 'read', 'read', 'watch', 'practise'])
  const told = {
    opened: {},
    finished: {},
    'step-viewed': { part: pick(guide.steps) },
    'time-spent': { part: pick(guide.steps), activeMs: 1 + Math.floor(random() * MAX_ACTIVE_MS) },
  }
  const verb = pick(['opened', 'step-viewed', 'time-spent', 'time-spent', 'finished'] as const)
  const visit = `visit-of-that-day-${Math.floor((occurredAt / DAY_MS) % 1_000)}`.padEnd(21, '0').slice(0, 21)
  return {
    id: uuidV7(),
    verb,
    item: { kind: 'guide', id: guide.id as GuideId },
    edition: 1,
    way,
    visit,
    occurredAt,
    ...told[verb],
  } as UsageEvent
}
const tell = (who: Who, events: UsageEvent[]) =>
  server.services.takeEvents([{ personId: company.people[who], at: nth(events, events.length - 1).occurredAt + 1_000, events }])

beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  await server.parts.database.rows('update membership set since = $1', [new Date(START - (DAYS + 30) * DAY_MS)])
  server.clock.now = START - DAYS * DAY_MS
  guides = [await aGuide(server, company, 'author', { openToAll: true }), await aGuide(server, company, 'lead', { openToAll: true })]
  server.clock.now = START
  const random = seededRandom(19)
  for (const who of READERS) {
    // As many in the weeks around the day from which on it is kept as in all the others.
    const times = Array.from({ length: 220 }, (_, n) => (n % 2 ? random() : 0.6 + random() * 0.1) * (DAYS - 1) * DAY_MS)
    const events = times.sort((a, b) => b - a).map((ago) => eventAt(random, Math.round(START - ago)))
    for (let n = 0; n < events.length; n += 40) await tell(who, events.slice(n, n + 40))
  }
  lead = await company.as('lead')
  for (const ago of [DAYS - 1, 1]) {
    const at = START - ago * DAY_MS
    const told = { by: company.people.staff, today: localDateAt(at, 'Europe/London'), now: at }
    await server.services.keepSearch(nanoid<SearchId>(), { words: 'herb racks', found: 0, opened: null }, told)
  }
}, 60_000)
afterAll(() => server.close())

const rowsOf = async (tables: readonly string[]): Promise<object[][]> =>
  Promise.all(
    tables.map(async (table) =>
      (await server.parts.database.rows<{ row: object }>(`select to_jsonb(t) as row from ${table} t order by t::text`)).map(
        ({ row }) => row,
      ),
    ),
  )
const overTime = (who: Client, of: object = {}): Promise<UseOverTime> =>
  who.json('get', `/api/engagement/over-time?${new URLSearchParams({ by: 'month', ...span, ...of } as Record<string, string>).toString()}`)
const sought = () => lead.json('get', `/api/engagement/searches?${new URLSearchParams(span).toString()}`)
const countOf = async (which: string): Promise<number> =>
  (await server.parts.database.one<{ n: number }>(`select count(*)::int as n from event where ${which}`))!.n
const keep = (progress?: (done: number) => Promise<void>) => keepUse(server.parts.database, server.parts.events, server.clock.now, progress)

it('keeps who used what when as long as the company says, the records and what all did together for ever', async () => {
  const { database: db } = server.parts
  const [before, mine, records, proof, events] = await Promise.all([
    overTime(lead),
    overTime(await company.as('manager')),
    rowsOf(RECORDS),
    countOf(PROOF),
    countOf('true'),
  ])
  expect([before.kept, before.together, mine.everybody]).toEqual([null, false, false])
  expect(await sought()).toMatchObject({ kept: null, searches: 2 })
  await keep()
  expect(await countOf('true')).toBe(events)

  expect((await (await company.as('admin')).send('put', '/api/figure-rules', { leastGroup: 5, keepMonths: 13 })).status).toBe(204)
  // It is stopped when it has come to one of the readers at least, and goes on with the others the next time.
  await expect(
    keep(async (done) => {
      if (done === 4) throw new Error('stopped')
    }),
  ).rejects.toThrow('stopped')
  const since = '2025-02-01' as LocalDate
  const old = (which: string) => `local_day < '${since}' and ${which}`
  const halfWay = await countOf('true')
  expect(halfWay).toBeLessThan(events)
  expect((await overTime(lead)).now.whole.views).toBe(before.now.whole.views)
  await keep()
  expect(await countOf('true')).toBeLessThanOrEqual(halfWay)
  expect([await countOf(PROOF), await rowsOf(RECORDS)]).toEqual([proof, records])
  const kept = await rowsOf(USES)
  await recount(db, server.parts.events)
  expect([await rowsOf(RECORDS), await rowsOf(USES)]).toEqual([records, kept])

  const after = await overTime(lead)
  expect([after.kept, after.together]).toEqual([since, true])
  expect(await sought()).toMatchObject({ kept: since, searches: 1 })
  expect(await (await company.as('admin')).json('get', '/api/figure-rules')).toEqual({ leastGroup: 5, keepMonths: 13, since })
  expect(before.now.periods.filter((period) => period.span.from < since && period.figures.views > 0).length).toBeGreaterThan(3)
  for (const [n, { span: month, figures }] of after.now.periods.entries())
    expect([month, figures]).toEqual([month, { ...before.now.periods[n]!.figures, ...(month.from < since ? { people: 0 } : {}) }])
  expect(await overTime(lead, { from: since })).toMatchObject({ kept: null, together: false })

  // Nobody is told of what somebody did then, not even themselves.
  const past = `from=${span.from}&to=${addDays(since, -1)}`
  for (const list of ['readers', 'rows?figure=views', 'rows?figure=acts', 'rows?figure=time'])
    expect([list, await lead.json('get', `/api/engagement/${list}${list.includes('?') ? '&' : '?'}${past}`)]).toEqual([
      list,
      expect.objectContaining({ kept: since, rows: [], total: 0 }),
    ])
  const own = await (await company.as('staff')).json('get', `/api/people/${company.people.staff}/use?${past}`)
  expect(own).toMatchObject({ kept: since, rows: [], views: 0 })
  expect(await lead.json('get', `/api/guides/${guides[0]!.id}/journey?${past}`)).toMatchObject({ kept: since, visits: 0 })
  expect(await lead.json('get', `/api/guides/${guides[0]!.id}/journey/visits?part=visits&${past}`)).toMatchObject({ kept: since, total: 0 })
  const theirs = await overTime(await company.as('manager'))
  expect([theirs.kept, theirs.together]).toEqual([since, false])
  for (const [n, { span: month, figures }] of theirs.now.periods.entries())
    expect([month, figures.views]).toEqual([month, month.from < since ? 0 : mine.now.periods[n]!.figures.views])

  // The database lets go of nothing else.
  for (const which of [`local_day >= '${since}'`, old(PROOF)])
    await expect(db.rows(`delete from event where ${which}`)).rejects.toThrow(/only ever added/)
  await expect(db.rows(`update event set active_ms = 1 where ${old('true')}`)).rejects.toThrow(/only ever added/)
}, 60_000)

it('goes on month by month, and what comes too late counts for the records only', async () => {
  const before = await overTime(lead)
  const late: UsageEvent = {
    ...{ id: uuidV7(), verb: 'opened', way: 'read', item: { kind: 'guide', id: nth(guides, 0).id as GuideId }, edition: 1 },
    occurredAt: Date.parse('2024-12-24T10:00:00Z'),
  }
  await server.services.takeEvents([{ personId: company.people.otherAuthor, at: late.occurredAt + 1_000, events: [late] }])
  const progress = await server.parts.database.rows('select 1 from item_progress where person_id = $1', [company.people.otherAuthor])
  expect([progress.length, (await overTime(lead)).now.whole.views]).toEqual([1, before.now.whole.views])

  server.clock.now = START + 30 * DAY_MS
  await keep()
  const records = await rowsOf(RECORDS)
  lead = await company.as('lead')
  const after = await overTime(lead)
  expect(after.kept).toBe('2025-03-01')
  for (const [n, { span: month, figures }] of after.now.periods.entries()) {
    const { views, finished } = before.now.periods[n]!.figures
    expect([month, figures.views, figures.finished]).toEqual([month, views, finished])
  }
  await recount(server.parts.database, server.parts.events)
  expect(await rowsOf(RECORDS)).toEqual(records)
  const admin = await company.as('admin')
  expect((await admin.send('put', '/api/figure-rules', { leastGroup: 5, keepMonths: 12 })).status).toBe(422)
  expect((await admin.send('put', '/api/figure-rules', { leastGroup: 5, keepMonths: null })).status).toBe(204)
  await keep()
  expect((await overTime(lead)).kept).toBe('2025-03-01')
}, 60_000)
