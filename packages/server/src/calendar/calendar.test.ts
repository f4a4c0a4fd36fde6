import { nanoid } from 'nanoid'
import type { GroupId } from '@jackdaw/core/shared'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())

const calendar = (expected = 200, id: string = company.site) => lead.json('get', `/api/groups/${id}/calendar`, undefined, expected)
const save = (body: object, expected = 204, id: string = company.site) => lead.json('put', `/api/groups/${id}/calendar`, body, expected)
const readFile = async (text: string) => {
  const response = await lead.send('post', '/api/calendar-files', Buffer.from(text), { 'content-type': 'text/calendar' })
  return { status: response.status, body: (await response.json()) as { left: number; holidays: object[] } }
}

describe('the days off of a site', () => {
  it('are Saturday and Sunday until somebody says otherwise', async () => {
    expect(await calendar()).toEqual({ daysOff: [6, 7], holidays: [] })
    const holidays = [
      { day: '2026-12-25', name: 'Christmas Day' },
      { day: '2026-05-01', name: '' },
    ]
    await save({ daysOff: [7], holidays })
    expect(await calendar()).toEqual({ daysOff: [7], holidays: [holidays[1], holidays[0]] })
    await save({ daysOff: [], holidays: [] })
    expect(await calendar()).toEqual({ daysOff: [], holidays: [] })
  })
  it('keeps what is past when it is saved', async () => {
    await server.parts.database.rows(`insert into holiday values ($1, '2024-05-01', 'Long ago')`, [company.site])
    await save({ daysOff: [7], holidays: [{ day: '2026-12-25', name: 'Christmas Day' }] })
    const days = await server.parts.database.rows<{ day: string }>('select day::text from holiday where site_id = $1 order by day', [
      company.site,
    ])
    expect(days.map(({ day }) => day)).toEqual(['2024-05-01', '2026-12-25'])
  })
  it('take the last of two names for one day, and refuse a week without work and what is no day', async () => {
    await save({
      daysOff: [7],
      holidays: [
        { day: '2026-12-25', name: 'One' },
        { day: '2026-12-25', name: 'Two' },
      ],
    })
    expect((await calendar()).holidays).toEqual([{ day: '2026-12-25', name: 'Two' }])
    await save({ daysOff: [1, 2, 3, 4, 5, 6, 7], holidays: [] }, 422)
    await save({ daysOff: [7], holidays: [{ day: '2026-02-30', name: '' }] }, 422)
    expect((await calendar()).holidays).toHaveLength(1)
  })
  it('belong to sites only, and to such as are open', async () => {
    await calendar(404, company.team)
    await save({ daysOff: [7], holidays: [] }, 404, company.team)
    const closed = nanoid<GroupId>()
    await server.services.addGroups([{ id: closed, kind: 'site', name: 'Old yard', zone: 'Europe/London' }], server.clock.now)
    await lead.json('post', `/api/groups/${closed}/closing`, { moveTo: null }, 204)
    await save({ daysOff: [7], holidays: [] }, 409, closed)
  })
})

describe('a calendar file', () => {
  const file = (...lines: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', ...lines, 'END:VCALENDAR'].join('\r\n')
  it('is read, and nothing is saved by it', async () => {
    const before = await calendar()
    const yearly = ['BEGIN:VEVENT', 'UID:a', 'SUMMARY:New Year', 'DTSTART;VALUE=DATE:20200101', 'RRULE:FREQ=YEARLY', 'END:VEVENT']
    const meeting = ['BEGIN:VEVENT', 'UID:b', 'SUMMARY:Meeting', 'DTSTART:20260701T080000Z', 'END:VEVENT']
    const { status, body } = await readFile(file(...yearly, ...meeting))
    expect(status).toBe(200)
    expect(body.left).toBe(1)
    expect(body.holidays[0]).toEqual({ day: '2025-01-01', name: 'New Year' })
    expect(body.holidays).toHaveLength(12)
    expect(await calendar()).toEqual(before)
  })
  it('is refused with words where it is none', async () => {
    expect(await readFile('Day;Name')).toMatchObject({ status: 422, body: { code: 'not-a-calendar' } })
    expect(await readFile('')).toMatchObject({ status: 422 })
  })
})
