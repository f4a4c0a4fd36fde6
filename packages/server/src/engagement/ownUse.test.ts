import type { OwnItem, OwnItemUse } from '@jackdaw/contracts/ownUse'
import { LEAST_GROUP, shownUse } from '@jackdaw/core/engagement'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testing/testServer'

const DAY_MS = 86_400_000
/** In the month before that of the start. */
const THEN = Date.UTC(new Date(START).getUTCFullYear(), new Date(START).getUTCMonth(), 1) - 10 * DAY_MS
const MONTH = new Date(THEN).toISOString().slice(0, 7) + '-01'
const READERS = ['staff', 'outsider', 'manager', 'lead'] as const satisfies readonly Who[]

let server: TestServer
let company: Company
let author: Client
let open: { id: string; steps: string[] }
let narrow: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  server.clock.now = THEN - 5 * DAY_MS
  company = await smallCompany(server)
  open = await aGuide(server, company, 'author', { openToAll: true })
  narrow = await aGuide(server, company, 'author')
  server.clock.now = START
  const reading = ({ id, steps }: typeof open, at: number, finishes: boolean) => {
    const base = { item: { kind: 'guide', id }, edition: 1, way: 'read', visit: nanoid() }
    const verbs = [
      { verb: 'opened' },
      ...(finishes ? steps : steps.slice(0, 1)).map((part) => ({ verb: 'step-viewed', part })),
      ...(finishes ? [{ verb: 'finished' }] : []),
    ]
    return verbs.map((verb, n) => ({ ...base, ...verb, id: uuidV7(), occurredAt: at + n * 1_000 }))
  }
  for (const [n, who] of [...READERS, 'author' as const].entries()) {
    const events = [
      ...reading(open, THEN + n * 60_000, who !== 'outsider'),
      ...(who === 'manager' ? reading(open, THEN + DAY_MS, true) : []),
      ...(who === 'staff' ? reading(narrow, THEN, true) : []),
      // Of the month under way nothing is told yet.
      ...reading(open, START - 60_000, true),
    ]
    await (await company.as(who)).json('post', '/api/events', { sentAt: START, events })
  }
  author = await company.as('author')
})
afterAll(() => server.close())

it('tells an author how others used what they own, rounded, and nothing where few may see it', async () => {
  const { rows, months, month, leastGroup } = await author.json('get', '/api/engagement/own')
  expect([month, months.length, leastGroup]).toEqual([MONTH, 12, LEAST_GROUP])
  const useOf = (id: string) => (rows as OwnItem[]).find(({ item }) => item.id === id)?.use
  // Six others may see it, four have used it, three have finished it: the author is not counted.
  const shown = shownUse([{ key: 'all', size: 6, people: 4, finished: 3, views: 5 }], LEAST_GROUP)!
  expect(useOf(open.id)).toEqual({ people: shown.people, finished: shown.finished, timesEach: shown.timesEach })
  expect(useOf(narrow.id)).toBeNull()
})
it('tells it month by month, by department and by step, and is the same as in the list', async () => {
  const found: OwnItemUse = await author.json('get', `/api/items/${open.id}/own-use`)
  expect(found.each[0]).toMatchObject({ people: 5, finished: 5 })
  expect(found.each.slice(1).every((use) => use?.people === 0)).toBe(true)
  expect(found.groups).toEqual([expect.objectContaining({ size: 6, people: 5, others: false })])
  // One of the five visits of others left at the first of two steps or more.
  expect(found.steps[0]).toMatchObject({ position: 1, came: 1 })
  expect(found.steps[0]!.left).toBeGreaterThan(0)
  const few: OwnItemUse = await author.json('get', `/api/items/${narrow.id}/own-use`)
  expect([few.each.every((use) => use === null), few.groups, few.steps]).toEqual([true, [], []])
})
it('takes whole months that are over only, and counts more people together where the company says so', async () => {
  for (const month of [new Date(START).toISOString().slice(0, 7) + '-01', '2019-01-01', new Date(THEN).toISOString().slice(0, 10)])
    expect((await author.send('get', `/api/items/${open.id}/own-use?month=${month}`)).status).toBe(422)
  const admin = await company.as('admin')
  expect((await admin.send('put', '/api/figure-rules', { leastGroup: 4, keepMonths: null })).status).toBe(422)
  expect((await admin.send('put', '/api/figure-rules', { leastGroup: 7, keepMonths: null })).status).toBe(204)
  expect((await author.json('get', `/api/items/${open.id}/own-use`)).each[0]).toBeNull()
})
it('is of what one owns, and of nothing else', async () => {
  const other = await company.as('otherAuthor')
  expect((await other.json('get', '/api/engagement/own')).rows).toEqual([])
  expect((await other.send('get', `/api/items/${open.id}/own-use`)).status).toBe(403)
  expect((await other.send('get', `/api/items/${narrow.id}/own-use`)).status).toBe(404)
})
