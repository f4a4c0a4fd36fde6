import { taskItem } from '@jackdaw/core/items'
import { ticked } from '@jackdaw/core/audiences'
import type { TaskId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { recount } from '../events'
import { remind } from '../assignments/remind'
import { aPlan, aTask, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../testing/testServer'
import { dropUnusedPhotos } from './dropUnusedPhotos'

let server: TestServer
let company: Company
let staff: Client
let manager: Client
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  staff = await company.as('staff')
  manager = await company.as('manager')
  lead = await company.as('lead')
})
afterAll(() => server.close())

const DAY_MS = 86_400_000
const nothing = { edition: 1, words: '', photo: null }
const state = async (task: TaskId) => (await staff.json('get', `/api/tasks/${task}`)).state
const waiting = async (client: Client) =>
  (await client.json('get', '/api/to-confirm')).rows.map((row: { task: { id: string } }) => row.task.id)
/** The newest entry of a kind in somebody's inbox. */
const entry = async (client: Client, kind: string) =>
  (await client.json('get', '/api/inbox')).rows.find((row: { kind: string }) => row.kind === kind)
const aPhoto = () =>
  sharp({ create: { width: 8, height: 8, channels: 3, background: '#245834' } })
    .png()
    .toBuffer()
const progress = () => server.parts.database.rows('select * from item_progress order by 1, 2, 3')

describe('a task', () => {
  it('is handed in, sent back with a reason, handed in once more and confirmed by whoever they report to', async () => {
    const task = await aTask(server, company, 'author', { document: { title: 'Show the wash-down', evidence: 'words' } })
    expect((await staff.json('get', '/api/today')).waiting).toMatchObject([
      { item: taskItem(task), state: 'not-started', minutes: 10, parts: 0 },
    ])
    const refused = await staff.send('post', `/api/tasks/${task}/hand-ins`, nothing)
    expect([refused.status, await refused.json()]).toMatchObject([422, { errors: [{ pointer: 'body/words' }] }])
    const { id, asked } = await staff.json('post', `/api/tasks/${task}/hand-ins`, { ...nothing, words: ' Rinsed twice ' })
    expect(asked).toEqual([{ id: company.people.manager, name: 'Name of manager' }])
    expect(await state(task)).toBe('waiting')
    expect((await staff.send('post', `/api/tasks/${task}/hand-ins`, { ...nothing, words: 'Again' })).status).toBe(409)
    expect((await manager.json('get', '/api/to-confirm')).rows).toMatchObject([
      {
        id,
        task: { title: 'Show the wash-down' },
        person: { name: 'Name of staff' },
        words: 'Rinsed twice',
        hasPhoto: false,
        dueOn: '2026-03-24',
      },
    ])
    expect(await entry(manager, 'to-confirm')).toMatchObject({ kind: 'to-confirm', open: true, data: { names: 'Name of staff', count: 1 } })
    await manager.json('post', `/api/hand-ins/${id}/answer`, { answer: 'sent-back', reason: 'The drain is still full' }, 204)
    expect(await state(task)).toBe('in-progress')
    expect(await entry(staff, 'sent-back')).toMatchObject({
      kind: 'sent-back',
      data: { by: 'Name of manager', reason: 'The drain is still full' },
    })
    expect(await entry(manager, 'to-confirm')).toMatchObject({ kind: 'to-confirm', open: false })
    server.clock.now += 60_000
    const again = await staff.json('post', `/api/tasks/${task}/hand-ins`, { ...nothing, words: 'Drained' })
    await manager.json('post', `/api/hand-ins/${again.id}/answer`, { answer: 'confirmed' }, 204)
    expect(await state(task)).toBe('done')
    expect((await manager.send('post', `/api/hand-ins/${again.id}/answer`, { answer: 'confirmed' })).status).toBe(409)
    const { rows, counts } = await lead.json('get', `/api/items/${task}/who-finished`)
    expect([rows[0], counts]).toMatchObject([
      { state: 'done', finishedAttested: true, finishedEdition: 1 },
      { people: 1, done: 1, claimed: 0 },
    ])
    const events = await server.parts.database.rows(
      'select verb, way, actor_id, subject_id, attested, data from event where item_id = $1 order by occurred_at',
      [task],
    )
    expect(events).toMatchObject([
      { verb: 'handed-in', way: null, actor_id: company.people.staff, attested: true },
      {
        verb: 'sent-back',
        actor_id: company.people.manager,
        subject_id: company.people.staff,
        data: { reason: 'The drain is still full' },
      },
      { verb: 'handed-in' },
      { verb: 'confirmed', actor_id: company.people.manager, subject_id: company.people.staff },
    ])
    const before = await progress()
    await recount(server.parts.database, server.parts.events)
    expect(await progress()).toEqual(before)
  })
  it('is never confirmed by whoever did it, and not by a colleague; one takes it back oneself', async () => {
    const task = await aTask(server, company, 'author')
    const { id } = await staff.json('post', `/api/tasks/${task}/hand-ins`, nothing)
    expect((await staff.send('post', `/api/hand-ins/${id}/answer`, { answer: 'confirmed' })).status).toBe(403)
    expect((await (await company.as('outsider')).send('post', `/api/hand-ins/${id}/answer`, { answer: 'confirmed' })).status).toBe(404)
    await staff.json('post', `/api/hand-ins/${id}/take-back`, undefined, 204)
    expect([await state(task), await waiting(manager)]).toEqual(['in-progress', []])
    expect((await manager.send('post', `/api/hand-ins/${id}/answer`, { answer: 'confirmed' })).status).toBe(409)
    const own = await lead.json('post', `/api/tasks/${task}/hand-ins`, nothing)
    const refused = await lead.send('post', `/api/hand-ins/${own.id}/answer`, { answer: 'confirmed' })
    expect([refused.status, await refused.json()]).toMatchObject([403, { code: 'not-allowed' }])
  })
  it('of two who confirm at once only one does', async () => {
    const task = await aTask(server, company, 'author')
    const { id } = await staff.json('post', `/api/tasks/${task}/hand-ins`, nothing)
    const answers = await Promise.all(
      [manager, lead, manager].map((each) => each.send('post', `/api/hand-ins/${id}/answer`, { answer: 'confirmed' })),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([204, 409, 409])
    expect(await server.parts.database.rows("select 1 from event where item_id = $1 and verb = 'confirmed'", [task])).toHaveLength(1)
  })
  it('asks somebody else when whoever was asked goes away', async () => {
    const task = await aTask(server, company, 'author')
    await staff.json('post', `/api/tasks/${task}/hand-ins`, nothing)
    expect(await waiting(manager)).toContain(task)
    await lead.json('patch', `/api/directory/${company.people.manager}`, { managerId: company.people.outsider }, 204)
    const absences = [{ from: '2026-03-10', until: '2026-03-12' }]
    await lead.json('put', `/api/directory/${company.people.manager}/absences`, { absences }, 204)
    expect([await waiting(manager), await waiting(await company.as('outsider'))]).toEqual([[], [task]])
    await lead.json('put', `/api/directory/${company.people.manager}/absences`, { absences: [] }, 204)
    expect([await waiting(manager), await waiting(await company.as('outsider'))]).toEqual([[task], []])
  })
  it('asks those who have a role, and the leads where nobody has it', async () => {
    const document = { confirmer: { by: 'role', roleId: company.role } } as const
    const task = await aTask(server, company, 'author', { document })
    const { asked } = await staff.json('post', `/api/tasks/${task}/hand-ins`, nothing)
    expect(asked.map(({ id }: { id: string }) => id)).toContain(company.people.lead)
    const groups = [company.site, company.department, company.role]
    await server.services.changePerson(company.people.otherAuthor, { groups }, server.clock.now)
    expect(await waiting(await company.as('otherAuthor'))).toEqual([task])
    expect(await waiting(lead)).not.toContain(task)
  })
  it('asks the mentor in the plan in which it stands, and another one as soon as there is one', async () => {
    const task = await aTask(server, company, 'author', { document: { confirmer: { by: 'mentor' } } })
    const plan = await aPlan(server, company, [{ tasks: [[task, 1]] }])
    const { staff: person, otherAuthor, outsider } = company.people
    await lead.json('post', `/api/plans/${plan}/people`, { people: [person], startOn: '2026-03-10', mentorId: otherAuthor })
    const { asked } = await staff.json('post', `/api/tasks/${task}/hand-ins`, nothing)
    expect(asked).toEqual([{ id: otherAuthor, name: 'Name of otherAuthor' }])
    const [{ id }] = (await lead.json('get', `/api/plans/${plan}/people`)).rows
    await lead.json('patch', `/api/plans/${plan}/people/${id}`, { what: 'mentor', mentorId: outsider }, 204)
    expect(await waiting(await company.as('outsider'))).toContain(task)
    await server.services.changePerson(outsider, { active: false }, server.clock.now)
    expect((await lead.json('get', `/api/plans/${plan}/people`)).rows[0].mentor).toBe(null)
    expect(await waiting(manager)).toContain(task)
    await server.services.changePerson(outsider, { active: true }, server.clock.now)
  })
  it('takes a photo of its own that was just sent, and shows it to whoever confirms', async () => {
    const task = await aTask(server, company, 'author', { document: { evidence: 'photo' } })
    const png = await aPhoto()
    const sent = async (client: Client) =>
      (await client.send('post', `/api/tasks/${task}/photos`, new Uint8Array(png), { 'content-type': 'image/png' })).json() as Promise<{
        id: string
      }>
    const others = await sent(lead)
    for (const photo of [null, others.id, nanoid()])
      expect((await staff.send('post', `/api/tasks/${task}/hand-ins`, { ...nothing, photo })).status).toBe(422)
    const { id: photo } = await sent(staff)
    const { id } = await staff.json('post', `/api/tasks/${task}/hand-ins`, { ...nothing, photo })
    const statuses = async (path: string) =>
      Promise.all(
        [staff, manager, await company.as('otherAuthor'), await company.as('author')].map(
          async (each) => (await each.send('get', path)).status,
        ),
      )
    expect(await statuses(`/hand-ins/${id}/photo`)).toEqual([200, 200, 404, 404])
    // The author of the task sees its own pictures only.
    expect(await statuses(`/tasks/${task}/draft/pictures/${photo}`)).toEqual([403, 403, 404, 404])
    expect(await dropUnusedPhotos(server.parts.database, server.clock.now + 31 * DAY_MS)).toBe(1)
    expect(await statuses(`/hand-ins/${id}/photo`)).toEqual([200, 200, 404, 404])
  })
  it('is done once more by those who were done when a new edition says so, and not handed in for an old one', async () => {
    const task = await aTask(server, company, 'author')
    const { id } = await staff.json('post', `/api/tasks/${task}/hand-ins`, nothing)
    await manager.json('post', `/api/hand-ins/${id}/answer`, { answer: 'confirmed' }, 204)
    const author = await company.as('author')
    const draft = await author.json('get', `/api/tasks/${task}/draft`)
    expect(draft).toMatchObject({ edition: 1, changed: false, mayPublish: false })
    const document = { ...draft.document, words: 'And back again.' }
    expect(await author.json('put', `/api/tasks/${task}/draft`, { revision: draft.revision, document })).toEqual({ revision: 2 })
    expect((await author.send('put', `/api/tasks/${task}/draft`, { revision: draft.revision, document })).status).toBe(409)
    expect((await staff.json('get', `/api/tasks/${task}`)).document.words).toBe('With somebody who knows it.')
    await lead.json('post', `/api/tasks/${task}/editions`, { revision: 2, changeNote: '', again: true })
    expect(await state(task)).toBe('out-of-date')
    expect((await staff.send('post', `/api/tasks/${task}/hand-ins`, nothing)).status).toBe(412)
    await staff.json('post', `/api/tasks/${task}/hand-ins`, { ...nothing, edition: 2 })
    expect(await state(task)).toBe('waiting')
  })
  it('is not reminded of while somebody else has to act', async () => {
    const [waits, open] = [await aTask(server, company, 'author'), await aTask(server, company, 'author')]
    await staff.json('post', `/api/tasks/${waits}/hand-ins`, nothing)
    await remind(server.parts, START + 14 * DAY_MS)
    const told = (await staff.json('get', '/api/inbox')).rows.filter((row: { kind: string }) => row.kind === 'due-soon')
    const items = told.map((row: { about: { id: string } }) => row.about.id)
    expect([items.includes(waits), items.includes(open)]).toEqual([false, true])
  })
  it('in the archive is neither handed in nor published', async () => {
    const task = await aTask(server, company, 'author')
    await lead.json('put', `/api/tasks/${task}/archived`, { archived: true }, 204)
    expect((await lead.send('post', `/api/tasks/${task}/hand-ins`, nothing)).status).toBe(409)
    expect((await lead.send('post', `/api/tasks/${task}/editions`, { revision: 1, changeNote: '', again: false })).status).toBe(409)
    expect((await staff.send('get', `/api/tasks/${task}`)).status).toBe(404)
    expect((await lead.json('get', '/api/tasks?archived=yes')).map((row: { id: string }) => row.id)).toEqual([task])
  })
  it('is refused with a role that is none, and with a picture of another task', async () => {
    const task = await aTask(server, company, 'author', { published: false })
    const { document } = await lead.json('get', `/api/tasks/${task}/draft`)
    for (const wrong of [{ confirmer: { by: 'role', roleId: company.team } }, { picture: { id: nanoid(), alt: '' } }])
      expect((await lead.send('put', `/api/tasks/${task}/draft`, { revision: 1, document: { ...document, ...wrong } })).status).toBe(422)
    expect((await staff.send('get', `/api/tasks/${task}`)).status).toBe(404)
    expect(
      (
        await lead.send('post', `/api/items/${task}/givings`, {
          audience: ticked([company.team], []),
          use: 'to-do',
          due: { kind: 'none' },
          repeatMonths: null,
          tell: false,
        })
      ).status,
    ).toBe(409)
  })
})
