import { ticked } from '@jackdaw/core/audiences'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, START, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

const DAY = 86_400_000
let server: TestServer
let company: Company
let lead: Client
let staff: Client
let guide: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  staff = await company.as('staff')
})
beforeEach(async () => {
  server.clock.now = START
  guide = await aGuide(server, company, 'lead', { published: false })
  await publish({})
})
afterAll(() => server.close())

/** Gives the guide to `staff` and `manager` for seven days. */
const publish = (more: object, revision = 0) => {
  const audience = ticked([], [company.people.staff, company.people.manager])
  const rest = { changeNote: 'First', mustReread: false, openToAll: false, tell: false, due: { kind: 'days', days: 7 } }
  return lead.json('post', `/api/guides/${guide.id}/editions`, { revision, audience, ...rest, ...more })
}
const both = () => [company.people.staff, company.people.manager]
const handle = (handling: object, people: string[] = both(), expected = 200, who = lead) =>
  who.json('post', `/api/items/${guide.id}/assignments`, { people, handling }, expected)
const preview = (handling: object, people: string[] = both()) =>
  lead.json('post', `/api/items/${guide.id}/assignments/preview`, { people, handling })
const mine = async () => {
  const { waiting, done } = await staff.json('get', '/api/today')
  return [...waiting, ...done].find(({ item }: { item: { id: string } }) => item.id === guide.id)
}
const finish = async (who: Client, edition = 1) => {
  const base = { item: { kind: 'guide', id: guide.id }, edition, way: 'read', occurredAt: server.clock.now }
  const events = [
    ...guide.steps.map((part) => ({ ...base, id: uuidV7(), verb: 'step-viewed', part })),
    { ...base, id: uuidV7(), verb: 'finished' },
  ]
  await who.json('post', '/api/events', { sentAt: server.clock.now, events })
}
const row = async (personId: string) =>
  (await lead.json('get', `/api/items/${guide.id}/who-finished`)).rows.find((each: { personId: string }) => each.personId === personId)

describe('assignments of several people at once', () => {
  it('get another due day, after a look at what comes of it', async () => {
    await finish(await company.as('manager'))
    const move = { what: 'move', on: '2026-04-01' }
    const looked = await preview(move, [...both(), company.people.outsider, nanoid()])
    expect(looked.others).toBe(2)
    expect(looked.people).toEqual([
      { id: company.people.manager, name: 'Name of manager', outcome: 'done', dueOn: '2026-03-17', becomes: '2026-03-17' },
      { id: company.people.staff, name: 'Name of staff', outcome: 'changes', dueOn: '2026-03-17', becomes: '2026-04-01' },
    ])
    expect((await mine()).dueOn).toBe('2026-03-17')
    expect(await handle(move)).toMatchObject({ people: [{ outcome: 'done' }, { outcome: 'changes' }] })
    expect((await mine()).dueOn).toBe('2026-04-01')
    expect((await handle(move)).people[1].outcome).toBe('same-day')
  })
  it('keep a day that was set by hand when days are counted anew, until the item has to be read anew', async () => {
    await handle({ what: 'move', on: '2026-04-01' })
    const away = (absences: object[]) => staff.json('put', `/api/directory/${company.people.staff}/absences`, { absences }, 204)
    await away([{ from: '2026-03-12', until: '2026-03-13' }])
    expect((await mine()).dueOn).toBe('2026-04-01')
    await away([{ from: '2026-03-30', until: '2026-04-03' }])
    expect((await mine()).dueOn).toBe('2026-04-06')
    await away([])
    expect((await mine()).dueOn).toBe('2026-04-01')
    await finish(staff)
    server.clock.now = START + DAY
    const changes = [{ type: 'set-facts', facts: { summary: 'New' } }]
    await lead.json('post', `/api/guides/${guide.id}/draft/changes`, { baseRevision: 0, changeSetId: nanoid(), changes })
    await publish({ mustReread: true }, 1)
    expect(await mine()).toMatchObject({ dueOn: '2026-03-18', state: 'out-of-date' })
  })
  it('are waived with a reason, and back, and who did it stays', async () => {
    const why = 'Drives the lorry now'
    await handle({ what: 'waive', why })
    expect(await mine()).toBeUndefined()
    expect(await row(company.people.staff)).toMatchObject({ state: 'waived', waivedWhy: why, assigned: true })
    expect((await lead.json('get', `/api/items/${guide.id}/who-finished`)).counts).toMatchObject({ people: 2, waived: 2, notStarted: 0 })
    expect((await handle({ what: 'waive', why: 'Again' })).people[1].outcome).toBe('waived')
    // It can be read all the same; whoever finishes it is done.
    await finish(staff)
    expect((await row(company.people.staff)).state).toBe('done')
    await handle({ what: 'end-waiver' })
    expect(await row(company.people.manager)).toMatchObject({ state: 'not-started', waivedWhy: null, dueOn: '2026-03-17' })
    expect((await handle({ what: 'end-waiver' })).people[0].outcome).toBe('not-waived')
    const kept = await server.parts.database.rows('select why, by_id, ended_by from waiver where item_id = $1', [guide.id])
    expect(kept).toEqual([1, 2].map(() => ({ why, by_id: company.people.lead, ended_by: company.people.lead })))
  })
  it('stay waived when somebody is given the item once more', async () => {
    await handle({ what: 'waive', why: 'On leave' }, [company.people.staff])
    await publish({ audience: ticked([], [company.people.manager]) })
    expect(await row(company.people.staff)).toBeUndefined()
    await publish({ audience: ticked([], both() as never) })
    expect(await row(company.people.staff)).toMatchObject({ state: 'waived', waivedWhy: 'On leave' })
  })
  it('are told of anew, once while it is not seen, and taken back when they are waived', async () => {
    const reminders = async () =>
      (await staff.json('get', '/api/inbox')).rows.filter(
        (each: { kind: string; about: { id: string } }) => each.kind === 'reminded' && each.about.id === guide.id,
      )
    await handle({ what: 'remind' }, [company.people.staff])
    await handle({ what: 'remind' }, [company.people.staff])
    expect(await reminders()).toMatchObject([{ data: { title: 'Rinse the trays', by: 'Name of lead', due: '2026-03-17' } }])
    await handle({ what: 'waive', why: 'On leave' }, [company.people.staff])
    expect(await reminders()).toEqual([])
  })
  it('are handled by those who may publish the item only, and not without a reason or a day', async () => {
    await handle({ what: 'remind' }, both(), 403, staff)
    await handle({ what: 'remind' }, both(), 404, await company.as('outsider'))
    await handle({ what: 'waive', why: ' ' }, both(), 422)
    await handle({ what: 'move', on: '2026-02-30' }, both(), 422)
    await handle({ what: 'remind' }, [], 422)
  })
})
