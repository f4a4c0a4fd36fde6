import { ticked } from '@jackdaw/core/audiences'
import { guideItem, itemKey, taskItem } from '@jackdaw/core/items'
import { addDays, type LocalDate, type PlanId, type TaskId } from '@jackdaw/core/shared'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import {
  aGuide,
  aPlan,
  aTask,
  smallCompany,
  startTestServer,
  START,
  type Client,
  type Company,
  type TestServer,
} from '../testing/testServer'
import { advanceAll } from './advance'

let server: TestServer
let company: Company
let lead: Client
let staff: Client
let tasks: TaskId[]
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  staff = await company.as('staff')
})
beforeEach(async () => {
  server.clock.now = START
  await server.parts.database.rows('delete from enrolment_hold')
  await server.parts.database.rows('update enrolment set ended_at = now() where ended_at is null')
  await server.parts.database.rows("delete from assignment_reason where kind = 'plan'")
  await server.parts.database.rows('delete from assignment')
  await server.parts.database.rows('delete from absence')
  tasks = []
  for (let n = 0; n < 6; n++) tasks.push(await aTask(server, company, 'author', { document: { title: `Task ${n}` }, given: false }))
})
afterAll(() => server.close())

// Tuesday 10 March 2026.
const today = '2026-03-10' as LocalDate
const task = (n: number): TaskId => tasks[n]!
const give = (plan: PlanId, startOn: string = today, more = {}) =>
  lead.json('post', `/api/plans/${plan}/people`, { people: [company.people.staff], startOn, mentorId: null, ...more })
const given = async (): Promise<Record<string, string | null>> => {
  const { waiting, done, atHand } = await staff.json('get', '/api/today')
  const rows = [...waiting, ...done, ...atHand] as { item: { id: string }; dueOn: string | null }[]
  return Object.fromEntries(rows.map(({ item, dueOn }) => [tasks.indexOf(item.id as TaskId), dueOn]))
}
const goTo = async (day: string) => {
  server.clock.now = Date.parse(`${day}T07:00:00Z`)
  await advanceAll(server.parts, server.clock.now)
}
const finish = async (n: number) => {
  await server.services.handIn(task(n), 1, { words: '', photo: null }, company.people.staff, server.clock.now)
  await server.services.answerHandIn(task(n), company.people.staff, 'confirmed', '', company.people.manager, server.clock.now)
}
const stages = async (plan: PlanId) =>
  (await lead.json('get', `/api/plans/${plan}/people`)).rows[0].stages as { startsOn: string; released: boolean }[]

describe('a plan', () => {
  it('gives its stages as they begin: after what was to be done is done, and the free days', async () => {
    const plan = await aPlan(server, company, [
      {
        tasks: [
          [task(0), 1],
          [task(1), 3],
        ],
      },
      { tasks: [[task(2), 2]], release: 'completion', free: { days: 2, working: true } },
    ])
    expect(await give(plan)).toEqual({ given: 1, had: 0 })
    expect(await given()).toEqual({ 0: '2026-03-10', 1: '2026-03-12' })
    expect((await staff.json('get', '/api/my-plans'))[0]).toMatchObject({
      title: 'First weeks',
      freeUntil: null,
      endsOn: '2026-03-18',
      stages: [
        { required: 2, done: 0 },
        { released: false, startsOn: null },
      ],
    })
    await goTo('2026-03-11')
    await finish(0)
    await finish(1)
    expect((await staff.json('get', '/api/my-plans'))[0]).toMatchObject({
      freeUntil: '2026-03-15',
      stages: [{ finishedOn: '2026-03-11' }, { startsOn: '2026-03-16' }],
    })
    await goTo('2026-03-15')
    expect(await given()).toEqual({ 0: '2026-03-10', 1: '2026-03-12' })
    await goTo('2026-03-16')
    expect(await given()).toEqual({ 0: '2026-03-10', 1: '2026-03-12', 2: '2026-03-17' })
    await finish(2)
    await goTo('2026-03-17')
    expect(await staff.json('get', '/api/my-plans')).toEqual([])
    expect((await lead.json('get', '/api/plans')).find((row: { id: string }) => row.id === plan)).toMatchObject({ underWay: 0, over: 1 })
  })
  it('is carried out day by day as it was simulated, over sixty days with holidays and an absence', async () => {
    const holidays = [
      { day: '2026-03-13', name: 'Fair' },
      { day: '2026-04-03', name: 'Good Friday' },
      { day: '2026-04-06', name: 'Easter Monday' },
    ]
    await server.services.setCalendar(company.site, { daysOff: [6, 7], holidays } as never, START)
    await lead.json(
      'put',
      `/api/directory/${company.people.staff}/absences`,
      { absences: [{ from: '2026-03-23', until: '2026-03-27' }] },
      204,
    )
    const plan = await aPlan(server, company, [
      {
        tasks: [
          [task(0), 1],
          [task(1), 4],
        ],
      },
      {
        tasks: [
          [task(2), 1],
          [task(3), 9],
        ],
        release: 'both',
        free: { days: 3, working: true },
      },
      { tasks: [[task(4), 2]], release: 'date', free: { days: 10, working: false } },
      { tasks: [[task(5), 1]], release: 'completion', free: { days: 0, working: true } },
    ])
    const { document } = await lead.json('get', `/api/plans/${plan}`)
    const asked = { document, personId: company.people.staff, startOn: today }
    const { paces } = await lead.json('post', '/api/plan-simulations', asked)
    for (const { pace, days, moved, endsOn } of paces.slice(0, 2)) {
      await server.parts.database.rows('update enrolment set ended_at = now() where ended_at is null')
      await server.parts.database.rows('delete from assignment')
      await server.parts.database.rows("delete from item_progress where item_kind = 'task'")
      await server.parts.database.rows('delete from hand_in_asked')
      await server.parts.database.rows('delete from hand_in')
      server.clock.now = START
      await give(plan)
      const seen = new Map<string, string | null>()
      const dueOn = new Map<number, string>(
        days.flatMap((each: { on: string; items: { id: TaskId }[] }) => each.items.map(({ id }) => [tasks.indexOf(id), each.on])),
      )
      const doneOn = new Map<number, LocalDate>()
      for (const [n, on] of dueOn) doneOn.set(n, pace === 'as-planned' ? (on as LocalDate) : await workdaysLater(on as LocalDate, 3))
      for (let day = today; day < addDays(today, 75); day = addDays(day, 1)) {
        await goTo(day)
        for (const [n, on] of Object.entries(await given())) if (!seen.has(n)) seen.set(n, on)
        for (const [n, on] of doneOn) if (on === day) await finish(n)
      }
      expect([pace, Object.fromEntries(seen)]).toEqual([pace, Object.fromEntries([...dueOn].map(([n, on]) => [String(n), on]))])
      expect([...doneOn.values()].sort().at(-1)).toBe(endsOn)
      expect(moved.holiday + moved.away).toBeGreaterThan(0)
    }
    await server.services.setCalendar(company.site, { daysOff: [6, 7], holidays: [] } as never, START)

    async function workdaysLater(from: LocalDate, n: number): Promise<LocalDate> {
      let day = from
      const off = new Set(holidays.map((each) => each.day))
      for (let left = n; left > 0;) {
        day = addDays(day, 1)
        const weekday = new Date(`${day}T00:00:00Z`).getUTCDay()
        if (weekday !== 0 && weekday !== 6 && !off.has(day) && !(day >= '2026-03-23' && day <= '2026-03-27')) left--
      }
      return day
    }
  })
  it('is held for somebody and goes on: nothing is due meanwhile, and all days follow', async () => {
    const plan = await aPlan(server, company, [{ tasks: [[task(0), 3]] }, { tasks: [[task(1), 1]], release: 'date' }])
    await give(plan)
    const [{ id }] = (await lead.json('get', `/api/plans/${plan}/people`)).rows
    const change = (body: object) => lead.json('patch', `/api/plans/${plan}/people/${id}`, body, 204)
    await goTo('2026-03-11')
    await change({ what: 'hold', why: 'Helps out at the quay' })
    expect(await given()).toEqual({ 0: null })
    expect((await staff.json('get', '/api/my-plans'))[0]).toMatchObject({ heldSince: '2026-03-11', endsOn: null })
    await goTo('2026-03-20')
    expect(await given()).toEqual({ 0: null })
    await change({ what: 'go-on' })
    // One day was over; the second is the day on which it goes on.
    expect(await given()).toEqual({ 0: '2026-03-23' })
    await goTo('2026-03-25')
    expect(await given()).toEqual({ 0: '2026-03-23', 1: '2026-03-25' })
    expect((await lead.json('get', `/api/plans/${plan}/people`)).rows[0].late).toMatchObject([{ title: 'Task 0', dueOn: '2026-03-23' }])
  })
  it('follows somebody who goes away, and ends with whoever leaves', async () => {
    const plan = await aPlan(server, company, [{ tasks: [[task(0), 2]] }])
    await give(plan)
    await lead.json(
      'put',
      `/api/directory/${company.people.staff}/absences`,
      { absences: [{ from: '2026-03-11', until: '2026-03-13' }] },
      204,
    )
    expect(await given()).toEqual({ 0: '2026-03-16' })
    await server.services.changePerson(company.people.staff, { active: false }, server.clock.now)
    expect((await lead.json('get', `/api/plans/${plan}/people`)).rows).toEqual([])
    expect(await server.parts.database.rows("select 1 from assignment_reason where kind = 'plan'")).toEqual([])
    const groups = [company.site, company.department, company.team]
    await server.services.changePerson(company.people.staff, { active: true, groups }, server.clock.now)
    staff = await company.as('staff')
  })
  it('given twice is one; an item in two plans is one line, which stays until both have gone', async () => {
    const [one, two] = [
      await aPlan(server, company, [{ tasks: [[task(0), 5]] }]),
      await aPlan(server, company, [{ tasks: [[task(0), 2]] }]),
    ]
    await give(one)
    expect(await give(one, '2026-05-01')).toEqual({ given: 0, had: 1 })
    await give(two)
    expect(await given()).toEqual({ 0: '2026-03-11' })
    const why = await lead.json('get', `/api/people/${company.people.staff}/items/${task(0)}/reasons`)
    expect(why.reasons.map(({ plan }: { plan: string | null }) => plan)).toEqual(['First weeks', 'First weeks'])
    const take = async (plan: PlanId) => {
      const [{ id }] = (await lead.json('get', `/api/plans/${plan}/people`)).rows
      await lead.json('delete', `/api/plans/${plan}/people/${id}`, undefined, 204)
    }
    await take(two)
    expect(await given()).toEqual({ 0: '2026-03-16' })
    await take(one)
    expect(await given()).toEqual({})
  })
  it('passes over what is archived, which holds nobody up, and takes it up again', async () => {
    const plan = await aPlan(server, company, [
      {
        tasks: [
          [task(0), 1],
          [task(1), 1],
        ],
      },
      { tasks: [[task(2), 1]], release: 'completion', free: { days: 0, working: true } },
    ])
    await give(plan)
    await finish(0)
    await lead.json('put', `/api/tasks/${task(1)}/archived`, { archived: true }, 204)
    await goTo('2026-03-11')
    expect(await stages(plan)).toMatchObject([{ released: true }, { released: true, startsOn: '2026-03-11' }])
    await lead.json('put', `/api/tasks/${task(1)}/archived`, { archived: false }, 204)
    await goTo('2026-03-12')
    expect(await given()).toMatchObject({ 1: '2026-03-10', 2: '2026-03-11' })
  })
  it('starts today where its start lies in the past, and on the first working day where that is none', async () => {
    const plan = await aPlan(server, company, [{ tasks: [[task(0), 1]] }])
    await give(plan, '2026-01-05')
    expect(await given()).toEqual({ 0: today })
    const next = await aPlan(server, company, [{ tasks: [[task(1), 1]] }])
    await give(next, '2026-03-14')
    expect(await stages(next)).toMatchObject([{ released: false, startsOn: '2026-03-16' }])
    const far = await lead.send('post', `/api/plans/${next}/people`, {
      people: [company.people.outsider],
      startOn: '2029-01-01',
      mentorId: null,
    })
    expect(far.status).toBe(422)
  })
  it('is brought forward once by two runners at the same moment', async () => {
    const plan = await aPlan(server, company, [
      { tasks: [[task(0), 1]] },
      {
        tasks: [
          [task(1), 1],
          [task(2), 1],
        ],
        release: 'date',
        free: { days: 0, working: true },
      },
    ])
    await give(plan)
    const [one, two] = [server.parts, (await server.second()).parts]
    server.clock.now = Date.parse('2026-03-11T07:00:00Z')
    await Promise.all([advanceAll(one, server.clock.now), advanceAll(two, server.clock.now), advanceAll(one, server.clock.now)])
    const { database } = server.parts
    expect(
      await database.rows('select stage_id from enrolment_stage s join enrolment e on e.id = s.enrolment_id where e.plan_id = $1', [plan]),
    ).toHaveLength(2)
    expect(await database.rows("select 1 from assignment_reason where kind = 'plan'")).toHaveLength(3)
    const told = await database.rows("select about_id from inbox_entry where person_id = $1 and kind = 'to-do' and about_id = any ($2)", [
      company.people.staff,
      tasks,
    ])
    expect(told).toHaveLength(3)
  })
  it('is given to an audience: to who belongs to it, and to joiners on their first day; it ends with whoever leaves it, and is not given again once it was taken', async () => {
    const plan = await aPlan(server, company, [{ tasks: [[task(0), 1]] }])
    const audience = ticked([company.team], [])
    expect(await lead.json('post', `/api/plans/${plan}/givings`, { audience, mentorId: company.people.manager })).toMatchObject({
      given: 1,
    })
    expect(await given()).toEqual({ 0: today })
    const people = async (): Promise<{ id: string; person: { id: string }; mentor: { id: string } | null; startOn: string }[]> =>
      (await lead.json('get', `/api/plans/${plan}/people`)).rows
    expect(await people()).toMatchObject([{ person: { id: company.people.staff }, mentor: { id: company.people.manager } }])
    const { outsider } = company.people
    const [base, team] = [
      [company.site, company.department],
      [company.site, company.department, company.team],
    ]
    await server.services.changePerson(outsider, { groups: team, startedOn: '2026-03-16' as LocalDate }, server.clock.now)
    expect((await people()).find(({ person }) => person.id === outsider)).toMatchObject({ startOn: '2026-03-16' })
    await goTo('2026-03-16')
    expect((await (await company.as('outsider')).json('get', '/api/my-plans'))[0].stages[0]).toMatchObject({ released: true, required: 1 })
    await server.services.changePerson(outsider, { groups: base }, server.clock.now)
    expect((await people()).map(({ person }) => person.id)).toEqual([company.people.staff])
    const { id } = (await people())[0]!
    await lead.json('delete', `/api/plans/${plan}/people/${id}`, undefined, 204)
    await server.services.changePerson(outsider, { groups: team }, server.clock.now)
    await server.services.changePerson(company.people.staff, { jobTitle: 'Packer' }, server.clock.now)
    expect((await people()).map(({ person }) => person.id)).toEqual([outsider])
    const [{ id: giving }] = await lead.json('get', `/api/plans/${plan}/givings`)
    await lead.json('delete', `/api/plans/${plan}/givings/${giving}`, undefined, 204)
    expect([await lead.json('get', `/api/plans/${plan}/givings`), (await people()).length]).toEqual([[], 1])
    await server.services.changePerson(outsider, { groups: base, startedOn: null }, server.clock.now)
  })
  it('is changed under way: who is touched and how is shown; then it holds for them, or for newcomers only', async () => {
    const plan = await aPlan(server, company, [
      {
        tasks: [
          [task(0), 1],
          [task(1), 3],
        ],
      },
      { tasks: [[task(2), 1]] },
    ])
    await give(plan)
    const { document, revision } = await lead.json('get', `/api/plans/${plan}`)
    document.stages[0].items = [
      { ...document.stages[0].items[1], day: 4 },
      { item: taskItem(task(3)), day: 2, optional: false },
    ]
    const touches = await lead.json('post', `/api/plans/${plan}/editions/preview`, { document })
    expect(touches).toMatchObject({
      others: 0,
      people: [
        {
          ...{ person: { id: company.people.staff }, comes: [{ title: 'Task 3', checkIn: false }], goes: [{ title: 'Task 0' }] },
          ...{ moves: [{ title: 'Task 1', from: '2026-03-12', to: '2026-03-13' }], endsOn: '2026-03-16', endsOnThen: '2026-03-17' },
        },
      ],
    })
    await lead.json('put', `/api/plans/${plan}`, { revision, document })
    await lead.json('post', `/api/plans/${plan}/editions`, { revision: revision + 1, forAll: false })
    expect(await given()).toEqual({ 0: '2026-03-10', 1: '2026-03-12' })
    await lead.json('post', `/api/plans/${plan}/editions`, { revision: revision + 1, forAll: true })
    expect(await given()).toEqual({ 1: '2026-03-13', 3: '2026-03-11' })
    expect(await lead.json('post', `/api/plans/${plan}/editions/preview`, { document })).toEqual({ people: [], others: 1 })
  })
  it('is begun once by who is given it by hand and by an audience at the same moment', async () => {
    const plan = await aPlan(server, company, [{ tasks: [[task(0), 1]] }])
    const people = [company.people.staff, company.people.outsider]
    const answers = await Promise.all([
      ...[1, 2].map(() => lead.send('post', `/api/plans/${plan}/people`, { people, startOn: today, mentorId: null })),
      ...[1, 2].map(() => lead.send('post', `/api/plans/${plan}/givings`, { audience: ticked([], people), mentorId: null })),
    ])
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200])
    expect((await lead.json('get', `/api/plans/${plan}/people`)).count).toBe(2)
  })
  it('is written by one at a time, published only with something in it, and given only when published', async () => {
    const { id } = await lead.json('post', '/api/plans', {
      document: {
        title: 'Empty',
        about: '',
        working: true,
        dayLimitMin: null,
        stages: [{ id: 's'.repeat(21), name: 'One', release: 'both', free: { days: 0, working: true }, items: [] }],
      },
    })
    expect((await lead.send('post', `/api/plans/${id}/editions`, { revision: 1, forAll: false })).status).toBe(422)
    expect(
      (await lead.send('post', `/api/plans/${id}/people`, { people: [company.people.staff], startOn: today, mentorId: null })).status,
    ).toBe(409)
    const { document } = await lead.json('get', `/api/plans/${id}`)
    const guide = await aGuide(server, company, 'author', { openToAll: true })
    document.stages[0].items = [{ item: guideItem(guide.id), day: 1, optional: true }]
    await lead.json('put', `/api/plans/${id}`, { revision: 1, document })
    expect((await lead.send('put', `/api/plans/${id}`, { revision: 1, document })).status).toBe(409)
    document.stages[0].items.push({ item: taskItem('x'.repeat(21) as TaskId), day: 1, optional: false })
    expect((await lead.send('put', `/api/plans/${id}`, { revision: 2, document })).status).toBe(422)
    expect(await lead.json('post', `/api/plans/${id}/editions`, { revision: 2, forAll: false })).toEqual({ edition: 1 })
    await give(id)
    const { atHand } = await staff.json('get', '/api/today')
    expect(atHand.map(({ item }: { item: never }) => itemKey(item))).toContain(itemKey(guideItem(guide.id)))
  })
})
