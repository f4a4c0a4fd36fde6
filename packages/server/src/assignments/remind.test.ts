import { ticked } from '@jackdaw/core/audiences'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { Db } from '../db'
import { gatherMails, sendMail } from '../inbox/sendMail'
import { aGuide, smallCompany, START, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'
import { remind } from './remind'

const DAY = 86_400_000
let server: TestServer
let company: Company
let lead: Client
let staff: Client
let manager: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  ;[lead, staff, manager] = [await company.as('lead'), await company.as('staff'), await company.as('manager')]
})
beforeEach(async () => {
  await server.parts.database.rows('truncate assignment cascade')
  await server.parts.database.rows(
    'truncate inbox_entry, mail_choice, day_mail, reminder_choice, one_time_token, setting, absence, jobs.job',
  )
  server.mails.length = 0
  server.clock.now = START
})
afterAll(() => server.close())

/** Gives a guide to `staff` for ten days, on Tuesday 10 March at nine. */
async function given(title: string, days = 10): Promise<{ id: string; steps: string[] }> {
  const guide = await aGuide(server, company, 'lead', { published: false, title } as never)
  const rest = { revision: 0, changeNote: 'First', mustReread: false, openToAll: false, tell: false, due: { kind: 'days', days } }
  await lead.json('post', `/api/guides/${guide.id}/editions`, { ...rest, audience: ticked([], [company.people.staff]) })
  return guide
}
const kindsOf = async (client: Client): Promise<string[]> =>
  (await client.json('get', '/api/inbox')).rows.map(({ kind, data }: any) => `${kind} ${data.due ?? data.names}`)
/** What is sent at nine on each of some days. */
async function sentThrough(days: number): Promise<string[]> {
  const sent: string[] = []
  for (let n = 0; n <= days; n++) {
    server.clock.now = START + n * DAY
    if ((await remind(server.parts, server.clock.now)) === 0) continue
    const told = [...(await kindsOf(staff)).map((each) => `staff ${each}`), ...(await kindsOf(manager)).map((each) => `manager ${each}`)]
    sent.push(`${new Date(server.clock.now).toISOString().slice(0, 10)}: ${told.join(', ')}`)
    await server.parts.database.rows('delete from inbox_entry')
  }
  return sent
}

describe('reminders', () => {
  it('come before and after the due day, once each, and from a point on to whoever somebody reports to', async () => {
    const guide = await given('Rinse')
    expect(await sentThrough(40)).toEqual([
      '2026-03-17: staff due-soon 2026-03-20',
      '2026-03-21: staff late 2026-03-20',
      '2026-03-23: manager team-late Name of staff',
      '2026-03-27: staff late 2026-03-20',
    ])
    const { reminders } = await lead.json('get', `/api/people/${company.people.staff}/items/${guide.id}/reasons`)
    expect(reminders.map(({ to, stage }: any) => [to.name, stage])).toEqual([
      ['Name of staff', 7],
      ['Name of manager', 3],
      ['Name of staff', 1],
      ['Name of staff', -3],
    ])
  })
  it('come as the company says, and earlier where somebody wishes it', async () => {
    const company_ = { reminders: { before: [], after: [2], managerAfter: null }, mail: { quietFrom: 18, quietUntil: 7, least: [] } }
    await lead.json('put', '/api/reminders', company_, 204)
    await staff.json('put', '/api/my-reminders', { before: 6 }, 204)
    expect(await staff.json('get', '/api/my-reminders')).toEqual({ ...company_, before: 6 })
    await given('Rinse')
    expect(await sentThrough(30)).toEqual(['2026-03-14: staff due-soon 2026-03-20', '2026-03-22: staff late 2026-03-20'])
    await staff.json('put', '/api/my-reminders', { before: null }, 204)
    await staff.json('put', '/api/reminders', company_, 403)
    await lead.json('put', '/api/reminders', { ...company_, reminders: { before: [0], after: [], managerAfter: null } }, 422)
  })
  it('are not for what is done, waived, archived, or given to somebody who is away', async () => {
    const [done, waived, archived] = [await given('Done'), await given('Waived'), await given('Archived')]
    const base = { item: { kind: 'guide', id: done.id }, edition: 1, way: 'read', occurredAt: START }
    const steps = done.steps.map((part) => ({ ...base, id: uuidV7(), verb: 'step-viewed', part }))
    await staff.json('post', '/api/events', { sentAt: START, events: [...steps, { ...base, id: uuidV7(), verb: 'finished' }] })
    await lead.json('post', `/api/items/${waived.id}/assignments`, {
      people: [company.people.staff],
      handling: { what: 'waive', why: 'Not now' },
    })
    await lead.json('patch', `/api/guides/${archived.id}`, { archived: true }, 204)
    expect(await sentThrough(40)).toEqual([])
    server.clock.now = START
    await given('Away')
    const away = (absences: object[]) => staff.json('put', `/api/directory/${company.people.staff}/absences`, { absences }, 204)
    // The due day waits until Wednesday 1 April, and so do the reminders.
    await away([{ from: '2026-03-13', until: '2026-03-24' }])
    expect(await sentThrough(40)).toEqual([
      '2026-03-29: staff due-soon 2026-04-01',
      '2026-04-02: staff late 2026-04-01',
      '2026-04-04: manager team-late Name of staff',
      '2026-04-08: staff late 2026-04-01',
    ])
    await away([])
  })
  it('wait through the quiet hours, and are sent once by two servers at the same moment', async () => {
    await given('Rinse')
    const at = (time: string) => Date.parse(`2026-03-17T${time}:00Z`)
    expect(await remind(server.parts, at('06:30'))).toBe(0)
    const sent = await Promise.all([1, 2, 3].map(() => remind(server.parts, at('07:30'))))
    expect(sent.reduce((sum, each) => sum + each, 0)).toBe(1)
    expect(await kindsOf(staff)).toEqual(['due-soon 2026-03-20'])
  })
})

it('sends what was not sent when a server was stopped in the middle', async () => {
  await given('Rinse')
  const now = Date.parse('2026-03-17T09:00:00Z')
  const stopped = {
    ...server.parts,
    newId: (() => {
      throw new Error('stopped')
    }) as never,
  }
  await expect(remind(stopped, now)).rejects.toThrow('stopped')
  expect(await kindsOf(staff)).toEqual([])
  expect(await remind(server.parts, now)).toBe(1)
  expect(await remind(server.parts, now)).toBe(0)
  expect(await kindsOf(staff)).toEqual(['due-soon 2026-03-20'])
})

describe('the mail of the day', () => {
  it('leaves once, also when several jobs want to send it at the same moment', async () => {
    await given('Rinse')
    const now = Date.parse('2026-03-17T09:00:00Z')
    await remind(server.parts, now)
    const { database } = server.parts
    const running = { now, progress: async () => undefined, finish: <T>(effect: (tx: Db) => Promise<T>) => database.transaction(effect) }
    await Promise.all([1, 2, 3, 4].map(() => sendMail(server.parts, { personId: company.people.staff }, running)))
    expect(server.mails).toHaveLength(1)
    // One that could not be handed over is sent by the next try, under the same id.
    await database.rows('truncate day_mail')
    await database.rows('update inbox_entry set mailed_at = null')
    const failing = { ...server.parts, mail: () => Promise.reject(new Error('no answer')) }
    await expect(sendMail(failing, { personId: company.people.staff }, running)).rejects.toThrow('no answer')
    await sendMail(server.parts, { personId: company.people.staff }, running)
    expect(server.mails.map(({ id }) => id)).toEqual([server.mails[0]!.id, server.mails[0]!.id])
  })
  const through = async (from: number, until: number) => {
    for (let at = from; at <= until; at += 3_600_000) {
      server.clock.now = at
      await remind(server.parts, at)
      await gatherMails(server.parts, at)
      await server.runner.drain()
    }
  }
  it('holds all that somebody is told, and leaves once a day, outside of the quiet hours', async () => {
    await given('Rinse')
    await given('Fill')
    await through(Date.parse('2026-03-16T20:00:00Z'), Date.parse('2026-03-18T20:00:00Z'))
    expect(server.mails.map(({ to, subject, id }) => [to.address, subject, id])).toEqual([
      ['staff@example.org', '2 things for you in Jackdaw', `${company.people.staff}.2026-03-17`],
    ])
    const [mail] = server.mails
    expect(mail!.text).toContain('– “Rinse the trays” is due on Friday 20 March\n  It is still to be done by you.')
    expect(mail!.html.match(/is due on/g)).toHaveLength(2)
    const { sent } = await staff.json('get', '/api/mail-choice')
    expect(sent).toMatchObject([{ day: '2026-03-17', entries: 2 }])
    // What comes in later that day waits for the next.
    await through(Date.parse('2026-03-20T20:00:00Z'), Date.parse('2026-03-24T20:00:00Z'))
    expect(server.mails.map(({ to, id }) => `${to.address} ${id.slice(-10)}`)).toEqual([
      'staff@example.org 2026-03-17',
      'staff@example.org 2026-03-21',
      'manager@example.org 2026-03-23',
    ])
  })
  it('comes with what the company asks for, whatever somebody has switched off', async () => {
    await staff.json('patch', '/api/mail-choice', { kinds: { late: false, 'due-soon': false } }, 204)
    const { kinds, least } = await staff.json('get', '/api/mail-choice')
    expect([kinds.late, kinds['due-soon'], least]).toEqual([true, false, ['late']])
    await given('Rinse')
    await through(Date.parse('2026-03-17T06:00:00Z'), Date.parse('2026-03-21T12:00:00Z'))
    expect(server.mails.map(({ subject }) => subject)).toEqual(['“Rinse the trays” was due on Friday 20 March'])
  })
  it('says nothing of what was done meanwhile, and ends from its link', async () => {
    const [done, other] = [await given('Done'), await given('Other'), await given('Third')]
    server.clock.now = Date.parse('2026-03-17T09:00:00Z')
    await remind(server.parts, server.clock.now)
    const base = { item: { kind: 'guide', id: done.id }, edition: 1, way: 'read', occurredAt: server.clock.now }
    const steps = done.steps.map((part) => ({ ...base, id: uuidV7(), verb: 'step-viewed', part }))
    await staff.json('post', '/api/events', { sentAt: server.clock.now, events: [...steps, { ...base, id: uuidV7(), verb: 'finished' }] })
    await server.runner.drain()
    expect(server.mails).toMatchObject([{ subject: '2 things for you in Jackdaw' }])
    expect(server.mails[0]!.text).toContain(other.id)
    expect(server.mails[0]!.text).not.toContain(done.id)
    const token = server.mails[0]!.stopUrl!.split('#')[1]!
    expect(await staff.json('post', '/api/mail-stops', { token })).toEqual({ kind: 'all' })
    const { kinds } = await staff.json('get', '/api/mail-choice')
    expect(Object.entries(kinds).flatMap(([kind, on]) => (on ? [kind] : []))).toEqual(['late'])
  })
})
