import { ticked } from '@jackdaw/core/audiences'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { recount } from '../events'
import { aGuide, smallCompany, START, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'
import { beginRounds } from './rounds'

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
  await staff.json('post', '/api/inbox/read', { until: START * 2 }, 204).catch(() => undefined)
  guide = await aGuide(server, company, 'lead', { published: false })
  const rest = { revision: 0, changeNote: 'First', mustReread: false, openToAll: false, tell: false, due: { kind: 'none' } }
  await lead.json('post', `/api/guides/${guide.id}/editions`, { ...rest, audience: ticked([], [company.people.manager]) })
})
afterAll(() => server.close())

type Terms = { use?: string; due?: object; repeatMonths?: number | null; tell?: boolean; people?: string[] }
const saving = ({ use = 'to-do', due = { kind: 'days', days: 7 }, repeatMonths = null, tell = true, people }: Terms) => ({
  ...{ use, due, repeatMonths, tell },
  audience: ticked([], (people ?? [company.people.staff]) as never),
})
const give = (terms: Terms = {}): Promise<{ id: string; people: number }> => {
  // One after another, so that they have an order.
  server.clock.now += 1_000
  return lead.json('post', `/api/items/${guide.id}/givings`, saving(terms))
}
const read = async (finishing = true) => {
  const base = { item: { kind: 'guide', id: guide.id }, edition: 1, way: 'read', occurredAt: server.clock.now }
  const steps = guide.steps.map((part) => ({ ...base, id: uuidV7(), verb: 'step-viewed', part, activeMs: 60_000 }))
  const events = finishing ? [...steps, { ...base, id: uuidV7(), verb: 'finished' }] : steps.slice(0, 1)
  return staff.json('post', '/api/events', { sentAt: server.clock.now, events })
}
const onToday = async () => {
  const today = await staff.json('get', '/api/today')
  const found = (list: 'waiting' | 'atHand' | 'done') => today[list].find((each: { item: { id: string } }) => each.item.id === guide.id)
  return (['waiting', 'atHand', 'done'] as const).flatMap((list) => {
    const each = found(list)
    return each ? [`${list} ${each.use} ${each.state} ${each.dueOn} ${each.seen}`] : []
  })
}
const told = async (): Promise<string[]> =>
  (await staff.json('get', '/api/inbox')).rows.flatMap((each: { kind: string; about: { id: string } }) =>
    each.about.id === guide.id ? [each.kind] : [],
  )

describe('an item that is given to several audiences', () => {
  it('is looked up or done, by the earliest day; the reasons are listed', async () => {
    const lookUp = await give({ use: 'to-look-up' })
    expect(await onToday()).toEqual(['atHand to-look-up not-started null 0'])
    expect(await told()).toEqual(['to-look-up'])
    await give({ due: { kind: 'days', days: 20 } })
    await give({ due: { kind: 'days', days: 5 }, people: [company.people.staff, company.people.outsider] })
    expect(await onToday()).toEqual(['waiting to-do not-started 2026-03-15 0'])
    const why = await staff.json('get', `/api/people/${company.people.staff}/items/${guide.id}/reasons`)
    expect(why).toMatchObject({ use: 'to-do', nextRoundOn: null })
    expect(why.reasons.map((each: { use: string; due: { days: number } }) => `${each.use} ${each.due.days}`).sort()).toEqual([
      'to-do 20',
      'to-do 5',
      'to-look-up 7',
    ])
    await lead.json('delete', `/api/items/${guide.id}/givings/${lookUp.id}`)
    const { givings } = await lead.json('get', `/api/items/${guide.id}/givings`)
    expect(givings.map(({ byPublishing, howFar }: any) => [byPublishing, howFar.people, howFar.toDo, howFar.late])).toEqual([
      [true, 1, 1, 0],
      [false, 1, 1, 0],
      [false, 2, 2, 0],
    ])
    server.clock.now = START + 6 * DAY
    expect((await lead.json('get', '/api/my-givings'))[0].giving.howFar).toMatchObject({ late: 2 })
    expect((await lead.json('get', `/api/items/${guide.id}/who-finished`)).counts).toMatchObject({ people: 3, late: 2 })
  })
  it('is never late and does not count for completion where it is only looked up', async () => {
    await give({ use: 'to-look-up', due: { kind: 'days', days: 1 } })
    server.clock.now = START + 9 * DAY
    expect((await lead.json('get', `/api/items/${guide.id}/who-finished`)).counts).toMatchObject({ people: 1, late: 0 })
    await read(false)
    expect((await lead.json('get', `/api/items/${guide.id}/who-finished`)).counts).toMatchObject({ people: 2, inProgress: 1 })
  })
  it('goes with its last reason, and stays as optional where it was begun', async () => {
    const { id, people } = await give({ people: [company.people.staff, company.people.outsider] })
    expect(people).toBe(2)
    await read(false)
    expect(await lead.json('delete', `/api/items/${guide.id}/givings/${id}`)).toEqual({ lost: 1, optional: 1 })
    expect(await onToday()).toEqual(['atHand optional in-progress null 1'])
    expect(await told()).toEqual([])
    await staff.json('get', `/api/guides/${guide.id}/reader`)
    await (await company.as('outsider')).json('get', `/api/guides/${guide.id}/reader`, undefined, 404)
    expect(await lead.json('get', `/api/items/${guide.id}/givings`)).toMatchObject({ optional: 1 })
    await give()
    expect(await onToday()).toEqual(['waiting to-do in-progress 2026-03-17 1'])
  })
  it('is changed for those who have it too, where that is asked', async () => {
    const { id } = await give()
    const change = (terms: Terms, dueForAll: boolean) =>
      lead.json('put', `/api/items/${guide.id}/givings/${id}`, { ...saving(terms), dueForAll })
    await change({ due: { kind: 'days', days: 30 } }, false)
    expect(await onToday()).toEqual(['waiting to-do not-started 2026-03-17 0'])
    await change({ due: { kind: 'days', days: 30 } }, true)
    expect(await onToday()).toEqual(['waiting to-do not-started 2026-04-09 0'])
    await change({ use: 'to-look-up' }, true)
    expect(await onToday()).toEqual(['atHand to-look-up not-started null 0'])
    // What they were told is taken back.
    expect(await told()).toEqual([])
  })
  it('is one line with all reasons, also when it is given several times at the same moment', async () => {
    const { people } = company
    const all = await Promise.all(
      [1, 2, 3, 4].map((n) => give({ due: { kind: 'days', days: 5 + n }, people: [people.staff, people.outsider] })),
    )
    const lines = await server.parts.database.rows<{ reasons: number; due: string }>(
      `select count(s.ref)::int as reasons, to_char(a.due_on, 'YYYY-MM-DD') as due from assignment a join assignment_reason s on s.assignment_id = a.id
       where a.item_id = $1 and a.person_id = any ($2) group by a.id, a.due_on`,
      [guide.id, [people.staff, people.outsider]],
    )
    expect(lines).toEqual([
      { reasons: 4, due: '2026-03-16' },
      { reasons: 4, due: '2026-03-16' },
    ])
    await Promise.all(all.map(({ id }) => lead.json('delete', `/api/items/${guide.id}/givings/${id}`)))
    expect(
      await server.parts.database.rows('select 1 from assignment where item_id = $1 and person_id = $2', [guide.id, people.staff]),
    ).toEqual([])
  })
  it('is neither waived, moved nor reminded of where it is only looked up', async () => {
    await give({ use: 'to-look-up' })
    for (const handling of [{ what: 'waive', why: 'No' }, { what: 'move', on: '2026-05-01' }, { what: 'remind' }]) {
      const handled = await lead.json('post', `/api/items/${guide.id}/assignments`, { people: [company.people.staff], handling })
      expect(handled).toEqual({ people: [], others: 1 })
    }
    expect(await onToday()).toEqual(['atHand to-look-up not-started null 0'])
  })
  it('tells whoever publishes it of those to whom it is published, not of those who have it besides', async () => {
    await give({ people: [company.people.staff, company.people.outsider] })
    const rest = { revision: 0, changeNote: '', mustReread: false, openToAll: false, tell: false, due: { kind: 'none' } }
    const again = await lead.json('post', `/api/guides/${guide.id}/editions`, { ...rest, audience: ticked([], [company.people.manager]) })
    expect(again).toEqual({ edition: 1, people: 1 })
  })
  it('is refused before it is published, when it is archived, and of other items', async () => {
    const draft = await aGuide(server, company, 'lead', { published: false })
    const refused = (path: string, status: number) => lead.json('post', path, saving({}), status)
    expect(await refused(`/api/items/${draft.id}/givings`, 409)).toMatchObject({ code: 'not-published' })
    const { id } = await give()
    await lead.json('put', `/api/items/${draft.id}/givings/${id}`, { ...saving({}), dueForAll: true }, 404)
    await lead.json('delete', `/api/items/${draft.id}/givings/${id}`, undefined, 404)
    await lead.json('patch', `/api/guides/${guide.id}`, { archived: true }, 204)
    expect(await refused(`/api/items/${guide.id}/givings`, 409)).toMatchObject({ code: 'not-published' })
  })
})

describe('what is to be done again and again', () => {
  it('begins anew so many months after it was done, counts from then, and asks for all steps once more', async () => {
    await give({ repeatMonths: 12, due: { kind: 'days', days: 10 } })
    await staff.json('get', `/api/guides/${guide.id}/reader`)
    server.clock.now = START + DAY
    await read()
    expect(await onToday()).toEqual([`done to-do done 2026-03-20 ${guide.steps.length}`])
    const why = () => staff.json('get', `/api/people/${company.people.staff}/items/${guide.id}/reasons`)
    expect(await why()).toMatchObject({ nextRoundOn: '2027-03-11' })
    const { rows } = await staff.json('get', `/api/people/${company.people.staff}/records`)
    expect(rows.find((row: { item: { id: string } }) => row.item.id === guide.id)).toMatchObject({ state: 'done', againOn: '2027-03-11' })
    server.clock.now = Date.parse('2027-03-10T23:59:00Z')
    expect(await beginRounds(server.parts, server.clock.now)).toBe(0)
    server.clock.now = Date.parse('2027-03-11T05:00:00Z')
    // Several servers at the same moment begin it once.
    await Promise.all([1, 2, 3].map(() => beginRounds(server.parts, server.clock.now)))
    expect(await beginRounds(server.parts, server.clock.now)).toBe(0)
    const entries = await server.parts.database.rows("select 1 from inbox_entry where kind = 'due-again' and about_id = $1", [guide.id])
    expect(entries).toHaveLength(1)
    expect(await onToday()).toEqual(['waiting to-do not-started 2027-03-21 0'])
    expect(await told()).toContain('due-again')
    const reader = await staff.json('get', `/api/guides/${guide.id}/reader`)
    expect(reader.progress).toMatchObject({ seen: [], finishedEdition: null, mustReread: false })
    // What was read in the round before does not finish this one.
    const base = { item: { kind: 'guide', id: guide.id }, edition: 1, way: 'read', occurredAt: server.clock.now }
    const once = { sentAt: server.clock.now, events: [{ ...base, id: uuidV7(), verb: 'finished' }] }
    expect((await staff.json('post', '/api/events', once)).refused).toMatchObject([{ why: 'steps-not-read' }])
    await read(false)
    expect(await onToday()).toEqual(['waiting to-do in-progress 2027-03-21 1'])
    const counted = () => server.parts.database.rows('select * from item_progress order by 1, 2, 3')
    const before = await counted()
    await recount(server.parts.database, server.parts.events)
    expect(await counted()).toEqual(before)
    server.clock.now += DAY
    await read()
    expect(await onToday()).toEqual([`done to-do done 2027-03-21 ${guide.steps.length}`])
    expect(await why()).toMatchObject({ nextRoundOn: '2028-03-12' })
  })
})
