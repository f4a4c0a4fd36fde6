import type { Journey, UseOverTime } from '@jackdaw/contracts/engagement'
import type { GoalResult } from '@jackdaw/contracts/goals'
import type { OwnItemUse } from '@jackdaw/contracts/ownUse'
import { NOBODY } from '@jackdaw/core/audiences'
import type { GroupId, GuideId, PersonId, StepId } from '@jackdaw/core/shared'
import { richTextOf, withBlockIds } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, Client, PASSWORD, smallCompany, startTestServer, type Company, type TestServer } from '../testing/testServer'

/** Three in the morning of new year's day in London, ten in the evening of the day before in New York. */
const NEW_YEAR = Date.parse('2026-01-01T03:00:00Z')
const DAY_MS = 86_400_000

let server: TestServer
let company: Company
let lead: Client
let guide: { id: GuideId; steps: string[] }
let unread: { id: GuideId; steps: string[] }
const newYork = nanoid<GroupId>()
const abroad = nanoid<PersonId>()

async function read(reader: Client, at: number, edition: number, parts: readonly string[], finishes: boolean, sentAt = server.clock.now) {
  const base = { item: { kind: 'guide', id: guide.id }, edition, way: 'read', visit: nanoid() }
  const events = [
    { ...base, verb: 'opened' },
    ...parts.map((part) => ({ ...base, verb: 'step-viewed', part })),
    ...(finishes ? [{ ...base, verb: 'finished' }] : []),
  ].map((event, n) => ({ ...event, id: uuidV7(), occurredAt: at + n * 1_000 }))
  expect(await reader.json('post', '/api/events', { sentAt, events })).toEqual({ taken: events.length, refused: [] })
}
beforeAll(async () => {
  server = await startTestServer()
  server.clock.now = NEW_YEAR - 30 * DAY_MS
  company = await smallCompany(server)
  await server.services.addGroups([{ id: newYork, kind: 'site', name: 'New York', zone: 'America/New_York' }], server.clock.now)
  const person = { id: abroad, name: 'Ann Abroad', mail: 'abroad@example.org', level: 'staff' as const, siteId: newYork, groups: [newYork] }
  await server.services.addPeople([person], PASSWORD, server.clock.now)
  guide = await aGuide(server, company, 'author', { openToAll: true })
  unread = await aGuide(server, company, 'author', { openToAll: true })
  server.clock.now = NEW_YEAR + DAY_MS
  lead = await company.as('lead')
})
afterAll(() => server.close())

const overTime = (from: string, to: string, more = ''): Promise<UseOverTime> =>
  lead.json('get', `/api/engagement/over-time?from=${from}&to=${to}${more}`)
const journey = (id = guide.id): Promise<Journey> => lead.json('get', `/api/guides/${id}/journey?from=2025-12-01&to=2026-03-01`)

describe('what nobody, or one person only, has used', () => {
  it('has noughts, no shares, and no step that stands out', async () => {
    const { visits, finished, elsewhere, steps } = await journey(unread.id)
    expect([visits, finished, elsewhere]).toEqual([0, 0, 0])
    expect(steps.map(({ came, left, meanMs }) => [came, left, meanMs])).toEqual(unread.steps.map(() => [0, 0, null]))
    const goal = nanoid()
    const steps7 = [{ item: guide.id, withinDays: 7 }]
    expect((await lead.send('put', `/api/goals/${goal}`, { name: 'From nothing', from: unread.id, steps: steps7 })).status).toBe(204)
    const result: GoalResult = await lead.json('get', `/api/goals/${goal}/result?from=2025-12-01&to=2026-03-01`)
    expect(result).toMatchObject({ began: 0, groups: [], steps: [{ of: 0, reached: 0, underWay: 0, medianMs: null, curve: [] }] })
  })
  it('tells its author nothing of the one', async () => {
    await read(await company.as('staff'), NEW_YEAR - 5 * DAY_MS, 1, guide.steps, true)
    expect((await overTime('2025-12-01', '2025-12-31')).now.whole).toMatchObject({ views: 1, people: 1, finished: 1 })
    const own: OwnItemUse = await (await company.as('author')).json('get', `/api/items/${guide.id}/own-use`)
    expect(own.each[0]).toEqual({ people: 0, finished: 0, timesEach: 0 })
    expect(own.steps).toEqual([])
  })
})
it('counts a day of the place where somebody works, also at the change of year', async () => {
  const there = await new Client(server.address).signIn('abroad@example.org')
  await read(there, NEW_YEAR, 1, guide.steps.slice(0, 1), false)
  await read(await company.as('outsider'), NEW_YEAR, 1, guide.steps.slice(0, 1), false)
  expect((await overTime('2025-12-31', '2025-12-31', `&person=${abroad}`)).now.whole.views).toBe(1)
  expect((await overTime('2026-01-01', '2026-01-01', `&person=${abroad}`)).now.whole.views).toBe(0)
  expect((await overTime('2026-01-01', '2026-01-01', `&person=${company.people.outsider}`)).now.whole.views).toBe(1)
})
it('puts a clock right that is a day ahead, and counts what comes a week late on its own day', async () => {
  const reader = await company.as('otherAuthor')
  await read(reader, NEW_YEAR + 2 * DAY_MS, 1, [], false, server.clock.now + DAY_MS)
  expect((await overTime('2026-01-02', '2026-01-02', `&person=${company.people.otherAuthor}`)).now.whole.views).toBe(1)
  expect((await overTime('2026-01-03', '2026-01-03', `&person=${company.people.otherAuthor}`)).now.whole.views).toBe(0)
  await read(reader, NEW_YEAR - 6 * DAY_MS, 1, [], false)
  expect((await overTime('2025-12-26', '2025-12-26', `&person=${company.people.otherAuthor}`)).now.whole.views).toBe(1)
})
it('keeps what somebody did who has left, and counts them no more among those who may see it', async () => {
  const before = (await overTime('2025-12-01', '2026-01-02')).now.whole
  await server.services.changePerson(abroad, { active: false }, server.clock.now)
  expect((await overTime('2025-12-01', '2026-01-02')).now.whole).toEqual(before)
  const { rows } = await lead.json('get', `/api/engagement/rows?figure=views&from=2025-12-31&to=2025-12-31`)
  expect(rows[0].person).toEqual({ id: abroad, name: 'Ann Abroad' })
  const own: OwnItemUse = await (await company.as('author')).json('get', `/api/items/${guide.id}/own-use`)
  expect(own.groups.reduce((sum, { size }) => sum + size, 0)).toBe(6)
})
it('joins visits before and after a step was split and moved by the ids that stayed', async () => {
  const [one, two, three] = guide.steps as [StepId, StepId, StepId]
  const before = await journey()
  const added = nanoid<StepId>()
  const author = company.people.author
  const now = NEW_YEAR + DAY_MS
  const step = { kind: 'step' as const, id: added, body: withBlockIds(richTextOf('Rinse the rims'), nanoid), pictures: [] }
  const moved = { type: 'move-item', itemId: three, after: null } as const
  await server.services.saveChanges(guide.id, author, [{ type: 'insert-item', item: step, after: two }, moved], now)
  const asked = { changeNote: 'Split', mustReread: false, openToAll: true, due: { kind: 'none' as const }, tell: false }
  await server.services.publish(guide.id, { ...asked, revision: 1, audience: NOBODY }, company.people.lead, now)
  const after = await journey()
  const cameTo = (of: Journey, id: string) => of.steps.find(({ stepId }) => stepId === id)?.came
  expect(after.guide.edition).toBe(2)
  expect([one, two, three].map((id) => cameTo(after, id))).toEqual([one, two, three].map((id) => cameTo(before, id)))
  expect(cameTo(after, added)).toBe(0)
  expect(after.visits).toBe(before.visits)
  expect(after.steps.map(({ stepId }) => stepId)).toEqual([three, one, two, added])
})
