import type { Search, SoughtThing } from '@jackdaw/contracts/searches'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, type Company, type TestServer, type Who } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
let manager: Client
let guide: string
let narrow: string
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  guide = (await aGuide(server, company, 'lead', { openToAll: true })).id
  narrow = (await aGuide(server, company, 'lead')).id
  lead = await company.as('lead')
  manager = await company.as('manager')
  const opened = { kind: 'guide', id: guide }
  await seek('staff', 'Rinsing trays', 1, opened)
  await seek('outsider', 'rinsing tray', 0)
  await seek('staff', 'the tray, rinsing?', 0)
  await seek('outsider', 'wash basin', 2, opened)
  await seek('outsider', 'Wage slip', 0)
  await seek('otherAuthor', 'wage slips', 0)
})
afterAll(() => server.close())

async function seek(who: Who, words: string, found: number, opened: object | null = null, id = nanoid()): Promise<number> {
  return (await (await company.as(who)).send('put', `/api/searches/${id}`, { words, found, opened })).status
}
const list = async (who: Client, more = ''): Promise<{ rows: SoughtThing[]; searches: number; total: number }> =>
  who.json('get', `/api/engagement/searches${more}`)
const rowsOf = async (who: Client, words: string, part: string): Promise<Search[]> =>
  (await who.json('get', `/api/engagement/searches/rows?words=${encodeURIComponent(words)}&part=${part}`)).rows

it('puts together what was sought in other words, with what was opened and what found nothing', async () => {
  const { rows, searches, total } = await list(lead)
  expect([searches, total]).toEqual([6, 2])
  // The basin led to the same guide as the trays.
  expect(rows[0]).toMatchObject({ times: 4, people: 2, nothing: 2, opened: 2, item: { ref: { id: guide } } })
  expect(rows[0]!.wordings.map(({ words }) => words)).toEqual(expect.arrayContaining(['rinsing trays', 'wash basin']))
  expect(rows[1]).toMatchObject({ words: 'wage slip', times: 2, people: 2, nothing: 2, opened: 0, item: null })
  expect((await list(lead, '?which=unanswered')).rows.map(({ words }) => words)).toEqual(['wage slip'])
})
it('opens each figure to as many searches or people, for whoever may see them', async () => {
  for (const who of [lead, manager])
    for (const thing of (await list(who)).rows)
      for (const part of ['times', 'people', 'nothing', 'opened'] as const)
        expect((await rowsOf(who, thing.words, part)).length).toBe(thing[part])
  // Only one of those who sought reports to the manager.
  expect((await list(manager)).searches).toBe(2)
  expect((await rowsOf(manager, 'rinsing trays', 'times')).every(({ person }) => person.id === company.people.staff)).toBe(true)
  expect((await manager.send('get', '/api/engagement/searches/rows?words=wage+slip&part=times')).status).toBe(404)
})
it('is told once, and what was opened afterwards by whoever sought it', async () => {
  const id = nanoid()
  const before = (await list(lead)).searches
  expect(await seek('staff', 'stacking', 3, null, id)).toBe(204)
  expect(await seek('outsider', 'stacking', 3, { kind: 'guide', id: guide }, id)).toBe(204)
  expect((await rowsOf(lead, 'stacking', 'opened')).length).toBe(0)
  expect(await seek('staff', 'stacking', 3, { kind: 'guide', id: guide }, id)).toBe(204)
  expect((await rowsOf(lead, 'stacking', 'opened')).find(({ words }) => words === 'stacking')).toMatchObject({
    found: 3,
    opened: { ref: { id: guide } },
  })
  expect((await list(lead)).searches).toBe(before + 1)
})
it('takes nothing that says nothing, nothing that its sender may not see, and not without end', async () => {
  const before = (await list(lead)).searches
  expect(await seek('staff', '…', 0)).toBe(204)
  expect(await seek('staff', '', 0)).toBe(422)
  expect(await seek('staff', 'x'.repeat(201), 0)).toBe(422)
  expect(await seek('outsider', 'stack', 1, { kind: 'guide', id: narrow })).toBe(404)
  expect((await list(lead)).searches).toBe(before)
  await server.parts.database.rows(
    `insert into search (id, person_id, at, local_day, words, key, found) select 'many' || n, person_id, at, local_day, 'many', 'many', 0 from search, generate_series(1, 500) n where id = (select min(id) from search where person_id = $1)`,
    [company.people.otherAuthor],
  )
  expect(await seek('otherAuthor', 'one more', 0)).toBe(204)
  expect((await lead.send('get', '/api/engagement/searches/rows?words=one+more&part=times')).status).toBe(404)
})
