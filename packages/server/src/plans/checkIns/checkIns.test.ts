import type { Question, PlannedCheckIn, Answer } from '@jackdaw/core/plans'
import type { CheckInId, PersonId, PlannedCheckInId, PlanId, QuestionId, TaskId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import {
  aPlan,
  aTask,
  smallCompany,
  startTestServer,
  START,
  type Client,
  type Company,
  type TestServer,
  type Who,
} from '../../testing/testServer'
import { advanceAll } from '../advance'

let server: TestServer
let company: Company
let task: TaskId
let lead: Client
let clients: Record<'staff' | 'manager' | 'outsider', Client>
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  clients = { staff: await company.as('staff'), manager: await company.as('manager'), outsider: await company.as('outsider') }
  task = await aTask(server, company, 'author', { given: false })
})
beforeEach(async () => {
  server.clock.now = START
  const { database } = server.parts
  await database.rows('delete from check_in_answers')
  await database.rows('delete from check_in')
  await database.rows("delete from inbox_entry where about_kind = 'check-in'")
  await database.rows('update enrolment set ended_at = now() where ended_at is null')
})
afterAll(() => server.close())

const ID = { sure: 's'.repeat(21) as QuestionId, unclear: 'u'.repeat(21) as QuestionId }
const QUESTIONS: Question[] = [
  { id: ID.sure, words: 'Can the job be done alone?', answer: 'scale' },
  { id: ID.unclear, words: 'What was unclear?', answer: 'words' },
]
const planned = (day: number, more: Partial<PlannedCheckIn> = {}): PlannedCheckIn => ({
  ...{ id: nanoid<PlannedCheckInId>(), name: 'First week', day, questions: QUESTIONS },
  ...more,
})
const answers = (mark: number, words: string): Answer[] => [
  { question: ID.sure, words: '', mark },
  { question: ID.unclear, words, mark: null },
]
const given = async (...checkIns: PlannedCheckIn[]): Promise<PlanId> => {
  const plan = await aPlan(server, company, [{ tasks: [[task, 1]], checkIns }])
  await lead.json('post', `/api/plans/${plan}/people`, { people: [company.people.staff], startOn: '2026-03-10', mentorId: null })
  return plan
}
const goTo = async (day: string) => {
  server.clock.now = Date.parse(`${day}T07:00:00Z`)
  await advanceAll(server.parts, server.clock.now)
}
const mine = (who: keyof typeof clients) => clients[who].json('get', '/api/my-check-ins')
const read = (who: keyof typeof clients, id: string) => clients[who].json('get', `/api/check-ins/${id}`)
const answer = async (who: keyof typeof clients, id: string, mark: number, words: string) =>
  clients[who].json('put', `/api/check-ins/${id}/answers`, { answers: answers(mark, words) })
const told = (who: Who) =>
  server.parts.database.rows<{ kind: string; open: boolean }>(
    "select kind, settled_at is null as open from inbox_entry where person_id = $1 and about_kind = 'check-in' order by at, kind",
    [company.people[who]],
  )
const asked = async (day = 3): Promise<{ plan: PlanId; id: CheckInId }> => {
  const plan = await given(planned(day))
  await goTo('2026-03-12')
  return { plan, id: (await mine('staff'))[0].id }
}

describe('a check-in', () => {
  it('is asked of both on its day, as was simulated, and answered by each for themselves', async () => {
    const plan = await given(planned(3))
    const { document } = await lead.json('get', `/api/plans/${plan}`)
    const { paces } = await lead.json('post', '/api/plan-simulations', { document, personId: company.people.staff, startOn: '2026-03-10' })
    expect(paces[0].stages[0].checkIns).toMatchObject([{ on: '2026-03-12' }])
    await goTo('2026-03-11')
    expect([await mine('staff'), await mine('manager'), await told('staff')]).toEqual([[], [], []])
    await goTo('2026-03-12')
    const [theirs] = await mine('staff')
    expect(theirs).toMatchObject({
      name: 'First week',
      plan: 'First weeks',
      side: 'person',
      state: 'waits-for-me',
      other: { id: company.people.manager },
    })
    expect(await mine('manager')).toMatchObject([
      { id: theirs.id, side: 'manager', state: 'waits-for-me', other: { id: company.people.staff } },
    ])
    expect(await answer('staff', theirs.id, 5, 'Nothing.')).toEqual({ both: false })
    expect(await read('staff', theirs.id)).toMatchObject({
      state: 'waits-for-other',
      mine: { answers: answers(5, 'Nothing.') },
      theirs: null,
    })
    const before = await read('manager', theirs.id)
    expect([before.state, before.mine, before.theirs, JSON.stringify(before).includes('Nothing.')]).toEqual([
      'waits-for-me',
      null,
      null,
      false,
    ])
    expect(await answer('manager', theirs.id, 2, 'The labels.')).toEqual({ both: true })
    expect(await read('staff', theirs.id)).toMatchObject({ state: 'both', theirs: { answers: answers(2, 'The labels.') } })
    expect(await read('manager', theirs.id)).toMatchObject({ state: 'both', theirs: { answers: answers(5, 'Nothing.') } })
    expect([await told('staff'), await told('manager')]).toEqual([
      [
        { kind: 'check-in', open: false },
        { kind: 'checked-in', open: false },
      ],
      [{ kind: 'check-in', open: false }],
    ])
  })
  it('may be answered anew until both have; the same once more is as once', async () => {
    const { id } = await asked()
    await answer('staff', id, 1, 'All of it')
    await answer('staff', id, 3, 'The labels')
    await answer('manager', id, 2, '–')
    expect(await answer('manager', id, 2, '–')).toEqual({ both: true })
    const again = await clients.staff.send('put', `/api/check-ins/${id}/answers`, { answers: answers(5, 'Nothing') })
    expect(again.status).toBe(409)
    expect(await read('manager', id)).toMatchObject({ theirs: { answers: answers(3, 'The labels') } })
  })
  it('is not taken with an answer missing, of another kind, or to what was not asked', async () => {
    const { id } = await asked()
    const [mark, words] = answers(3, 'The labels') as [Answer, Answer]
    for (const wrong of [
      [],
      [mark],
      [mark, { ...words, words: '  ' }],
      [{ ...mark, mark: null, words: 'three' }, words],
      [mark, words, { ...words, question: 'x'.repeat(21) }],
      [mark, { ...words, words: '' }, words],
      [{ ...mark, mark: 6 }, words],
    ])
      expect((await clients.staff.send('put', `/api/check-ins/${id}/answers`, { answers: wrong })).status).toBe(422)
    expect((await read('staff', id)).mine).toBeNull()
  })
  it('is nobody else’s: neither a colleague’s nor a lead’s', async () => {
    const { plan, id } = await asked()
    await answer('staff', id, 4, 'A secret')
    for (const who of [clients.outsider, lead]) {
      expect((await who.send('get', `/api/check-ins/${id}`)).status).toBe(404)
      expect((await who.send('put', `/api/check-ins/${id}/answers`, { answers: answers(1, 'a') })).status).toBe(404)
    }
    const people = await lead.json('get', `/api/plans/${plan}/people`)
    expect(people.rows[0].checkIns).toMatchObject([{ name: 'First week', state: 'waits', missing: [{ id: company.people.manager }] }])
    expect(JSON.stringify([people, await lead.json('get', `/api/people/${company.people.staff}/check-ins`)])).not.toContain('A secret')
  })
  it('goes to whoever they report to from now on, as long as the one before has not answered', async () => {
    const { id } = await asked()
    const reportTo = (managerId: PersonId) => server.services.changePerson(company.people.staff, { managerId }, server.clock.now)
    await reportTo(company.people.outsider)
    expect([(await mine('outsider'))[0].id, await mine('manager')]).toEqual([id, []])
    expect((await clients.manager.send('get', `/api/check-ins/${id}`)).status).toBe(404)
    expect((await told('manager')).filter(({ open }) => open)).toEqual([])
    await answer('outsider', id, 2, 'The scales')
    await reportTo(company.people.manager)
    expect(await mine('manager')).toEqual([])
    expect((await read('staff', id)).other).toMatchObject({ id: company.people.outsider })
  })
  it('of a plan that ends is not asked any more: what nobody answered goes, what one did stays with them', async () => {
    const plan = await given(planned(2), planned(3, { name: 'Later' }), planned(9, { name: 'Never' }))
    await goTo('2026-03-12')
    const rows: { id: string; name: string }[] = await mine('staff')
    const id = rows.find(({ name }) => name === 'First week')!.id
    await answer('staff', id, 4, 'The knives')
    const [{ id: enrolment }] = (await lead.json('get', `/api/plans/${plan}/people`)).rows
    await lead.json('delete', `/api/plans/${plan}/people/${enrolment}`, undefined, 204)
    expect(await mine('staff')).toMatchObject([{ id, state: 'closed' }])
    expect([await mine('manager'), (await told('manager')).filter(({ open }) => open)]).toEqual([[], []])
    expect((await clients.manager.send('put', `/api/check-ins/${id}/answers`, { answers: answers(1, 'a') })).status).toBe(409)
    expect(await server.parts.database.rows('select id from check_in')).toEqual([{ id }])
  })
  it('waits while the plan is held, follows a changed plan until it is asked, and is asked also of who is through', async () => {
    const [first, second] = [planned(2), planned(4, { name: 'Second' })]
    const plan = await given(first, second)
    const [{ id: enrolment }] = (await lead.json('get', `/api/plans/${plan}/people`)).rows
    const change = (body: object) => lead.json('patch', `/api/plans/${plan}/people/${enrolment}`, body, 204)
    await change({ what: 'hold', why: '' })
    await goTo('2026-03-12')
    expect(await mine('staff')).toEqual([])
    await change({ what: 'go-on' })
    await goTo('2026-03-13')
    expect(await mine('staff')).toMatchObject([{ name: 'First week', askedOn: '2026-03-12' }])
    const { document, revision } = await lead.json('get', `/api/plans/${plan}`)
    document.stages[0].checkIns = [{ ...second, name: 'Second week', day: 3 }, planned(5, { name: 'Third' })]
    const touches = await lead.json('post', `/api/plans/${plan}/editions/preview`, { document })
    expect(touches.people).toMatchObject([
      {
        ...{ comes: [{ title: 'Third', checkIn: true }], goes: [] },
        moves: [{ title: 'Second week', checkIn: true, from: '2026-03-16', to: '2026-03-13' }],
      },
    ])
    await lead.json('put', `/api/plans/${plan}`, { revision, document })
    await lead.json('post', `/api/plans/${plan}/editions`, { revision: revision + 1, forAll: true })
    await server.services.handIn(task, 1, { words: '', photo: null }, company.people.staff, server.clock.now)
    await server.services.answerHandIn(task, company.people.staff, 'confirmed', '', company.people.manager, server.clock.now)
    await goTo('2026-03-18')
    expect((await lead.json('get', `/api/plans/${plan}/people`)).rows[0]).toMatchObject({ overAt: expect.any(Number) as number })
    // The first one was asked and stands in the plan no more: nobody had answered it.
    const names = (await mine('staff')).map(({ name }: { name: string }) => name)
    expect(names.sort()).toEqual(['Second week', 'Third'])
  })
  it('is asked once more after three working days, of those who have not answered', async () => {
    const { id } = await asked()
    await answer('staff', id, 4, 'The knives')
    const unread = async (who: Who) =>
      (
        await server.parts.database.rows<{ n: number }>(
          "select count(*)::int as n from inbox_entry where person_id = $1 and kind = 'check-in' and read_at is null",
          [company.people[who]],
        )
      )[0]!.n
    await clients.manager.json('post', '/api/inbox/read', { until: server.clock.now }, 204)
    // Asked on a Thursday: Friday, Monday, Tuesday.
    await goTo('2026-03-16')
    expect([await unread('staff'), await unread('manager')]).toEqual([0, 0])
    await goTo('2026-03-17')
    expect([await unread('staff'), await unread('manager')]).toEqual([0, 1])
    expect(await told('manager')).toEqual([{ kind: 'check-in', open: true }])
    await clients.manager.json('post', '/api/inbox/read', { until: server.clock.now }, 204)
    await goTo('2026-03-30')
    expect(await unread('manager')).toBe(0)
  })
  it('is asked once by two runners at the same moment', async () => {
    await given(planned(2), planned(2, { name: 'Other' }))
    const [one, two] = [server.parts, (await server.second()).parts]
    server.clock.now = Date.parse('2026-03-11T07:00:00Z')
    await Promise.all([advanceAll(one, server.clock.now), advanceAll(two, server.clock.now), advanceAll(one, server.clock.now)])
    expect([(await told('staff')).length, (await told('manager')).length]).toEqual([2, 2])
  })
})
