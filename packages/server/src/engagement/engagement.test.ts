import type { CountedFigure, CountedRow, UseOverTime } from '@jackdaw/contracts/engagement'
import { FIGURES, type Figures, type Span } from '@jackdaw/core/engagement'
import { addDays, localDateAt, nth, seededRandom, type GroupId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { amend } from '../events/amend'
import { recount } from '../events/recount'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testing/testServer'

const DAY_MS = 86_400_000
const DAYS = 70
const LONDON = 'Europe/London'
const READERS = ['staff', 'outsider', 'author', 'otherAuthor', 'manager'] as const satisfies readonly Who[]

let server: TestServer
let company: Company
let lead: Client
let manager: Client
let guides: { id: string; steps: string[]; owner: Who }[]
let growing: GroupId
const today = localDateAt(START, LONDON)

/** Seventy days in which five people read three guides: late, twice told, told by clocks that are wrong; two change their department, one twice. */
async function someMonths(random: () => number): Promise<void> {
  const pick = <T>(list: readonly T[]): T => nth(list, Math.floor(random() * list.length))
  const { database: db } = server.parts
  server.clock.now = START - DAYS * DAY_MS
  const owners: Who[] = ['author', 'author', 'lead']
  guides = []
  for (const [n, owner] of owners.entries()) {
    server.clock.now = START - (DAYS - 9 * n) * DAY_MS
    guides.push({ ...(await aGuide(server, company, owner, { openToAll: true })), owner })
  }
  server.clock.now = START
  growing = nanoid<GroupId>()
  await server.services.addGroups([{ id: growing, kind: 'department', name: 'Growing' }], START - DAYS * DAY_MS)
  const moved = async (who: Who, from: GroupId, to: GroupId, daysAgo: number) => {
    const at = new Date(START - daysAgo * DAY_MS + 3_600_000)
    await db.rows('update membership set until = $3 where person_id = $1 and group_id = $2 and until is null', [
      company.people[who],
      from,
      at,
    ])
    await db.rows('insert into membership (person_id, group_id, since) values ($1, $2, $3)', [company.people[who], to, at])
  }
  await db.rows(`update membership set since = $1`, [new Date(START - 400 * DAY_MS)])
  await moved('outsider', company.department, growing, 50)
  await moved('outsider', growing, company.department, 20)
  await moved('author', company.department, growing, 30)
  for (const who of READERS) {
    const reader = await company.as(who)
    const events = Array.from({ length: 90 }, () => {
      const guide = pick(guides)
      const verb = pick(['opened', 'opened', 'time-spent', 'step-viewed', 'finished'])
      const part = verb === 'time-spent' || verb === 'step-viewed' ? { part: pick(guide.steps) } : {}
      const about = { item: { kind: 'guide', id: guide.id }, edition: 1, way: pick(['read', 'read', 'watch']) }
      const occurredAt = START - Math.floor(random() ** 2 * DAYS * DAY_MS)
      return { id: uuidV7(), verb, ...about, ...part, ...(verb === 'time-spent' ? { activeMs: 1_000 } : {}), occurredAt }
    })
    // A clock that is a day slow, and batches that overlap.
    for (let n = 0; n < 90; n += 20)
      await reader.json('post', '/api/events', { sentAt: START - (n === 40 ? DAY_MS : 0), events: events.slice(n, n + 25) })
  }
  const { id } = (await db.one<{ id: string }>(
    `select id::text as id from event where subject_id = $1 and verb = 'opened' order by id limit 1`,
    [company.people.staff],
  ))!
  const voided = {
    subject: company.people.staff,
    verb: 'voided',
    reason: 'Not him',
    by: company.people.lead,
    now: START,
    events: [id],
  } as const
  await db.transaction((tx) => amend(tx, server.parts.events, voided))
}
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  await someMonths(seededRandom(7))
  lead = await company.as('lead')
  manager = await company.as('manager')
}, 60_000)
afterAll(() => server.close())

const query = (of: object) =>
  new URLSearchParams(Object.entries(of).map(([name, value]): [string, string] => [name, String(value)])).toString()
const overTime = (who: Client, of: object): Promise<UseOverTime> => who.json('get', `/api/engagement/over-time?${query(of)}`)
async function allRows(who: Client, of: object): Promise<CountedRow[]> {
  const rows: CountedRow[] = []
  for (let page = 1; ; page++) {
    const found = await who.json('get', `/api/engagement/rows?${query({ ...of, page })}`)
    rows.push(...found.rows)
    if (rows.length >= found.total || found.rows.length === 0) return rows
  }
}

type Happened = { verb: string; way: string; item: string; person: PersonId; day: LocalDate; at: number }
/** The same figures again, slowly: from the events one by one. */
async function slowFigures(
  span: Span,
  { item, owner, department, only }: { item?: string; owner?: PersonId; department?: GroupId; only?: PersonId[] },
): Promise<Partial<Figures>> {
  const { database: db } = server.parts
  const rows = await db.rows<Omit<Happened, 'at'> & { at: Date }>(
    `select verb, way, item_id as item, subject_id as person, local_day::text as day, occurred_at as at from event_counted where subject_kind = 'person' order by occurred_at`,
  )
  const homes = await db.rows<{ id: string; owner_id: PersonId }>('select id, owner_id from guide')
  const members = await db.rows<{ person_id: PersonId; group_id: GroupId; since: Date; until: Date | null }>('select * from membership')
  const counts = (each: Happened) =>
    each.verb === 'opened' || (each.verb === 'finished' && each.way === 'read') || each.verb === 'time-spent'
  const events = rows.map((row): Happened => ({ ...row, at: row.at.getTime() })).filter(counts)
  const inGroup = (person: PersonId, at: number) =>
    !department ||
    members.some(
      (m) => m.person_id === person && m.group_id === department && m.since.getTime() <= at && (m.until === null || m.until.getTime() > at),
    )
  const ofItems = (id: string) => (!item || id === item) && (!owner || homes.some((home) => home.id === id && home.owner_id === owner))
  const isShown = (person: PersonId, at: number) => (!only || only.includes(person)) && inGroup(person, at)
  const first = (each: Happened) =>
    Math.min(...events.filter((one) => one.person === each.person && one.item === each.item && one.day === each.day).map((one) => one.at))
  const within = (day: LocalDate) => day >= span.from && day <= span.to
  const seen = events.filter((each) => ofItems(each.item) && within(each.day) && isShown(each.person, first(each)))
  const views = seen.filter((each) => each.verb === 'opened')
  const firsts = [...new Set(events.map((each) => each.person))].flatMap((person) => {
    const own = events.filter((each) => each.person === person && ofItems(each.item))
    const days = own.filter((each) => each.verb === 'opened').map((each) => `${each.item} ${each.day}`)
    const counted = own.filter((each) => days.includes(`${each.item} ${each.day}`))
    const day = counted.map((each) => each.day).sort()[0]
    return day && within(day) && isShown(person, Math.min(...counted.map((each) => each.at))) ? [person] : []
  })
  return {
    views: views.length,
    people: new Set(views.map((each) => each.person)).size,
    newcomers: firsts.length,
    finished: seen.filter((each) => each.verb === 'finished').length,
  }
}

describe('how much is used over time', () => {
  const scopes = () => [
    {},
    { item: guides[0]!.id },
    { owner: company.people.author },
    { department: growing },
    { department: company.department, item: guides[1]!.id },
    { kind: 'task' },
  ]
  it('is what a slow count of the events says, for all that can be asked for', async () => {
    for (const scope of scopes().slice(0, 5))
      for (const by of ['week', 'month'] as const) {
        const { now, unit } = await overTime(lead, { from: addDays(today, -DAYS), to: today, by, ...scope })
        expect(unit).toBe(by)
        expect(now.whole).toMatchObject(await slowFigures(now.span, scope))
        for (const { span, figures } of now.periods)
          expect([span, figures]).toEqual([span, expect.objectContaining(await slowFigures(span, scope))])
      }
  }, 60_000)
  it('opens to as many rows as it says, figure by figure, period by period, for whoever may see it', async () => {
    for (const who of [lead, manager])
      for (const scope of scopes()) {
        const asked = { from: addDays(today, -DAYS - 3), to: today, by: 'month', compare: 'weekdays', ...scope }
        const { now, before } = await overTime(who, asked)
        const shown = [
          { span: now.span, figures: now.whole },
          ...now.periods,
          ...(before ? [{ span: before.span, figures: before.whole }] : []),
        ]
        for (const { span, figures } of shown)
          for (const figure of FIGURES) {
            const rows = await allRows(who, { ...scope, ...span, figure })
            expect([figure, span, rows.length]).toEqual([figure, span, figures[figure]])
          }
      }
  }, 120_000)
  it('is compared with days that are as many, period by period', async () => {
    const { now, before } = await overTime(lead, { from: addDays(today, -20), to: addDays(today, -11), by: 'day', compare: 'weekdays' })
    expect(before?.span).toEqual({ from: addDays(today, -34), to: addDays(today, -25) })
    expect(before?.periods).toHaveLength(now.periods.length)
    expect(before?.whole).toMatchObject(await slowFigures(before!.span, {}))
  })
  it('tells what was written, and what of it reached anybody but its owner', async () => {
    const of = { from: addDays(today, -DAYS), to: today }
    expect((await overTime(lead, of)).now.whole).toMatchObject({ written: 3, changed: 0, reached: 3 })
    expect((await overTime(lead, { ...of, owner: company.people.author })).now.whole).toMatchObject({ written: 2, reached: 2 })
    expect((await overTime(lead, { from: addDays(today, -DAYS), to: addDays(today, -DAYS) })).now.whole.written).toBe(1)
    const [mine] = await allRows(lead, { ...of, figure: 'written', item: guides[2]!.id })
    expect(mine).toMatchObject({ person: { id: company.people.lead }, edition: 1, item: { ref: { kind: 'guide', id: guides[2]!.id } } })
  })
  it('answers for years and for days on which there was nothing', async () => {
    const years = await overTime(lead, { from: addDays(today, -3_650), to: today, by: 'day' })
    expect([years.unit, years.now.periods.length > 100]).toEqual(['month', true])
    const none = await overTime(lead, { from: '2001-01-01', to: '2001-01-07' })
    expect(Object.values(none.now.whole).every((n) => n === 0)).toBe(true)
    expect(await allRows(lead, { from: '2001-01-01', to: '2001-01-07', figure: 'people' })).toEqual([])
    for (const wrong of [
      { from: '2026-02-02', to: '2026-02-01' },
      { from: '1999-01-01', to: today },
      { from: '2026-02-30' },
      { to: '1900-01-05' },
      { from: '1901-01-01', to: '1910-01-01', compare: 'before' },
    ])
      expect((await lead.send('get', `/api/engagement/over-time?${query(wrong)}`)).status).toBe(422)
  })
  it('shows a manager those who report to them, and a member of staff nothing', async () => {
    const of = { from: addDays(today, -DAYS), to: today }
    const mine = await overTime(manager, of)
    expect([mine.everybody, mine.now.whole.guests]).toEqual([false, 0])
    expect(mine.now.whole).toMatchObject(await slowFigures(mine.now.span, { only: [company.people.staff] }))
    for (const row of await allRows(manager, { ...of, figure: 'views' })) expect(row.person?.id).toBe(company.people.staff)
    for (const path of ['over-time', 'items', 'rows?figure=views'])
      expect((await (await company.as('staff')).send('get', `/api/engagement/${path}`)).status).toBe(403)
  })
})

describe('what is used', () => {
  it('has the figures of each item, and each opens to as many rows', async () => {
    for (const who of [lead, manager]) {
      const span = { from: addDays(today, -40), to: addDays(today, -2) }
      const { rows, total } = await who.json('get', `/api/engagement/items?${query({ ...span, kind: 'guide' })}`)
      expect(total).toBe(3)
      for (const row of rows)
        for (const figure of ['views', 'people', 'finishers'] as const satisfies CountedFigure[])
          expect([figure, (await allRows(who, { ...span, figure, item: row.item.id })).length]).toEqual([figure, row[figure]])
    }
  })
  it('is ordered both ways by each of them; what nobody used is there, and has no share', async () => {
    const unused = await aGuide(server, company, 'lead', { openToAll: true })
    const idsBy = async (sort: string, direction: string): Promise<string[]> =>
      (await lead.json('get', `/api/engagement/items?${query({ sort, direction })}`)).rows.map(
        (row: { item: { id: string } }) => row.item.id,
      )
    for (const sort of ['views', 'people', 'finishers', 'title']) expect(await idsBy(sort, 'up')).toHaveLength(4)
    expect((await idsBy('views', 'up'))[0]).toBe(unused.id)
    expect([(await idsBy('newest', 'down'))[0], (await idsBy('newest', 'up'))[3]]).toEqual([unused.id, unused.id])
    expect((await idsBy('views', 'down'))[3]).toBe(unused.id)
    for (const sort of ['share', 'time']) for (const way of ['up', 'down']) expect((await idsBy(sort, way))[3]).toBe(unused.id)
  })
})

describe('who uses and who writes', () => {
  const span = () => ({ from: addDays(today, -40), to: addDays(today, -2) })
  it('has the figures of each person, and each opens to as many rows', async () => {
    for (const who of [lead, manager]) {
      const { rows, total } = await who.json('get', `/api/engagement/readers?${query(span())}`)
      expect(total).toBe(who === lead ? READERS.length : 1)
      for (const row of rows)
        for (const figure of ['views', 'things', 'finished'] as const satisfies CountedFigure[])
          expect([figure, (await allRows(who, { ...span(), figure, person: row.person.id })).length]).toEqual([figure, row[figure]])
      for (const row of rows) {
        const days = await allRows(who, { ...span(), figure: 'time', person: row.person.id })
        expect(days.reduce((sum, day) => sum + (day.activeMs ?? 0), 0)).toBe(row.activeMs)
      }
      for (const row of (await who.json('get', `/api/engagement/owners?${query(span())}`)).rows)
        for (const figure of ['written', 'changed', 'views', 'people'] as const satisfies CountedFigure[])
          expect([figure, (await allRows(who, { ...span(), figure, owner: row.person.id })).length]).toEqual([figure, row[figure]])
    }
  })
  it('is ordered both ways by each of them', async () => {
    for (const sort of ['name', 'views', 'things', 'finished', 'time']) {
      const value = (row: { person: { name: string }; activeMs: number }) =>
        sort === 'name' ? row.person.name : sort === 'time' ? row.activeMs : (row as never)[sort]
      const up = (await lead.json('get', `/api/engagement/readers?${query({ ...span(), sort, direction: 'up' })}`)).rows.map(value)
      const down = (await lead.json('get', `/api/engagement/readers?${query({ ...span(), sort, direction: 'down' })}`)).rows.map(value)
      expect(up).toEqual([...up].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0)))
      expect(down).toEqual([...up].reverse())
    }
    for (const sort of ['name', 'written', 'changed', 'views', 'people'])
      expect((await lead.json('get', `/api/engagement/owners?${query({ ...span(), sort })}`)).rows).toHaveLength(2)
  })
  it('tells what happened last: views and ends of one person, or of all', async () => {
    const of = { ...span(), figure: 'acts' }
    const { now } = await overTime(lead, span())
    const acts = await allRows(lead, of)
    expect(acts).toHaveLength(now.whole.views + now.whole.finished)
    expect(acts.map((act) => act.at)).toEqual(acts.map((act) => act.at).sort((a, b) => b - a))
    expect(new Set(acts.map((act) => act.act))).toEqual(new Set(['began', 'finished']))
    for (const act of await allRows(lead, { ...of, person: company.people.staff })) expect(act.person?.id).toBe(company.people.staff)
  })
  it('does not tell a manager of others, or of what they do not know of', async () => {
    for (const hidden of [{ person: company.people.outsider }, { item: nanoid() }, { owner: nanoid() }])
      for (const path of ['over-time', 'items', 'readers', 'owners'])
        expect((await manager.send('get', `/api/engagement/${path}?${query(hidden)}`)).status).toBe(404)
    const unread = await aGuide(server, company, 'lead', { openToAll: true })
    expect((await manager.send('get', `/api/engagement/rows?${query({ figure: 'views', item: unread.id })}`)).status).toBe(404)
    expect((await lead.send('get', `/api/engagement/rows?${query({ figure: 'views', item: unread.id })}`)).status).toBe(200)
    expect((await manager.json('get', `/api/engagement/readers?${query({ person: company.people.staff })}`)).person).toMatchObject({
      name: 'Name of staff',
    })
  })
})

describe('releases', () => {
  it('are days with a name, one for each, which the lead gives and everybody who sees figures may look between', async () => {
    const [one, two] = [nanoid(), nanoid()]
    const put = async (who: Client, id: string, body: object) => (await who.send('put', `/api/releases/${id}`, body)).status
    expect(await put(lead, one, { name: 'Autumn labels', day: addDays(today, -30) })).toBe(204)
    expect(await put(lead, two, { name: 'New printer', day: addDays(today, -10) })).toBe(204)
    expect(await put(lead, nanoid(), { name: 'Another', day: addDays(today, -10) })).toBe(409)
    expect(await put(lead, two, { name: 'New label printer', day: addDays(today, -9) })).toBe(204)
    expect(await put(lead, two, { name: ' ', day: today })).toBe(422)
    expect(await put(manager, nanoid(), { name: 'Mine', day: today })).toBe(403)
    expect((await manager.json('get', '/api/releases')).map((each: { name: string }) => each.name)).toEqual([
      'New label printer',
      'Autumn labels',
    ])
    expect((await lead.send('delete', `/api/releases/${one}`)).status).toBe(204)
    expect((await lead.send('delete', `/api/releases/${one}`)).status).toBe(404)
    const day = addDays(today, -50)
    const statuses = await Promise.all([nanoid(), nanoid(), nanoid()].map((id) => put(lead, id, { name: 'At once', day })))
    expect(statuses.sort()).toEqual([204, 409, 409])
  })
})

describe('what somebody used', () => {
  it('is told to themselves and to whoever may see their records, and is what they did', async () => {
    const of = query({ from: addDays(today, -DAYS), to: today })
    const staff = await company.as('staff')
    const own = await staff.json('get', `/api/people/${company.people.staff}/use?${of}`)
    expect(await manager.json('get', `/api/people/${company.people.staff}/use?${of}`)).toEqual(own)
    const { now } = await overTime(lead, { from: addDays(today, -DAYS), to: today, person: company.people.staff })
    expect([own.person.name, own.views]).toEqual(['Name of staff', now.whole.views])
    const days: string[] = own.rows.map((row: { day: string }) => row.day)
    expect(days).toEqual([...days].sort().reverse())
    const next = await staff.json('get', `/api/people/${company.people.staff}/use?${of}&page=2`)
    expect(own.rows.length + next.rows.length).toBe(own.total)
    const seen = [...own.rows, ...next.rows] as { views: number; activeMs: number }[]
    expect(seen.reduce((sum, row) => sum + row.views, 0)).toBe(own.views)
    expect(seen.reduce((sum, row) => sum + row.activeMs, 0)).toBe(own.activeMs)
    expect((await staff.send('get', `/api/people/${company.people.author}/use`)).status).toBe(403)
  })
})

it('the days of use are the same when everything is counted anew', async () => {
  const { database: db, events } = server.parts
  const all = () => db.rows('select * from use_day order by item_id, person_id, local_day')
  const before = await all()
  expect(before.length).toBeGreaterThan(100)
  await recount(db, events)
  expect(await all()).toEqual(before)
})
