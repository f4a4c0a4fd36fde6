import { NOBODY, ticked } from '@jackdaw/core/audiences'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { v7 as uuidV7 } from 'uuid'
import { aGuide, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
let staff: Client
let guide: { id: string; steps: string[] }
const DAY = 86_400_000
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  staff = await company.as('staff')
})
beforeEach(async () => {
  server.clock.now = START
  guide = await aGuide(server, company, 'lead', { published: false })
})
afterAll(() => server.close())

const request = (more: object = {}) => ({
  revision: 0,
  changeNote: 'First',
  mustReread: false,
  audience: ticked([company.team], []),
  openToAll: false,
  due: { kind: 'days', days: 14 },
  ...more,
})
const publish = (more: object = {}, expected = 200) => lead.json('post', `/api/guides/${guide.id}/editions`, request(more), expected)
const preview = (audience: object) => lead.json('post', `/api/guides/${guide.id}/audience-preview`, { audience })
const today = async (who = staff) => {
  const all = await who.json('get', '/api/today')
  return {
    waiting: all.waiting.filter(({ item }: { item: { id: string } }) => item.id === guide.id),
    done: all.done.filter(({ item }: { item: { id: string } }) => item.id === guide.id),
  }
}
const read = async (who: Client, edition: number, steps = guide.steps) => {
  const base = { item: { kind: 'guide', id: guide.id }, edition, way: 'read', occurredAt: server.clock.now }
  const events = [
    ...steps.map((stepId) => ({ ...base, id: uuidV7(), verb: 'step-viewed', part: stepId })),
    { ...base, id: uuidV7(), verb: 'finished' },
  ]
  return who.json('post', '/api/events', { sentAt: server.clock.now, events })
}
const changeDraft = () =>
  lead.json('post', `/api/guides/${guide.id}/draft/changes`, {
    baseRevision: 0,
    changeSetId: nanoid(),
    changes: [{ type: 'set-facts', facts: { summary: 'New' } }],
  })

describe('publishing', () => {
  it('says beforehand who gets it and why, each person once', async () => {
    const { people, counts } = await preview(ticked([company.team], [company.people.staff, company.people.outsider]))
    expect(people).toMatchObject([
      { name: 'Name of outsider', why: ['named'], now: 'new' },
      { name: 'Name of staff', why: ['Crate line A', 'named'], now: 'new' },
    ])
    expect(counts).toEqual({ people: 2, new: 2, 'not-done': 0, done: 0, leaving: 0 })
  })
  it('gives the guide to as many as it said, due at the end of the day where they are', async () => {
    expect(await publish()).toEqual({ edition: 1, people: 1 })
    expect((await today()).waiting).toMatchObject([{ state: 'not-started', dueOn: '2026-03-24', daysLeft: 14, parts: 3, seen: 0 }])
    server.clock.now = Date.parse('2026-03-24T23:59:00Z')
    expect((await today()).waiting[0].state).toBe('due-soon')
    server.clock.now = Date.parse('2026-03-25T00:00:00Z')
    expect((await today()).waiting[0]).toMatchObject({ state: 'late', daysLeft: -1 })
  })
  it('freezes: the draft goes on, the reader does not see it', async () => {
    await publish()
    await changeDraft()
    expect((await staff.json('get', `/api/guides/${guide.id}/reader`)).document.summary).toBe('')
    await publish({ revision: 1, changeNote: 'Second' })
    expect(await staff.json('get', `/api/guides/${guide.id}/reader`)).toMatchObject({
      edition: 2,
      document: { summary: 'New' },
      changeNote: 'Second',
    })
    const editions = (await lead.json('get', `/api/guides/${guide.id}/publication`)).editions
    expect(editions.map((edition: { number: number; changeNote: string }) => [edition.number, edition.changeNote])).toEqual([
      [2, 'Second'],
      [1, 'First'],
    ])
  })
  it('refuses a draft that has changed since the page was opened, twice at once, and one that is not ready', async () => {
    await changeDraft()
    await publish({}, 409)
    const answers = await Promise.all([1, 2, 3].map(() => publish({ revision: 1 })))
    expect(answers.map((answer) => answer.edition)).toEqual([1, 1, 1])
    const empty = await lead.json('post', '/api/guides', { title: 'Empty', kind: 'how-to', folderId: null })
    const refused = await lead.send('post', `/api/guides/${empty.id}/editions`, request())
    expect(await refused.json()).toMatchObject({ code: 'not-publishable', detail: expect.stringContaining('a step is empty') })
  })
  it('leaves those who are done alone, unless they must read the new edition', async () => {
    await publish()
    expect((await read(staff, 1)).taken).toBe(4)
    expect((await today()).done).toHaveLength(1)
    await changeDraft()
    expect((await preview(request().audience)).people).toMatchObject([{ now: 'done' }])
    await publish({ revision: 1 })
    expect((await today()).done).toHaveLength(1)
    await lead.json('post', `/api/guides/${guide.id}/draft/changes`, {
      baseRevision: 1,
      changeSetId: nanoid(),
      changes: [{ type: 'set-facts', facts: { summary: 'Again' } }],
    })
    server.clock.now += 30 * DAY
    await publish({ revision: 2, mustReread: true, due: { kind: 'days', days: 7 } })
    expect((await today()).waiting).toMatchObject([{ state: 'out-of-date', dueOn: '2026-04-16', seen: 0, edition: 3 }])
    expect((await staff.json('get', `/api/guides/${guide.id}/reader`)).progress).toMatchObject({
      seen: [],
      lastStepId: null,
      mustReread: true,
      finishedEdition: 1,
    })
    expect((await read(staff, 3)).refused).toEqual([])
    expect((await today()).done).toHaveLength(1)
  })
  it('takes the guide back from those who are no longer meant, and gives it to those who are', async () => {
    await publish()
    const only = ticked([], [company.people.outsider])
    expect((await preview(only)).leaving).toMatchObject([{ name: 'Name of staff' }])
    await publish({ audience: only })
    expect((await staff.send('get', `/api/guides/${guide.id}/reader`)).status).toBe(404)
    expect((await (await company.as('outsider')).send('get', `/api/guides/${guide.id}/reader`)).status).toBe(200)
  })
  it('opens a guide to all without giving it to anyone', async () => {
    await publish({ audience: NOBODY, openToAll: true })
    const outsider = await company.as('outsider')
    expect((await outsider.json('get', `/api/guides?find=Rinse`)).rows.some((row: { id: string }) => row.id === guide.id)).toBe(true)
    expect((await today(outsider)).waiting).toEqual([])
    expect((await read(outsider, 1)).refused).toEqual([])
  })
  it('follows people into their groups and out of them', async () => {
    await publish()
    const outsider = await company.as('outsider')
    const { outsider: id } = company.people
    const groups = [company.site, company.department]
    await server.services.changePerson(id, { groups: [...groups, company.team] }, server.clock.now + 3 * DAY)
    expect((await today(outsider)).waiting).toMatchObject([{ dueOn: '2026-03-27' }])
    expect((await today()).waiting).toMatchObject([{ dueOn: '2026-03-24' }])
    await server.services.changePerson(id, { groups }, server.clock.now + 4 * DAY)
    expect((await today(outsider)).waiting).toEqual([])
  })
  it('hides an archived guide from staff', async () => {
    await publish()
    await lead.json('patch', `/api/guides/${guide.id}`, { archived: true }, 204)
    expect((await staff.send('get', `/api/guides/${guide.id}/reader`)).status).toBe(404)
    expect((await today()).waiting).toEqual([])
    await publish({}, 409)
  })
  it('refuses people and groups that do not exist', async () => {
    const response = await lead.send('post', `/api/guides/${guide.id}/editions`, request({ audience: ticked([nanoid()], []) }))
    expect(await response.json()).toMatchObject({ status: 422, errors: [{ pointer: '/body/audience/groups' }] })
  })
})
