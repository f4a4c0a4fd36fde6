import { LEVEL_PRESETS } from '@jackdaw/core/people'
import type { GroupId, GuideId, PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, Client, documentOf, smallCompany, START, startTestServer, type Company, type TestServer } from '../../testing/testServer'

const DAY = 86_400_000
let server: TestServer
let company: Company
let lead: Client
let admin: Client

beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  admin = await company.as('admin')
})
afterAll(() => server.close())

const fields = (more: object = {}) => ({
  ...{ name: 'Ola Nowak', mail: null, number: null, jobTitle: 'Packer', telephone: '', startedOn: '2026-03-02', siteId: company.site },
  ...{ managerId: null, groups: [], level: 'staff' },
  ...more,
})
const add = async (more: object = {}, by = lead): Promise<PersonId> =>
  (await by.json<{ id: PersonId }>('post', '/api/directory', fields(more))).id
const refused = async (response: Promise<Response>) => {
  const answer = await response
  const problem = (await answer.json()) as { code: string; detail: string }
  return [answer.status, problem.code, problem.detail]
}
const person = (id: PersonId, by = lead) => by.json('get', `/api/directory/${id}`)

describe('people', () => {
  it('are added with or without mail address and number, and found as one types', async () => {
    const id = await add({
      name: 'Łucja Żuk',
      number: 'B-77',
      mail: 'lucja@example.org',
      managerId: company.people.manager,
      groups: [company.team],
    })
    expect(await person(id)).toMatchObject({
      name: 'Łucja Żuk',
      mail: 'lucja@example.org',
      manager: { name: 'Name of manager' },
      managed: { number: 'B-77', level: 'staff', hasPassword: false },
    })
    const found = async (find: string) =>
      (await lead.json('get', `/api/directory?find=${encodeURIComponent(find)}`)).rows.map((row: { name: string }) => row.name)
    expect(await found('zuk')).toEqual(['Łucja Żuk'])
    expect(await found('lucja PACK')).toEqual(['Łucja Żuk'])
    expect(await found('b-77')).toEqual(['Łucja Żuk'])
    expect(await found('%')).toEqual([])
    const inTeam = await lead.json('get', `/api/directory?group=${company.team}`)
    expect(inTeam).toMatchObject({ total: 2, rows: [{ name: 'Łucja Żuk' }, { name: 'Name of staff' }] })
  })
  it.each([
    ['one letter', 'Ż'],
    ['right to left', 'שלום לוי'],
    ['300 letters', 'n'.repeat(300)],
  ])('may have a name with %s', async (_what, name) => {
    expect((await person(await add({ name }))).name).toBe(name)
  })
  it('cannot have a name of 301 letters, or none', async () => {
    for (const name of ['n'.repeat(301), '  ']) expect((await refused(lead.send('post', '/api/directory', fields({ name }))))[0]).toBe(422)
  })
  it('cannot share a mail address or a number, also not with somebody who left', async () => {
    const id = await add({ name: 'First', mail: 'first@example.org', number: '55' })
    await lead.json('post', `/api/directory/${id}/leaving`, { reportsTo: null }, 204)
    expect(await refused(lead.send('post', '/api/directory', fields({ mail: 'FIRST@example.org' })))).toEqual([
      409,
      'already-taken',
      'The mail address first@example.org belongs to First already.',
    ])
    const other = await add({ name: 'Second', number: '56' })
    expect((await refused(lead.send('patch', `/api/directory/${other}`, { number: '55' })))[1]).toBe('already-taken')
    // Two may change them with one another in one go.
    await server.services.changePerson(id, { active: true }, START + DAY)
  })
  it('cannot report to one another in a circle, which is told with the names', async () => {
    const [a, b] = [await add({ name: 'Ann' }), await add({ name: 'Ben' })]
    await lead.json('patch', `/api/directory/${b}`, { managerId: a }, 204)
    const [status, code, detail] = await refused(lead.send('patch', `/api/directory/${a}`, { managerId: b }))
    expect([status, code]).toEqual([409, 'reports-in-a-circle'])
    expect(detail).toMatch(/^Each would report to the next: (Ann → Ben → Ann|Ben → Ann → Ben)\.$/)
    expect((await person(a)).manager).toBeNull()
  })
  it('leave with their next request, keep their past, and hand over those who report to them; who returns is the same person', async () => {
    const boss = await add({ name: 'Boss', groups: [company.team] })
    const under = await add({ name: 'Under', managerId: boss })
    await server.parts.database.rows(
      "update person set mail = 'boss@example.org', password_hash = (select password_hash from person where id = $2) where id = $1",
      [boss, company.people.staff],
    )
    const client = await new Client(server.address).signIn('boss@example.org')
    server.clock.now = START + 40 * DAY
    lead = await company.as('lead')
    await lead.json('post', `/api/directory/${boss}/leaving`, { reportsTo: company.people.manager }, 204)
    expect((await client.send('get', '/api/today')).status).toBe(401)
    expect((await person(under)).manager.name).toBe('Name of manager')
    const gone = await person(boss)
    expect(gone).toMatchObject({ active: false, groups: [] })
    expect(gone.past).toMatchObject([
      { group: { name: 'Brookside' }, since: '2026-03-10', until: '2026-04-19' },
      { group: { name: 'Crate line A' }, since: '2026-03-10', until: '2026-04-19' },
    ])
    // Whoever neither looks after people nor sees all records knows nothing of them any more.
    expect((await (await company.as('outsider')).send('get', `/api/directory/${boss}`)).status).toBe(404)
    expect((await refused(lead.send('patch', `/api/directory/${boss}`, { jobTitle: 'x' })))[1]).toBe('not-allowed')
    await lead.json('post', `/api/directory/${boss}/return`, { siteId: company.site, groups: [], managerId: null }, 204)
    expect(await person(boss)).toMatchObject({ id: boss, active: true, groups: [{ group: { name: 'Brookside' }, since: '2026-04-19' }] })
  })
})

describe('what a leaver had', () => {
  it('goes over in one go, and comes back with them as far as it is still there', async () => {
    const writer = await add({ name: 'Writer', level: 'author' })
    const [kept, gone] = [nanoid<GuideId>(), nanoid<GuideId>()]
    for (const id of [kept, gone])
      await server.services.addGuide({
        id,
        document: documentOf('Sow the trays', 'Sow'),
        ownerId: writer,
        folderId: null,
        now: server.clock.now,
      })
    expect(await lead.json('get', `/api/directory/${writer}/holdings`)).toEqual({ guides: 2, reports: 0 })
    const leaving = { reportsTo: null, guidesTo: company.people.staff }
    expect((await refused(lead.send('post', `/api/directory/${writer}/leaving`, leaving)))[1]).toBe('invalid')
    await lead.json('post', `/api/directory/${writer}/leaving`, { ...leaving, guidesTo: company.people.author }, 204)
    const ownerOf = async (id: GuideId) =>
      (await lead.json('get', '/api/guides?find=Sow')).rows.find((row: { id: string }) => row.id === id).owner.name
    expect([await ownerOf(kept), await ownerOf(gone)]).toEqual(['Name of author', 'Name of author'])
    // What has gone on to somebody else since stays with them.
    await lead.json('patch', `/api/guides/${gone}`, { ownerId: company.people.otherAuthor }, 204)
    await lead.json('post', `/api/directory/${writer}/return`, { siteId: company.site, groups: [], managerId: null }, 204)
    expect([await ownerOf(kept), await ownerOf(gone)]).toEqual(['Writer', 'Name of otherAuthor'])
  })
})

describe('being away', () => {
  it('is said by oneself, one’s manager or who looks after people, and seen in the directory', async () => {
    const staff = await company.as('staff')
    const id = company.people.staff
    const today = new Date(server.clock.now).toISOString().slice(0, 10)
    const say = (client: Client, absences: object[]) => client.send('put', `/api/directory/${id}/absences`, { absences })
    expect((await say(staff, [{ from: today, until: '2030-01-02' }])).status).toBe(204)
    const row = (await lead.json('get', '/api/directory?find=staff')).rows.find((each: { id: string }) => each.id === id)
    expect(row.awayUntil).toBe('2030-01-02')
    expect((await say(await company.as('outsider'), [])).status).toBe(403)
    const manager = await company.as('manager')
    for (const wrong of [
      [{ from: '2030-02-02', until: '2030-02-01' }],
      [
        { from: '2030-02-01', until: '2030-02-05' },
        { from: '2030-02-05', until: '2030-02-06' },
      ],
    ])
      expect((await refused(say(manager, wrong)))[1]).toBe('invalid')
    expect((await say(manager, [{ from: '2030-03-01', until: '2030-03-01' }])).status).toBe(204)
    expect((await person(id)).absences).toEqual([{ from: '2030-03-01', until: '2030-03-01' }])
  })
})

describe('rights over people', () => {
  it('end where one’s own do: nobody gives what they lack, or touches the account of who may do more', async () => {
    const id = await add({ name: 'Climber' })
    expect((await refused(lead.send('patch', `/api/directory/${id}`, { level: 'admin' })))[1]).toBe('beyond-own-rights')
    await lead.json('patch', `/api/directory/${id}`, { level: 'author' }, 204)
    await admin.json('patch', `/api/directory/${id}`, { level: 'admin' }, 204)
    for (const change of [{ level: 'staff' }, { mail: 'taken-over@example.org' }, { number: '1' }])
      expect([change, (await refused(lead.send('patch', `/api/directory/${id}`, change)))[1]]).toEqual([change, 'beyond-own-rights'])
    expect((await refused(lead.send('post', `/api/directory/${id}/leaving`, { reportsTo: null })))[1]).toBe('beyond-own-rights')
    await admin.json('patch', `/api/directory/${id}`, { level: 'staff' }, 204)
    const log = await server.parts.database.rows(
      'select level_before, level_after, by_id from rights_change where person_id = $1 order by id',
      [id],
    )
    expect(log).toEqual([
      { level_before: 'staff', level_after: 'author', by_id: company.people.lead },
      { level_before: 'author', level_after: 'admin', by_id: company.people.admin },
      { level_before: 'admin', level_after: 'staff', by_id: company.people.admin },
    ])
  })
  it('leave the last admin where they are', async () => {
    const own = company.people.admin
    expect((await refused(admin.send('patch', `/api/directory/${own}`, { level: 'lead' })))[1]).toBe('last-admin')
    expect((await refused(admin.send('post', `/api/directory/${own}/leaving`, { reportsTo: null })))[1]).toBe('last-admin')
    expect((await admin.json('get', '/api/session')).level).toBe('admin')
  })
  it('let somebody who may only invite add people who report to them, and nobody else', async () => {
    await admin.json('patch', `/api/directory/${company.people.manager}`, { permissions: ['people.invite'] }, 204)
    const manager = await company.as('manager')
    expect((await refused(manager.send('post', '/api/directory', fields())))[1]).toBe('not-allowed')
    expect((await refused(manager.send('post', '/api/directory', fields({ managerId: company.people.lead }))))[1]).toBe('not-allowed')
    expect((await refused(manager.send('post', '/api/directory', fields({ managerId: company.people.manager, level: 'author' }))))[1]).toBe(
      'beyond-own-rights',
    )
    const direct = await add({ name: 'Direct', managerId: company.people.manager }, manager)
    await add({ name: 'Below', managerId: direct }, manager)
    expect((await manager.send('patch', `/api/directory/${direct}`, { jobTitle: 'x' })).status).toBe(403)
    await admin.json('patch', `/api/directory/${company.people.manager}`, { permissions: [...LEVEL_PRESETS.staff] }, 204)
  })
})

describe('groups', () => {
  const make = async (kind: string, name: string, zone: string | null = null): Promise<GroupId> =>
    (await lead.json<{ id: GroupId }>('post', '/api/groups', { kind, name, about: '', zone, leaderId: null })).id
  it('are of kinds, of the company’s own too; a site has a time zone and nothing else has', async () => {
    const { id: kind } = await lead.json('post', '/api/group-kinds', { name: 'First aiders' })
    const group = await make(kind, 'Brookside first aid')
    expect((await lead.json('get', `/api/groups/${group}`)).kindName).toBe('First aiders')
    expect((await refused(lead.send('post', '/api/group-kinds', { name: 'FIRST aiders' })))[1]).toBe('already-taken')
    const wrong: [string, string | null][] = [
      ['team', 'Europe/London'],
      ['site', null],
      ['site', 'Europe/Nowhere'],
    ]
    for (const [of, zone] of wrong)
      expect((await refused(lead.send('post', '/api/groups', { kind: of, name: nanoid(), about: '', zone, leaderId: null })))[1]).toBe(
        'invalid',
      )
    expect(
      (await refused(lead.send('post', '/api/groups', { kind: 'team', name: 'CRATE LINE A', about: '', zone: null, leaderId: null })))[1],
    ).toBe('already-taken')
  })
  it('take people in and let them go, and keep who was in them; closed, nobody is in them', async () => {
    const group = await make('team', 'Night shift')
    const id = await add({ name: 'Night Owl' })
    await lead.json('post', `/api/groups/${group}/members`, { join: [id], leave: [] }, 204)
    await lead.json('post', `/api/groups/${group}/members`, { join: [id], leave: [] }, 204)
    expect(await lead.json('get', `/api/groups/${group}`)).toMatchObject({ people: 1, members: [{ name: 'Night Owl' }] })
    server.clock.now += 3 * DAY
    lead = await company.as('lead')
    await lead.json('post', `/api/groups/${group}/closing`, { moveTo: null }, 204)
    expect(await lead.json('get', `/api/groups/${group}`)).toMatchObject({ people: 0, closedOn: expect.any(String) })
    expect((await person(id)).past).toMatchObject([{ group: { name: 'Night shift', closed: true } }])
    expect((await refused(lead.send('post', `/api/groups/${group}/members`, { join: [id], leave: [] })))[1]).toBe('group-closed')
    // Its name is free again.
    await make('team', 'Night shift')
  })
  it('do not lose a site at which people work: they go to another one', async () => {
    const [one, two] = [await make('site', 'Old yard', 'Europe/London'), await make('site', 'New yard', 'Europe/Warsaw')]
    const id = await add({ name: 'Yard Hand', siteId: one })
    expect((await refused(lead.send('post', `/api/groups/${one}/members`, { join: [], leave: [id] })))[1]).toBe('site-in-use')
    expect((await refused(lead.send('post', `/api/groups/${one}/closing`, { moveTo: null })))[1]).toBe('site-in-use')
    await lead.json('post', `/api/groups/${one}/closing`, { moveTo: two }, 204)
    expect((await person(id)).groups).toMatchObject([{ group: { name: 'New yard' } }])
  })
  it('have duties, each with the guides that tell how as far as the reader may see them; one without is a gap', async () => {
    const { id: guide } = await aGuide(server, company, 'author')
    const { id: draft } = await lead.json('post', '/api/guides', { title: 'Not yet', kind: 'how-to', folderId: null })
    const duties = [
      { id: nanoid(), title: 'Keeps the crates clean', about: '', guides: [guide] },
      { id: nanoid(), title: 'Orders liners', about: 'By Thursday', guides: [] },
    ]
    await lead.json('put', `/api/groups/${company.role}/duties`, { duties }, 204)
    expect((await lead.json('get', `/api/groups/${company.role}`)).duties).toMatchObject([
      { title: 'Keeps the crates clean', guides: [{ title: 'Rinse the trays' }], gap: false },
      { title: 'Orders liners', guides: [], gap: true },
    ])
    const outsider = await company.as('outsider')
    expect((await outsider.json('get', `/api/groups/${company.role}`)).duties).toMatchObject([{ guides: [], gap: false }, { gap: true }])
    expect((await outsider.json('get', '/api/group-list')).find((row: { id: string }) => row.id === company.role)).toMatchObject({
      duties: 2,
      gaps: 1,
    })
    for (const id of [nanoid(), draft]) {
      const wrong = [{ id: nanoid(), title: 'x', about: '', guides: [id] }]
      expect((await refused(lead.send('put', `/api/groups/${company.role}/duties`, { duties: wrong })))[1]).toBe('invalid')
    }
  })
})

describe('what everybody says of themselves', () => {
  it('is their telephone number and their picture, and what others see is what the company shows', async () => {
    const staff = await company.as('staff')
    const id = company.people.staff
    await staff.json('patch', '/api/my-facts', { telephone: '01632 960123' }, 204)
    const png = Uint8Array.from(
      Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64'),
    )
    const sent = (bytes: Uint8Array) => staff.send('put', '/api/my-facts/face', bytes, { 'content-type': 'image/png' })
    expect((await sent(png)).status).toBe(204)
    expect((await sent(new TextEncoder().encode('<svg/>'))).status).toBe(422)
    const outsider = await company.as('outsider')
    expect(await person(id, outsider)).toMatchObject({
      telephone: '01632 960123',
      mail: 'staff@example.org',
      face: expect.any(String),
      managed: null,
    })
    expect((await outsider.send('get', `/people/${id}/face`)).headers.get('content-type')).toBe('image/webp')
    await admin.json('put', '/api/directory-settings', { mail: false, telephone: false }, 204)
    expect(await person(id, outsider)).toMatchObject({ telephone: null, mail: null })
    expect(await person(id, staff)).toMatchObject({ telephone: '01632 960123', mail: 'staff@example.org' })
    await staff.json('delete', '/api/my-facts/face', undefined, 204)
    expect((await person(id, outsider)).face).toBeNull()
  })
})

it('draws everybody below whom they report to', async () => {
  const { people, left } = await lead.json<{ people: [string, string, string, number][]; left: number }>('get', '/api/org-chart')
  expect(left).toBe(0)
  people.forEach(([, , , manager], place) => expect(manager).toBeLessThan(place))
  const staff = people.find(([id]) => id === company.people.staff)!
  expect(people[staff[3]]![0]).toBe(company.people.manager)
})
