import type { DueRule } from '@jackdaw/core/assignments'
import { ticked } from '@jackdaw/core/audiences'
import type { GroupId, LocalDate } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, START, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'
import { dateSiteAnew } from './dateAnew'

const DAY = 86_400_000
let server: TestServer
let company: Company
let lead: Client
let staff: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  staff = await company.as('staff')
})
afterAll(() => server.close())

/** Gives a new guide to `staff` on Tuesday 10 March. */
async function given(due: DueRule): Promise<{ id: string; steps: string[] }> {
  const guide = await aGuide(server, company, 'lead', { published: false })
  const rest = { changeNote: 'First', mustReread: false, openToAll: false, tell: false }
  await lead.json('post', `/api/guides/${guide.id}/editions`, { revision: 0, ...rest, audience: ticked([], [company.people.staff]), due })
  return guide
}
const dueOn = async (id: string): Promise<string | null> => {
  const { waiting, done } = await staff.json('get', '/api/today')
  return [...waiting, ...done].find(({ item }: { item: { id: string } }) => item.id === id)?.dueOn
}
const away = (...absences: [from: string, until: string][]) =>
  staff.json(
    'put',
    `/api/directory/${company.people.staff}/absences`,
    { absences: absences.map(([from, until]) => ({ from, until })) },
    204,
  )
const work = (daysOff: number[], ...days: string[]) =>
  lead
    .json('put', `/api/groups/${company.site}/calendar`, { daysOff, holidays: days.map((day) => ({ day, name: '' })) }, 204)
    .then(() => dateSiteAnew(server.parts, company.site))

describe('the due day of what is not done yet', () => {
  it('waits while somebody is away, and comes back when they are not', async () => {
    const [week, date, done] = [
      await given({ kind: 'days', days: 7 }),
      await given({ kind: 'date', date: '2026-03-20' as LocalDate }),
      await given({ kind: 'days', days: 7 }),
    ]
    const base = { item: { kind: 'guide', id: done.id }, edition: 1, way: 'read', occurredAt: server.clock.now }
    const events = [
      ...done.steps.map((part) => ({ ...base, id: uuidV7(), verb: 'step-viewed', part })),
      { ...base, id: uuidV7(), verb: 'finished' },
    ]
    await staff.json('post', '/api/events', { sentAt: server.clock.now, events })
    const days = () => Promise.all([week, date, done].map(({ id }) => dueOn(id)))
    expect(await days()).toEqual(['2026-03-17', '2026-03-20', '2026-03-17'])
    await away(['2026-03-12', '2026-03-25'])
    expect(await days()).toEqual(['2026-03-31', '2026-03-26', '2026-03-17'])
    await away(['2026-03-12', '2026-03-13'])
    expect(await days()).toEqual(['2026-03-19', '2026-03-20', '2026-03-17'])
    await away()
    expect(await days()).toEqual(['2026-03-17', '2026-03-20', '2026-03-17'])
  })
  it('is counted in working days of the site, also when its calendar changes', async () => {
    const guide = await given({ kind: 'days', days: 5, working: true })
    expect(await dueOn(guide.id)).toBe('2026-03-17')
    await work([7], '2026-03-12')
    expect(await dueOn(guide.id)).toBe('2026-03-17')
    await work([6, 7], '2026-03-12', '2026-03-17')
    expect(await dueOn(guide.id)).toBe('2026-03-19')
    const jobs = await server.parts.database.rows(`select 1 from jobs.job where data ->> 'name' = 'date-anew'`)
    expect(jobs.length).toBeGreaterThan(0)
    await work([6, 7])
  })
  it('goes along when somebody comes to another site, and counts from their first day where that is asked', async () => {
    const [fromHire, ahead] = [await given({ kind: 'days', days: 10, from: 'hire' }), await given({ kind: 'days', days: 5, working: true })]
    expect(await dueOn(fromHire.id)).toBe('2026-03-20')
    const far = nanoid<GroupId>()
    await server.services.addGroups([{ id: far, kind: 'site', name: 'Far depot', zone: 'Pacific/Auckland' }], START)
    await lead.json('put', `/api/groups/${far}/calendar`, { daysOff: [4, 5, 6, 7], holidays: [] }, 204)
    await server.services.changePerson(company.people.staff, { siteId: far, groups: [far, company.team] }, server.clock.now)
    // It is Wednesday there already.
    expect(await dueOn(ahead.id)).toBe('2026-03-23')
    await server.services.changePerson(company.people.staff, { startedOn: '2026-03-16' as LocalDate }, server.clock.now)
    expect(await dueOn(fromHire.id)).toBe('2026-03-26')
    await server.services.changePerson(
      company.people.staff,
      { siteId: company.site, groups: [company.site, company.team] },
      server.clock.now,
    )
  })
  it('keeps what was said when the item is published with another rule, until it has to be read anew', async () => {
    const guide = await given({ kind: 'days', days: 3 })
    server.clock.now = START + 2 * DAY
    const rest = { changeNote: 'More', openToAll: false, tell: false, audience: ticked([company.team], [company.people.staff]) }
    const due = { kind: 'days', days: 30 }
    await lead.json('post', `/api/guides/${guide.id}/editions`, { revision: 0, ...rest, mustReread: false, due })
    expect(await dueOn(guide.id)).toBe('2026-03-13')
    await away(['2026-03-13', '2026-03-13'])
    expect(await dueOn(guide.id)).toBe('2026-03-14')
    await away()
    server.clock.now = START
  })
})

it('refuses an absence that ends in more than five years', async () => {
  await staff.json(
    'put',
    `/api/directory/${company.people.staff}/absences`,
    { absences: [{ from: '2026-04-01', until: '2031-06-01' }] },
    422,
  )
})
