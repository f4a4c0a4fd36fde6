import { afterAll, beforeAll, expect, it } from 'vitest'
import { aGuide, smallCompany, startTestServer, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
})
afterAll(() => server.close())

it('shows a lead what somebody finds on Today and in the library, and notes nothing by it', async () => {
  await aGuide(server, company, 'author')
  const lead = await company.as('lead')
  const state = () =>
    server.parts.database.one(
      'select (select count(*) from event) as events, (select count(*) from item_progress) as progress, (select sum(xmin::text::bigint) from assignment) as given, (select sum(xmin::text::bigint) from person) as people',
    )
  for (const who of ['staff', 'author', 'outsider', 'admin'] as const) {
    const own = await company.as(who)
    const before = await state()
    for (const [path, asked] of [
      ['/api/today', 'today'],
      ['/api/guides?page=1', 'guides?page=1'],
      ['/api/folders', 'folders'],
    ] as const)
      expect([who, path, await lead.json('get', `/api/people/${company.people[who]}/${asked}`)]).toEqual([
        who,
        path,
        await own.json('get', path),
      ])
    expect(await state()).toEqual(before)
  }
})
it('is for those who may read every guide, and of people who work here', async () => {
  const manager = await company.as('manager')
  expect((await manager.send('get', `/api/people/${company.people.staff}/today`)).status).toBe(403)
  const admin = await company.as('admin')
  await admin.send('post', `/api/directory/${company.people.outsider}/leaving`, { reportsTo: null })
  expect((await admin.send('get', `/api/people/${company.people.outsider}/today`)).status).toBe(403)
  expect((await admin.send('get', `/api/people/${company.site}/today`)).status).toBe(404)
})
