import { StepSort, type Journey, type JourneyPart, type TimedStep, type Visit } from '@jackdaw/contracts/engagement'
import { addDays, localDateAt, nth, seededRandom, type PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { amend } from '../events/amend'
import { recount } from '../events/recount'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testing/testServer'

const DAY_MS = 86_400_000
const READERS = ['staff', 'outsider', 'author', 'otherAuthor'] as const satisfies readonly Who[]
const today = localDateAt(START, 'Europe/London')

let server: TestServer
let company: Company
let lead: Client
let manager: Client
let guide: { id: string; steps: string[] }
/** The steps of the newest edition, in its order: one was taken out, two have changed places. */
let order: string[]

/** Visits at random: steps forth and back, some finished, some told late or twice, some by pages that do not say which visit it is. */
async function someVisits(random: () => number): Promise<void> {
  const { database: db } = server.parts
  const pick = <T>(list: readonly T[]): T => nth(list, Math.floor(random() * list.length))
  server.clock.now = START - 40 * DAY_MS
  guide = await aGuide(server, company, 'lead', { texts: ['One', 'Two', 'Three', 'Four', 'Five'], openToAll: true })
  server.clock.now = START
  const [one, two, three, four, five] = guide.steps as [string, string, string, string, string]
  await db.rows(
    `insert into edition select (jsonb_populate_record(null::edition, to_jsonb(e) || '{"number": 2}')).* from edition e where item_id = $1`,
    [guide.id],
  )
  order = [one, three, two, five]
  await db.rows(
    `insert into edition_part (item_kind, item_id, edition, part_id, position, section, name, caution, least_ms)
     select item_kind, item_id, 2, part_id, array_position($2::text[], part_id), section, name, caution, least_ms from edition_part where item_id = $1 and part_id = any ($2)`,
    [guide.id, order],
  )
  await db.rows('update item set edition = 2 where id = $1', [guide.id])
  for (const who of READERS) {
    const reader = await company.as(who)
    for (let n = 0; n < 12; n++) {
      const visit = n % 4 === 3 ? {} : { visit: nanoid() }
      const began = START - Math.floor(random() * 30) * DAY_MS - 7_200_000
      const edition = pick([1, 2])
      const base = { item: { kind: 'guide', id: guide.id }, edition, way: pick(['read', 'read', 'watch', 'practise']), ...visit }
      const steps = Array.from({ length: Math.floor(random() * 7) }, () => pick(edition === 2 ? order : [one, two, three, four, five]))
      const events: object[] = [{ ...base, id: uuidV7(), verb: 'opened', occurredAt: began }]
      for (const [k, part] of steps.entries())
        events.push({ ...base, id: uuidV7(), verb: 'step-viewed', part, occurredAt: began + (k + 1) * 20_000 })
      for (const part of steps)
        if (random() < 0.6)
          events.push({
            ...base,
            id: uuidV7(),
            verb: 'time-spent',
            part,
            activeMs: 1_000 + Math.floor(random() * 90_000),
            occurredAt: began + 250_000,
          })
      if (random() < 0.4) events.push({ ...base, id: uuidV7(), verb: 'finished', occurredAt: began + 300_000 })
      for (const batch of [events.slice(2), events.slice(0, 3), ...(n % 3 === 0 ? [events] : [])])
        if (batch.length > 0) await reader.json('post', '/api/events', { sentAt: START, events: batch })
    }
  }
  const voided = await db.rows<{ id: string }>(
    `select id::text as id from event where subject_id = $1 and verb = 'step-viewed' order by id limit 2`,
    [company.people.staff],
  )
  await db.transaction((tx) =>
    amend(tx, server.parts.events, {
      subject: company.people.staff,
      verb: 'voided',
      reason: 'Not him',
      by: company.people.lead,
      now: START,
      events: voided.map(({ id }) => id),
    }),
  )
}
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  await someVisits(seededRandom(11))
  lead = await company.as('lead')
  manager = await company.as('manager')
}, 60_000)
afterAll(() => server.close())

const query = (of: object) =>
  new URLSearchParams(Object.entries(of).map(([name, value]): [string, string] => [name, String(value)])).toString()
const SPAN = { from: addDays(today, -35), to: today }
const journey = (who: Client, of: object = {}): Promise<Journey> =>
  who.json('get', `/api/guides/${guide.id}/journey?${query({ ...SPAN, ...of })}`)
async function visits(
  who: Client,
  of: { part: JourneyPart; step?: string; way?: string; edition?: number; department?: string },
): Promise<Visit[]> {
  const rows: Visit[] = []
  for (let page = 1; ; page++) {
    const found = await who.json('get', `/api/guides/${guide.id}/journey/visits?${query({ ...SPAN, ...of, page })}`)
    rows.push(...found.rows)
    if (rows.length >= found.total || found.rows.length === 0) return rows
  }
}

type Told = {
  verb: string
  way: string
  edition: number
  part: string | null
  person: PersonId
  visit: string
  at: Date
  active_ms: number
}
/** The same journey, slowly: visit by visit, step by step. */
async function slowJourney({ way, edition, only }: { way?: string; edition?: number; only?: PersonId } = {}) {
  const events = await server.parts.database.rows<Told>(
    `select verb, way, edition, part_id as part, subject_id as person, coalesce(visit, way || ' ' || local_day) as visit, occurred_at as at, active_ms::float as active_ms
     from event_counted where item_id = $1 and subject_kind = 'person' order by occurred_at`,
    [guide.id],
  )
  const all = new Map<string, Told[]>()
  for (const event of events) all.set(`${event.person} ${event.visit}`, [...(all.get(`${event.person} ${event.visit}`) ?? []), event])
  const looked = [...all.values()].filter(
    (told) =>
      (!way || told[0]!.way === way) &&
      (!edition || Math.max(...told.map((each) => each.edition)) === edition) &&
      (!only || told[0]!.person === only),
  )
  const steps = order.map((stepId) => ({ stepId, came: 0, on: 0, back: 0, left: 0, spent: [] as number[] }))
  let finished = 0
  for (const told of looked) {
    const isFinished = told.some((each) => each.verb === 'finished')
    if (isFinished) finished++
    const viewed = told.filter((each) => each.verb === 'step-viewed')
    const lastAt = Math.max(...viewed.map((each) => each.at.getTime()))
    for (const [position, step] of steps.entries()) {
      const here = viewed.filter((each) => each.part === step.stepId).map((each) => each.at.getTime())
      if (here.length === 0) continue
      const first = Math.min(...here)
      const later = (parts: string[]) => viewed.some((each) => parts.includes(each.part!) && each.at.getTime() > first)
      step.came++
      const spent = told.filter((each) => each.part === step.stepId).reduce((sum, each) => sum + each.active_ms, 0)
      if (spent > 0) step.spent.push(spent)
      if (isFinished || later(order.slice(position + 1))) step.on++
      if (later(order.slice(0, position))) step.back++
      if (!isFinished && Math.max(...here) === lastAt) step.left++
    }
  }
  const mean = (times: number[]) => (times.length === 0 ? null : Math.round(times.reduce((sum, ms) => sum + ms, 0) / times.length))
  return { visits: looked.length, finished, steps: steps.map(({ spent, ...step }) => ({ ...step, meanMs: mean(spent) })) }
}
const shortly = ({ visits, finished, steps }: Journey) => ({
  visits,
  finished,
  steps: steps.map(({ stepId, came, on, back, left, meanMs }) => ({ stepId, came, on, back, left, meanMs })),
})

it('goes by the steps of the newest edition, and is what a slow count of the events says', async () => {
  const found = await journey(lead)
  expect(shortly(found)).toEqual(await slowJourney())
  expect(found.steps.map(({ name }) => name)).toEqual(['One', 'Three', 'Two', 'Five'])
  expect(found.elsewhere).toBe(found.visits - found.finished - found.steps.reduce((sum, step) => sum + step.left, 0))
  for (const way of ['read', 'watch', 'practise']) expect(shortly(await journey(lead, { way }))).toEqual(await slowJourney({ way }))
  for (const edition of [1, 2]) expect(shortly(await journey(lead, { edition }))).toEqual(await slowJourney({ edition }))
  expect(shortly(await journey(manager))).toEqual(await slowJourney({ only: company.people.staff }))
})
it('opens each figure to as many visits', async () => {
  for (const who of [lead, manager])
    for (const of of [{}, { way: 'read' }, { edition: 2 }, { department: company.department }] as {
      way?: string
      edition?: number
      department?: string
    }[]) {
      const found = await journey(who, of)
      for (const part of ['visits', 'finished', 'elsewhere'] as const)
        expect([part, (await visits(who, { ...of, part })).length]).toEqual([part, found[part]])
      for (const step of found.steps)
        for (const part of ['came', 'on', 'back', 'left'] as const)
          expect([part, (await visits(who, { ...of, part, step: step.stepId })).length]).toEqual([part, step[part]])
    }
}, 60_000)
it('is what the list of how long steps take says of its steps, in each order', async () => {
  const listed = async (who: Client, of: object = {}): Promise<TimedStep[]> =>
    (await who.json('get', `/api/engagement/steps?${query({ ...SPAN, ...of })}`)).rows
  for (const [who, of] of [
    [lead, {}],
    [lead, { department: company.department }],
    [lead, { item: guide.id }],
    [manager, {}],
  ] as const) {
    const rows = await listed(who, of)
    const { steps } = await journey(who, 'department' in of ? of : {})
    for (const { stepId, came, meanMs, readingMs } of rows)
      expect(steps.find((step) => step.stepId === stepId)).toMatchObject({ came, meanMs, readingMs })
    for (const row of rows) expect(await visits(who, { part: 'came', step: row.stepId })).not.toHaveLength(0)
    if (who === lead && !('department' in of)) expect(rows).toHaveLength(order.length)
  }
  const value: Record<StepSort, (row: TimedStep) => number> = {
    ratio: ({ meanMs, readingMs }) => meanMs / readingMs,
    mean: ({ meanMs }) => meanMs,
    came: ({ came }) => came,
    title: ({ position }) => position,
  }
  for (const sort of StepSort.options) {
    const up = (await listed(lead, { sort, direction: 'up' })).map(value[sort])
    const down = (await listed(lead, { sort })).map(value[sort])
    expect(up).toEqual([...up].sort((a, b) => a - b))
    if (sort !== 'title') expect(down).toEqual([...up].reverse())
  }
  expect(await listed(lead, { kind: 'quiz' })).toEqual([])
  expect((await manager.send('get', `/api/engagement/steps?${query({ owner: nanoid() })}`)).status).toBe(404)
})
it('says what the visits differ in, beside what is chosen', async () => {
  const { choices } = await journey(lead, { way: 'read' })
  expect(choices.way.map(({ value }) => value).sort()).toEqual(['practise', 'read', 'watch'])
  for (const { value, visits } of choices.way) expect((await journey(lead, { way: value })).visits).toBe(visits)
  for (const { value, visits } of choices.edition) expect((await journey(lead, { way: 'read', edition: value })).visits).toBe(visits)
})
it('is the same when everything is counted anew', async () => {
  const { database: db, events } = server.parts
  const all = async () => [
    await db.rows('select * from use_visit order by item_id, person_id, visit'),
    await db.rows(
      'select distinct p.* from use_path p join use_visit v on v.path = p.path and v.item_id = p.item_id order by p.item_id, p.path',
    ),
    await db.rows('select * from use_step order by item_id, person_id, visit, part_id'),
  ]
  const before = await all()
  await recount(db, events)
  expect(await all()).toEqual(before)
  expect(before[1]!.length).toBeGreaterThan(20)
  expect(before[2]!.length).toBeGreaterThan(80)
})
it('asks for a step where one is meant, and knows only those of the guide', async () => {
  const status = async (of: object, who = lead) => (await who.send('get', `/api/guides/${guide.id}/journey/visits?${query(of)}`)).status
  expect(await status({ part: 'left' })).toBe(422)
  expect(await status({ part: 'left', step: nanoid() })).toBe(404)
  const draft = await aGuide(server, company, 'lead', { published: false })
  expect((await lead.send('get', `/api/guides/${draft.id}/journey`)).status).toBe(404)
  expect((await (await company.as('outsider')).send('get', `/api/guides/${guide.id}/journey`)).status).toBe(403)
})
