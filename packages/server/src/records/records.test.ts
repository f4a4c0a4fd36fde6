import { stateOf } from '@jackdaw/core/items'
import { may, type Permission } from '@jackdaw/core/people'
import { seededRandom, type GroupId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { v7 as uuidV7 } from 'uuid'
import { ITEM, ITEM_PROGRESS } from '../items'
import { relationsToGuide } from '../guides'
import { recount } from '../events/recount'
import {
  aGuide,
  Client,
  documentOf,
  smallCompany,
  startTestServer,
  START,
  type Company,
  type TestServer,
  type Who,
} from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())

const read = async (who: Client, guide: { id: string; steps: string[] }, upTo: number, ms = 5_000) => {
  const base = { item: { kind: 'guide', id: guide.id }, edition: 1, way: 'read', occurredAt: START }
  const events = guide.steps.slice(0, upTo).flatMap((stepId) => [
    { ...base, id: uuidV7(), verb: 'step-viewed', part: stepId },
    { ...base, id: uuidV7(), verb: 'time-spent', part: stepId, activeMs: ms },
  ])
  if (upTo >= guide.steps.length) events.push({ ...base, id: uuidV7(), verb: 'finished' } as never)
  await who.json('post', '/api/events', { sentAt: START, events })
}

describe('who finished', () => {
  it('tells state, progress and time of each person, and where they stopped', async () => {
    const guide = await aGuide(server, company, 'lead', { texts: ['One', 'Two', 'Three', 'Four'], openToAll: true })
    await read(await company.as('staff'), guide, 4, 60_000)
    await read(await company.as('outsider'), guide, 2)
    await read(await company.as('author'), guide, 2)
    await read(await company.as('manager'), guide, 1)
    const who = await lead.json('get', `/api/items/${guide.id}/who-finished?sort=time&direction=down`)
    expect(who.counts).toMatchObject({ people: 4, done: 1, inProgress: 3 })
    expect(who.rows.map((row: { name: string; seen: number; activeMs: number }) => [row.name, row.seen, row.activeMs])).toEqual([
      ['Name of staff', 4, 240_000],
      ['Name of author', 2, 10_000],
      ['Name of outsider', 2, 10_000],
      ['Name of manager', 1, 5_000],
    ])
    const drop = await lead.json('get', `/api/guides/${guide.id}/drop-off`)
    expect([drop.started, drop.finished]).toEqual([4, 1])
    expect(
      drop.steps.map((step: { name: string; reached: number; stoppedHere: number }) => [step.name, step.reached, step.stoppedHere]),
    ).toEqual([
      ['One', 4, 1],
      ['Two', 3, 2],
      ['Three', 1, 0],
      ['Four', 1, 0],
    ])
    const stopped = await lead.json('get', `/api/items/${guide.id}/who-finished?furthest=${guide.steps[1]}`)
    expect(stopped.rows.map((row: { name: string }) => row.name)).toEqual(['Name of author', 'Name of outsider'])
    expect((await lead.json('get', `/api/items/${guide.id}/who-finished?find=OUT`)).total).toBe(1)
    expect((await lead.json('get', `/api/items/${guide.id}/who-finished?state=done`)).total).toBe(1)
    for (const sort of ['name', 'state', 'progress', 'time', 'last', 'due'])
      expect((await lead.json('get', `/api/items/${guide.id}/who-finished?sort=${sort}`)).rows).toHaveLength(4)
  })
  it('shows a manager those who report to them, at any depth, and nobody else', async () => {
    const guide = await aGuide(server, company, 'lead', { openToAll: true })
    await server.parts.database.rows('update person set manager_id = $2 where id = $1', [company.people.outsider, company.people.staff])
    await read(await company.as('outsider'), guide, 1)
    await read(await company.as('author'), guide, 1)
    const manager = await company.as('manager')
    const who = await manager.json('get', `/api/items/${guide.id}/who-finished`)
    expect(who.rows.map((row: { name: string }) => row.name)).toEqual(['Name of outsider'])
    expect(who).toMatchObject({ onlyReports: true, counts: { people: 1 } })
    expect((await manager.json('get', `/api/guides/${guide.id}/drop-off`)).started).toBe(1)
    expect((await manager.json('get', '/api/records/people')).rows.map((row: { name: string }) => row.name)).toEqual([
      'Name of outsider',
      'Name of staff',
    ])
    const under = async (id: string) =>
      (await lead.json('get', `/api/records/people?manager=${id}`)).rows.map((row: { name: string }) => row.name)
    expect(await under(company.people.manager)).toEqual(['Name of staff'])
    expect(await under(company.people.staff)).toEqual(['Name of outsider'])
    expect((await manager.send('get', `/api/people/${company.people.outsider}/records`)).status).toBe(200)
    expect((await manager.send('get', `/api/people/${company.people.author}/records`)).status).toBe(403)
    expect(await (await manager.send('get', `/api/items/${guide.id}/who-finished.csv`)).text()).not.toContain('Name of author')
    await server.parts.database.rows('update person set manager_id = null where id = $1', [company.people.outsider])
  })
  it('does not run in circles when two people are each other’s manager', async () => {
    const { database } = server.parts
    await database.rows('update person set manager_id = $2 where id = $1', [company.people.manager, company.people.staff])
    const manager = await company.as('manager')
    expect((await manager.json('get', '/api/records/people')).rows).toHaveLength(1)
    await database.rows('update person set manager_id = null where id = $1', [company.people.manager])
  })
  it('comes as a file for spreadsheets, in which a name cannot be a formula', async () => {
    await server.parts.database.rows(`update person set name = '=HYPERLINK("http://evil.example")' where id = $1`, [
      company.people.outsider,
    ])
    const guide = await aGuide(server, company, 'lead', { openToAll: true })
    await read(await company.as('outsider'), guide, 3, 90_000)
    const response = await lead.send('get', `/api/items/${guide.id}/who-finished.csv`)
    expect(response.headers.get('content-type')).toBe('text/csv; charset=utf-8')
    expect(response.headers.get('content-disposition')).toMatch(/^attachment; filename="guide-\d+-who-finished-2026-03-10\.csv"$/)
    const [header, line] = (await response.text()).split('\r\n')
    expect(header).toContain('Name,Site,Department,Teams,Roles,Time zone,Guide,Title,Edition,Assigned,State')
    expect(line).toContain(`"'=HYPERLINK(""http://evil.example"")",Brookside,Packhouse,,`)
    // Nothing is due any more, and times are those of the clock at the person's site.
    expect(line).toContain(',no,Done,,3,3,4.5,2026-03-10 09:00')
    await server.parts.database.rows(`update person set name = 'Name of outsider' where id = $1`, [company.people.outsider])
    const mine = await (await lead.send('get', `/api/people/${company.people.staff}/records.csv`)).text()
    expect(mine.split('\r\n')).toHaveLength(3)
  })
})

describe('records of some people only', () => {
  it('are filtered by department, site, team and state alike in the lists, the counts and the file', async () => {
    const guide = await aGuide(server, company, 'lead', { openToAll: true })
    const crates = 'crates-team-crates-te' as GroupId
    await server.services.addGroups([{ id: crates, kind: 'team', name: 'Crates' }], server.clock.now)
    await server.services.changePerson(company.people.outsider, { groups: [company.site, company.department, crates] }, server.clock.now)
    await read(await company.as('outsider'), guide, 3)
    await read(await company.as('author'), guide, 1)
    const groups = await lead.json('get', '/api/records/groups')
    const team = groups.teams.find((each: { name: string }) => each.name === 'Crates').id
    const [list, all] = [
      `/api/items/${guide.id}/who-finished`,
      (query: string) => lead.json('get', `/api/items/${guide.id}/who-finished?${query}`),
    ]
    expect(await all(`team=${team}`)).toMatchObject({
      total: 1,
      counts: { people: 1, done: 1 },
      rows: [{ name: 'Name of outsider', teams: ['Crates'] }],
    })
    expect((await all('state=in-progress&sort=finished')).rows.map((row: { name: string }) => row.name)).toEqual(['Name of author'])
    expect((await all(`department=${groups.departments[0].id}&site=${groups.sites[0].id}`)).total).toBe(2)
    const lines = async (path: string) => (await (await lead.send('get', path)).text()).trim().split('\r\n').length - 1
    expect([await lines(`${list}.csv?team=${team}`), await lines(`${list}.csv`)]).toEqual([1, 2])
    expect(await lines(`/api/records.csv?team=${team}&state=done`)).toBeGreaterThanOrEqual(1)
    expect((await lead.json('get', `/api/records/people?team=${team}`)).rows).toHaveLength(1)
    const manager = await company.as('manager')
    const known = await manager.json('get', '/api/records/groups')
    expect(known.teams.map((each: { name: string }) => each.name)).not.toContain('Crates')
  })
})

describe('cautions that were acknowledged', () => {
  const warned = (texts: string[], at: number) => {
    const document = documentOf('Change the blade', ...texts)
    Object.assign(document.items[at]!, { cautions: [{ id: 'danger-one', level: 'danger', words: 'It cuts', acknowledge: true }] })
    return document
  }
  it('stand per step, person and way of use, with the time, on the page and in the file', async () => {
    const guide = await aGuide(server, company, 'lead', { document: warned(['Stop it', 'Change it'], 1), openToAll: true })
    const staff = await company.as('staff')
    const told = (way: string, occurredAt: number) => ({
      id: uuidV7(),
      guideId: guide.id,
      edition: 1,
      way,
      verb: 'step-acknowledged',
      stepId: guide.steps[1],
      occurredAt,
    })
    await read(staff, guide, 2)
    await staff.json('post', '/api/events', {
      sentAt: START,
      events: [told('read', START - 60_000), told('watch', START), told('watch', START)],
    })
    await read(await company.as('author'), guide, 1)
    const records = await lead.json('get', `/api/guides/${guide.id}/caution-records`)
    expect(records.steps).toEqual([{ stepId: guide.steps[1], position: 2, step: 'Change it', level: 'danger', people: 2, acknowledged: 1 }])
    const of = (name: string) => records.rows.find((row: { name: string }) => row.name === name).acknowledged
    expect(of('Name of author')).toEqual([])
    expect(of('Name of staff')).toMatchObject([
      { way: 'read', edition: 1, times: 1, attested: false },
      { way: 'watch', times: 2, firstAt: START, lastAt: START },
    ])
    const missing = await lead.json('get', `/api/guides/${guide.id}/caution-records?missing=yes`)
    expect(missing.rows.map((row: { name: string }) => row.name)).toEqual(['Name of author'])
    const lines = (await (await lead.send('get', `/api/guides/${guide.id}/caution-records.csv`)).text()).trim().split('\r\n')
    expect(lines).toHaveLength(4)
    expect(lines.find((line) => line.includes('Watch'))).toContain(
      '2,Change it,Danger,Name of staff,Brookside,Packhouse,Europe/London,Watch,1,2026-03-10 09:00,2026-03-10 09:00,2,claimed',
    )
    const own = await staff.json('get', `/api/people/${company.people.staff}/records/${guide.id}`)
    expect(own.cautions).toMatchObject([{ position: 2, level: 'danger', acknowledged: [{ way: 'read' }, { way: 'watch' }] }])
    expect((await (await company.as('manager')).json('get', `/api/guides/${guide.id}/caution-records`)).rows).toHaveLength(1)
  })
  it('are counted the same anew', async () => {
    const table = () => server.parts.database.rows('select * from acknowledgement order by 1, 2, 3, 4')
    const before = await table()
    await recount(server.parts.database, server.parts.events)
    expect(before.length).toBeGreaterThan(0)
    expect(await table()).toEqual(before)
  })
})

describe('the rules that stand both in SQL and in the core', () => {
  it('give the same state for any mixture of dates, editions and events', async () => {
    const random = seededRandom(7)
    const { database } = server.parts
    const guide = await aGuide(server, company, 'lead')
    for (let i = 0; i < 60; i++) {
      const edition = () => (random() < 0.5 ? null : 1 + Math.floor(random() * 3))
      const [finishedEdition, attestedEdition] = [edition(), edition()]
      const begun = random() < 0.5 || finishedEdition !== null || attestedEdition !== null
      const facts = {
        finishedEdition: attestedEdition === null ? finishedEdition : Math.max(attestedEdition, finishedEdition ?? 0),
        attestedEdition,
        requiredEdition: 1 + Math.floor(random() * 3),
        claimSuffices: random() < 0.7,
        startedAt: begun ? START : null,
        dueAt: random() < 0.2 ? null : START + Math.floor((random() - 0.4) * 6) * 86_400_000,
        waivedAt: random() < 0.2 ? START : null,
        roundFrom: random() < 0.5 ? null : START - 50,
        lastFinishedAt: finishedEdition === null && attestedEdition === null ? null : START - Math.floor(random() * 100),
        lastAttestedAt: attestedEdition === null ? null : START - Math.floor(random() * 100),
        lastAt: begun ? START - Math.floor(random() * 100) : null,
        handedInAt: begun && random() < 0.4 ? START - Math.floor(random() * 100) : null,
        answeredAt: begun && random() < 0.4 ? START - Math.floor(random() * 100) : null,
      }
      const { requiredEdition, claimSuffices } = facts
      await database.in(ITEM).update({ requiredEdition, claimSuffices }, { kind: 'guide', id: guide.id })
      await database.rows(`update assignment set due_at = $2, waived_at = $3, round_from = $4 where item_id = $1`, [
        guide.id,
        facts.dueAt === null ? null : new Date(facts.dueAt),
        facts.waivedAt === null ? null : new Date(facts.waivedAt),
        facts.roundFrom === null ? null : new Date(facts.roundFrom),
      ])
      const own = { itemKind: 'guide', itemId: guide.id, personId: company.people.staff } as const
      await database.in(ITEM_PROGRESS).remove(own)
      const none = { activeMs: 0, lastPartId: null, lastPartAt: null, finishedAt: null, partsSeen: 0 }
      if (begun) await database.in(ITEM_PROGRESS).insert({ ...own, ...none, ...facts })
      const { rows } = await lead.json('get', `/api/items/${guide.id}/who-finished`)
      expect([facts, rows[0].state]).toEqual([facts, stateOf(facts, START)])
    }
  })
  it('let the same people read the same guides', async () => {
    const random = seededRandom(11)
    const { database } = server.parts
    const everyone = Object.keys(company.people) as Who[]
    const some = (n: number) => everyone.filter(() => random() < n).map((who) => company.people[who])
    const guides: string[] = []
    for (let i = 0; i < 25; i++) {
      const owner = (['author', 'otherAuthor', 'lead', 'staff'] as const)[Math.floor(random() * 4)]!
      const { id } = await aGuide(server, company, owner, { published: random() < 0.7, openToAll: random() < 0.3 })
      guides.push(id)
      for (const person of some(0.25)) await database.rows('insert into guide_share values ($1, $2)', [id, person])
      for (const person of some(0.25))
        await database.rows(
          `insert into assignment (id, person_id, item_kind, item_id, use, assigned_at) values ($1, $2, 'guide', $3, 'to-do', $4) on conflict do nothing`,
          [nanoid(), person, id, new Date(START)],
        )
      if (random() < 0.2) await database.rows('update item set archived_at = $2 where id = $1', [id, new Date(START)])
    }
    for (const who of everyone) {
      const id = company.people[who]
      const permissions = new Set(
        (await database.one<{ permissions: Permission[] }>('select permissions from person where id = $1', [id]))!.permissions,
      )
      const seen = new Set(
        (await database.rows<{ guide_id: string }>('select item_id as guide_id from item_access where person_id = $1', [id])).map(
          (row) => row.guide_id,
        ),
      )
      const client = await company.as(who)
      for (const guideId of guides) {
        const relations = await relationsToGuide(
          database,
          {
            id,
            name: '',
            level: 'staff',
            permissions,
            hasReports: false,
            language: 'en',
            zone: 'UTC',
            passwordToChoose: false,
            readsAsPage: false,
          },
          guideId as never,
        )
        expect([who, guideId, seen.has(guideId)]).toEqual([who, guideId, may(permissions, 'item.read', relations!)])
      }
      const listed = new Set<string>()
      for (const archived of ['no', 'yes'])
        for (const row of (await client.json('get', `/api/guides?archived=${archived}`)).rows) listed.add(row.id)
      expect([...listed].filter((guideId) => guides.includes(guideId)).sort()).toEqual(guides.filter((guideId) => seen.has(guideId)).sort())
    }
  })
})
