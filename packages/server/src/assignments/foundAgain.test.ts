import { NOBODY, ticked } from '@jackdaw/core/audiences'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, START, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

const DAY = 86_400_000
let server: TestServer
let company: Company
let lead: Client
let staff: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  ;[lead, staff] = [await company.as('lead'), await company.as('staff')]
})
beforeEach(async () => {
  await server.parts.database.rows('truncate item cascade')
  server.clock.now = START
})
afterAll(() => server.close())

const published = async (more: object = {}): Promise<string> => {
  const { id } = await aGuide(server, company, 'lead', { published: false })
  const how = { revision: 0, changeNote: 'First', mustReread: false, openToAll: true, due: { kind: 'none' }, audience: NOBODY, ...more }
  await lead.json('post', `/api/guides/${id}/editions`, how)
  return id
}
const mark = (id: string, favourite = true) => staff.json('put', `/api/items/${id}/favourite`, { favourite }, 204)
const opened = (id: string) => {
  const event = { id: uuidV7(), item: { kind: 'guide', id }, edition: 1, way: 'read', verb: 'opened', occurredAt: server.clock.now }
  return staff.json('post', '/api/events', { sentAt: server.clock.now, events: [event] })
}
const today = async (client = staff): Promise<Record<string, string[]>> => {
  const { favourites, usedLast, fresh } = await client.json('get', '/api/today')
  const ids = (list: { item: { id: string } }[]) => list.map(({ item }) => item.id)
  return { favourites: ids(favourites), usedLast: ids(usedLast), fresh: ids(fresh) }
}

describe('what somebody finds again', () => {
  it('are their favourites, the one marked last on top, as long as they may read them', async () => {
    const [one, two] = [await published(), await published()]
    await mark(one)
    server.clock.now += 1_000
    await mark(two)
    await mark(two)
    expect((await today()).favourites).toEqual([two, one])
    expect((await today(await company.as('manager'))).favourites).toEqual([])
    expect((await staff.json('get', `/api/guides/${one}/reader`)).favourite).toBe(true)
    await mark(one, false)
    await lead.json('post', `/api/guides/${two}/editions`, {
      ...{ revision: 0, changeNote: '', mustReread: false, openToAll: false, due: { kind: 'none' } },
      audience: ticked([], [company.people.manager]),
    })
    expect((await today()).favourites).toEqual([])
    await staff.json('put', `/api/items/${two}/favourite`, { favourite: true }, 404)
  })
  it('is what they used last, and what is new for them and need not be done', async () => {
    const [used, fresh, toDo] = [await published(), await published(), await published({ audience: ticked([], [company.people.staff]) })]
    expect(await today()).toEqual({ favourites: [], usedLast: [], fresh: expect.arrayContaining([used, fresh]) })
    server.clock.now += DAY
    await opened(used)
    expect(await today()).toEqual({ favourites: [], usedLast: [used], fresh: [fresh] })
    await opened(toDo)
    server.clock.now += 15 * DAY
    expect(await today()).toMatchObject({ usedLast: expect.arrayContaining([used, toDo]), fresh: [] })
    await lead.json('patch', `/api/guides/${used}`, { archived: true }, 204)
    expect((await today()).usedLast).toEqual([toDo])
  })
})
