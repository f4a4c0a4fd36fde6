import type { FigurePage } from '@jackdaw/contracts/figurePages'
import { addDays, localDateAt } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer } from '../../testing/testServer'
import { mailFigures } from './mail'

const DAY_MS = 86_400_000
let server: TestServer
let company: Company
let lead: Client
let manager: Client
let guide: string
const id = nanoid()
const part = (n: number, more: object = {}) => ({
  ...{ id: `part-${n}`, shows: 'time', name: 'Views', wide: false, goal: null, looking: {} },
  ...more,
})
const saved = (revision: number, more: object = {}) => ({ name: 'On Mondays', shared: false, revision, parts: [part(1)], ...more })
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  guide = (await aGuide(server, company, 'lead', { openToAll: true })).id
  for (const who of ['staff', 'outsider'] as const) {
    const opened = { id: uuidV7(), item: { kind: 'guide', id: guide }, edition: 1, way: 'read', verb: 'opened', occurredAt: START }
    await (await company.as(who)).json('post', '/api/events', { sentAt: START, events: [opened] })
  }
  lead = await company.as('lead')
  manager = await company.as('manager')
})
afterAll(() => server.close())

const put = async (who: Client, body: object, of = id) => (await who.send('put', `/api/figure-pages/${of}`, body)).status
const seenBy = async (who: Client): Promise<FigurePage[]> => who.json('get', '/api/figure-pages')
const figuresOf = async (who: Client): Promise<string[]> =>
  (await who.json('get', '/api/inbox')).rows
    .filter(({ kind }: { kind: string }) => kind === 'figures')
    .map(({ data }: { data: { figures: string } }) => data.figures)

it('is arranged by its owner, found by others where it is shared, and not changed over another change', async () => {
  expect(await put(lead, saved(0))).toBe(200)
  expect(await put(lead, saved(0))).toBe(409)
  expect(await put(lead, saved(1, { name: 'Every Monday', parts: [part(2, { wide: true }), part(1)] }))).toBe(200)
  expect((await seenBy(lead))[0]).toMatchObject({
    name: 'Every Monday',
    revision: 2,
    mailed: null,
    parts: [{ id: 'part-2', wide: true }, { id: 'part-1' }],
  })
  expect(await seenBy(manager)).toEqual([])
  expect((await manager.send('get', `/api/figure-pages/${id}`)).status).toBe(404)
  expect(await put(lead, saved(2, { shared: true }))).toBe(200)
  expect((await seenBy(manager))[0]).toMatchObject({ id, owner: { id: company.people.lead } })
  expect(await put(manager, saved(3))).toBe(404)
  expect((await manager.send('delete', `/api/figure-pages/${id}`)).status).toBe(404)
})
it('refuses what could not be shown', async () => {
  const wrong = [
    { name: '' },
    { parts: [part(1), part(1)] },
    { parts: [part(1, { shows: 'goal' })] },
    { parts: [part(1, { goal: nanoid() })] },
    { parts: Array.from({ length: 25 }, (_, n) => part(n)) },
    { parts: [part(1, { looking: { days: '3' } })] },
  ]
  for (const more of wrong) expect(await put(lead, saved(3, more))).toBe(422)
})
it('is mailed on Mondays to whoever wants that, once, with the figures that they may see', async () => {
  const parts = [
    part(1),
    part(2, { shows: 'used', name: 'Used' }),
    part(3, { shows: 'readers', name: 'Readers' }),
    part(4, { name: 'Of a person', looking: { person: company.people.outsider, compare: 'none' } }),
    part(5, { shows: 'goal', name: 'Gone', goal: nanoid() }),
    part(6, { shows: 'sought', name: 'Sought' }),
    part(7, { shows: 'owners', name: 'Owners' }),
    part(8, { name: 'Backwards', looking: { days: 'own', from: '2025-02-01', to: '2025-01-01' } }),
  ]
  expect(await put(lead, saved(3, { shared: true, parts }))).toBe(200)
  for (const who of [lead, manager]) expect((await who.send('put', `/api/figure-pages/${id}/mail`, { every: 'week' })).status).toBe(204)
  expect(await mailFigures(server.parts, server.clock.now)).toBe(0)
  const today = localDateAt(START, 'Europe/London')
  const monday = addDays(today, 7 - ((new Date(`${today}T00:00:00Z`).getUTCDay() + 6) % 7))
  const then = START + ((Date.parse(monday) - Date.parse(today)) / DAY_MS) * DAY_MS
  const told = await Promise.all([mailFigures(server.parts, then), mailFigures(server.parts, then)])
  expect(told.reduce((sum, n) => sum + n, 0)).toBe(2)
  const [mine] = await figuresOf(lead)
  expect(mine).toContain('Views: 2 (0)')
  expect(mine).toContain('Used: Rinse the trays')
  expect(mine).toContain('Of a person: 1')
  expect(mine).toContain('Sought: –')
  expect(mine).not.toContain('Gone')
  expect(mine).not.toContain('Backwards')
  // Of those who report to the manager only one has read it; of the other they are told nothing.
  const [theirs] = await figuresOf(manager)
  expect(theirs).toContain('Views: 1 (0)')
  expect(theirs).not.toContain('Of a person')
})
it('is mailed no more to whoever does not find it, or does not want it', async () => {
  const { revision } = await lead.json('get', `/api/figure-pages/${id}`)
  expect(await put(lead, saved(revision))).toBe(200)
  expect((await lead.send('put', `/api/figure-pages/${id}/mail`, { every: null })).status).toBe(204)
  expect(await mailFigures(server.parts, START + 40 * DAY_MS)).toBe(0)
  expect((await lead.send('delete', `/api/figure-pages/${id}`)).status).toBe(204)
  expect(await seenBy(lead)).toEqual([])
})
