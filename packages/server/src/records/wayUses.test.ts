import { seededRandom } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { v7 as uuidV7 } from 'uuid'
import { recount } from '../events'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())

type Guide = { id: string; steps: string[] }
/** Somebody goes through a guide once in a way; `did` is what each step took: tries and help. */
const goThrough = (guide: Guide, way: 'watch' | 'practise', did: [tries: number, help: 0 | 1 | 2][], ends = true) => {
  const base = () => ({ id: uuidV7(), item: { kind: 'guide', id: guide.id }, edition: 1, way, visit: play, occurredAt: START })
  const play = nanoid()
  const events: object[] = [{ ...base(), verb: 'opened' }]
  did.forEach(([tries, help], n) => {
    events.push({ ...base(), verb: 'step-viewed', part: guide.steps[n] })
    if (way === 'practise') events.push({ ...base(), verb: 'step-done', part: guide.steps[n], tries, help })
  })
  if (ends) events.push({ ...base(), verb: 'finished' })
  return events
}
const tell = (who: Client, events: object[]) => who.json('post', '/api/events', { sentAt: START, events })
const rowOf = async (guide: Guide, name: string) =>
  (await lead.json('get', `/api/items/${guide.id}/who-finished?find=${encodeURIComponent(name)}`)).rows[0]

describe('ways of using a guide besides reading it', () => {
  it('are counted by person and step: begun, finished, tries, help', async () => {
    const guide = await aGuide(server, company, 'lead', { texts: ['One', 'Two'], openToAll: true })
    const staff = await company.as('staff')
    await tell(staff, goThrough(guide, 'watch', [[0, 0]], false))
    await tell(staff, goThrough(guide, 'practise', [[3, 1], [1, 2]])) // prettier-ignore
    await tell(staff, goThrough(guide, 'practise', [[1, 0], [2, 1]])) // prettier-ignore
    const { ways, state, seen } = await rowOf(guide, 'staff')
    expect(ways).toMatchObject({
      watch: { begun: 1, finished: 0 },
      practise: { begun: 2, finished: 2, tries: 7, helped: 3 },
      solo: null,
    })
    // Practising is not reading: what has to be read stays to be read.
    expect([state, seen]).toEqual(['not-started', 0])
    const { people, steps } = await lead.json('get', `/api/guides/${guide.id}/way-steps/practise`)
    expect(people).toBe(1)
    expect(steps).toMatchObject([
      { name: 'One', people: 1, times: 2, rightFirst: 1, tries: 4, helped: 1 },
      { name: 'Two', people: 1, times: 2, rightFirst: 0, tries: 3, helped: 2 },
    ])
    const mine = await staff.json('get', `/api/people/${company.people.staff}/records/${guide.id}`)
    expect(mine.steps.map((step: { name: string; times: number }) => [step.name, step.times])).toEqual([
      ['One', 2],
      ['Two', 2],
    ])
  })

  it('count a batch that is sent again once, and come out alike when everything is counted anew', async () => {
    const random = seededRandom(9)
    const guide = await aGuide(server, company, 'lead', { texts: ['One', 'Two', 'Three'], openToAll: true })
    const people = await Promise.all((['staff', 'author', 'outsider'] as const).map((who) => company.as(who)))
    const any = (): [number, 0 | 1 | 2] => [Math.floor(random() * 4), Math.floor(random() * 3) as 0 | 1 | 2]
    for (let n = 0; n < 30; n++) {
      const events = goThrough(guide, random() < 0.3 ? 'watch' : 'practise', [any(), any(), any()], random() < 0.7)
      const cut = Math.floor(random() * events.length)
      const who = people[n % 3]!
      // Late, in two parts, the first of them twice.
      await tell(who, events.slice(cut))
      if (cut > 0) await tell(who, events.slice(0, cut))
      await tell(who, events)
    }
    const figures = async () => [
      await server.parts.database.rows('select * from way_use where guide_id = $1 order by person_id, way', [guide.id]),
      await server.parts.database.rows('select * from way_step where guide_id = $1 order by person_id, way, step_id', [guide.id]),
    ]
    const before = await figures()
    expect((before[0] as Record<string, unknown>[]).reduce((sum, row) => sum + Number(row['begun']), 0)).toBe(30)
    await recount(server.parts.database, server.parts.events)
    expect(await figures()).toEqual(before)
  })

  it('cannot be claimed for a test, nor for steps and editions that are not there', async () => {
    const guide = await aGuide(server, company, 'lead', { texts: ['One'], openToAll: true })
    const staff = await company.as('staff')
    const base = { item: { kind: 'guide', id: guide.id }, edition: 1, visit: nanoid(), occurredAt: START }
    const refused = await tell(staff, [
      { ...base, id: uuidV7(), way: 'solo', verb: 'finished' },
      { ...base, id: uuidV7(), way: 'practise', verb: 'step-done', part: nanoid(), tries: 1, help: 0 },
      { ...base, id: uuidV7(), way: 'practise', verb: 'step-done', part: guide.steps[0], edition: 7, tries: 1, help: 0 },
    ])
    expect(refused.refused.map((each: { why: string }) => each.why)).toEqual(['malformed', 'unknown-step', 'unknown-edition'])
    expect((await lead.json('get', `/api/items/${guide.id}/who-finished`)).rows).toEqual([])
  })

  it('are seen by a manager for those who report to them only, step by step too', async () => {
    const guide = await aGuide(server, company, 'lead', { texts: ['One'], openToAll: true })
    for (const who of ['staff', 'outsider'] as const) await tell(await company.as(who), goThrough(guide, 'practise', [[1, 0]]))
    const manager = await company.as('manager')
    expect((await manager.json('get', `/api/guides/${guide.id}/way-steps/practise`)).people).toBe(1)
    expect((await lead.json('get', `/api/guides/${guide.id}/way-steps/practise`)).people).toBe(2)
    expect((await manager.send('get', `/api/people/${company.people.outsider}/records/${guide.id}`)).status).toBe(403)
  })
})
