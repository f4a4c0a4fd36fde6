import { NOBODY } from '@jackdaw/core/audiences'
import type { PersonId, PlanId, TaskId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  aGuide,
  aPlan,
  aTask,
  Client,
  smallCompany,
  startTestServer,
  START,
  type Company,
  type TestServer,
  type Who,
} from '../testing/testServer'
import { readPicture, storeContent } from '../files'
import { aCheckInOf } from '../testing/hostile/madeForPeople'
import { aQuizTaken, type QuizThings } from '../testing/hostile/quizThings'
import { exchangeRows, type RouteRow } from '../testing/exchangeRows'
import { engagementRows } from '../testing/engagementRows'
import { sharingRows } from '../testing/sharingRows'
import { AS_BYTES, GIVING, LIST, PLAN, REMINDERS, SET_UP, TASK, TUS } from '../testing/routeBodies'

let server: TestServer
let company: Company
let guide = { id: '', steps: [] as string[] }
let taskId: TaskId
let planId: PlanId
let checkInId = ''
let quiz: QuizThings
let png: Buffer
let pictureId = ''
let folderId = ''
let audienceId = ''
const handId = nanoid<PersonId>()
const clients = new Map<string, Client>()

beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  guide = await aGuide(server, company, 'author')
  taskId = await aTask(server, company, 'author')
  planId = await aPlan(server, company, [{ tasks: [[taskId, 1]] }])
  checkInId = await aCheckInOf(server, company, company.people.staff)
  png = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#245834' } })
    .png()
    .toBuffer()
  const stored = await storeContent(server.parts.content, await readPicture(server.parts.decoder, png))
  quiz = await aQuizTaken(server, company, { owner: 'author', by: company.people.staff, ended: true, stored })
  pictureId = nanoid()
  folderId = nanoid()
  audienceId = nanoid()
  await server.services.addPeople(
    [
      {
        id: handId,
        name: 'Hand',
        mail: 'hand@example.org',
        level: 'staff',
        siteId: company.site,
        groups: [],
        managerId: company.people.manager,
      },
    ],
    'a long enough password',
    START,
  )
  await server.services.saveAudience(audienceId as never, { name: 'All', about: '', rule: NOBODY }, company.people.lead, START)
  await server.services.addFolder({ id: folderId as never, name: 'Packhouse', parentId: null, now: START })
  await server.services.addPicture({
    id: pictureId as never,
    guideId: guide.id as never,
    bytes: png,
    by: company.people.author,
    now: START,
  })
  clients.set('nobody', new Client(server.address))
  for (const who of COLUMNS.slice(1)) clients.set(who, await company.as(who as Who))
})
afterAll(() => server.close())

const COLUMNS = ['nobody', 'outsider', 'staff', 'manager', 'otherAuthor', 'author', 'lead', 'admin'] as const
const event = () => ({
  sentAt: START,
  events: [{ id: uuidV7(), item: { kind: 'guide', id: guide.id }, edition: 1, way: 'read', verb: 'opened', occurredAt: START }],
})

/** What the team's one has just handed in of a task of the author's. */
const handedIn = async (): Promise<string> =>
  server.services.handIn(await aTask(server, company, 'author'), 1, { words: '', photo: null }, company.people.staff, START)

/** Somebody who could be added. */
const somebody = () => ({
  ...{
    name: 'Ola',
    mail: null,
    number: null,
    jobTitle: '',
    telephone: '',
    startedOn: null,
    siteId: company.site,
    managerId: null,
    groups: [],
    level: 'staff',
  },
})

/** Every route, and what each caller gets: someone not signed in, staff who have not been given the guide, staff who have, the
 * manager of those, an author of something else, the author of the guide, a lead, an admin. */
// prettier-ignore
const TABLE: RouteRow[] = [
  ...exchangeRows(() => ({ server, company, guideId: guide.id })),
  ...sharingRows(() => ({ server, company, guideId: guide.id })),
  ...engagementRows(() => ({ server, company, guideId: guide.id, stepId: guide.steps[0]! })),
  ['get /healthz', (c) => c.send('get', '/healthz'), [200, 200, 200, 200, 200, 200, 200, 200]],
  ['get /readyz', (c) => c.send('get', '/readyz'), [200, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/session', (c) => c.send('get', '/api/session'), [200, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/session', (c) => new Client(c.address).send('post', '/api/session', { account: '', password: '' }), [422, 422, 422, 422, 422, 422, 422, 422]],
  ['delete /api/session', async (c, who) => (who === 'nobody' ? c : await company.as(who as Who)).send('delete', '/api/session'), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['patch /api/session', (c) => c.send('patch', '/api/session', { language: 'en' }), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['get /api/people', (c) => c.send('get', '/api/people'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['get /api/groups', (c) => c.send('get', '/api/groups'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['post /api/my-password', (c) => c.send('post', '/api/my-password', { current: 'no', next: 'short' }), [401, 422, 422, 422, 422, 422, 422, 422]],
  ['post /api/password-links/look', (c) => c.send('post', '/api/password-links/look', { kind: 'invitation', token: 'none' }), [410, 410, 410, 410, 410, 410, 410, 410]],
  ['post /api/password-links', (c) => c.send('post', '/api/password-links', { kind: 'invitation', token: 'none', password: 'long enough for all' }), [410, 410, 410, 410, 410, 410, 410, 410]],
  ['post /api/forgotten-passwords', (c, who) => c.send('post', '/api/forgotten-passwords', { account: `${who}@nowhere.example` }), [204, 204, 204, 204, 204, 204, 204, 204]],
  ['get /api/my-sessions', (c) => c.send('get', '/api/my-sessions'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/my-sessions/end', (c) => c.send('post', '/api/my-sessions/end', { id: 'none' }), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/directory/:id/invitation', (c) => c.send('get', `/api/directory/${company.people.staff}/invitation`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['put /api/directory/:id/invitation', (c) => c.send('put', `/api/directory/${company.people.staff}/invitation`, { when: 'not-yet' }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['delete /api/directory/:id/invitation', (c) => c.send('delete', `/api/directory/${company.people.staff}/invitation`), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['get /api/rights-changes', (c) => c.send('get', '/api/rights-changes'), [401, 403, 403, 403, 403, 403, 403, 200]],
  ['get /api/directory', (c) => c.send('get', '/api/directory'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/directory/:id', (c) => c.send('get', `/api/directory/${company.people.staff}`), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/directory', (c) => c.send('post', '/api/directory', somebody()), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['patch /api/directory/:id', (c) => c.send('patch', `/api/directory/${company.people.staff}`, { jobTitle: 'Packer' }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['post /api/directory/:id/leaving', (c) => c.send('post', `/api/directory/${company.people.staff}/leaving`, { reportsTo: nanoid(3) }), [401, 403, 403, 403, 403, 403, 422, 422]],
  ['post /api/directory/:id/return', (c) => c.send('post', `/api/directory/${company.people.staff}/return`, { siteId: 'x', groups: [], managerId: null }), [401, 403, 403, 403, 403, 403, 422, 422]],
  ['get /api/directory/:id/holdings', (c) => c.send('get', `/api/directory/${company.people.staff}/holdings`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['put /api/directory/:id/absences', (c) => c.send('put', `/api/directory/${company.people.staff}/absences`, { absences: [] }), [401, 403, 204, 204, 403, 403, 204, 204]],
  ['patch /api/my-facts', (c) => c.send('patch', '/api/my-facts', { telephone: '01632 960000' }), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['put /api/my-facts/face', (c) => c.send('put', '/api/my-facts/face', new Uint8Array(png), { 'content-type': 'image/png' }), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['delete /api/my-facts/face', (c) => c.send('delete', '/api/my-facts/face'), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['get /people/:id/face', (c) => c.send('get', `/people/${company.people.staff}/face`), [401, 404, 404, 404, 404, 404, 404, 404]],
  ['post /api/people-files/preview', (c) => c.send('post', `/api/people-files/preview?site=${company.site}`, LIST, AS_BYTES), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/people-files/faults.csv', (c) => c.send('post', `/api/people-files/faults.csv?site=${company.site}`, LIST, AS_BYTES), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/people-files', (c) => c.send('post', `/api/people-files?site=${company.site}&seen=no&invite=not-yet`, LIST, AS_BYTES), [401, 403, 403, 403, 403, 403, 409, 409]],
  ['get /api/people/:id/today', (c) => c.send('get', `/api/people/${company.people.staff}/today`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/people/:id/guides', (c) => c.send('get', `/api/people/${company.people.staff}/guides`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/people/:id/folders', (c) => c.send('get', `/api/people/${company.people.staff}/folders`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/org-chart.pdf', (c) => c.send('post', '/api/org-chart.pdf', { open: [] }), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/set-up/look', (c) => c.send('post', '/api/set-up/look', { token: 'none' }), [410, 410, 410, 410, 410, 410, 410, 410]],
  ['post /api/set-up', (c) => c.send('post', '/api/set-up', SET_UP), [410, 410, 410, 410, 410, 410, 410, 410]],
  ['get /api/first-steps', (c) => c.send('get', '/api/first-steps'), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/line-of-work', (c) => c.send('get', '/api/line-of-work'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/suggested-duties', (c) => c.send('post', '/api/suggested-duties', { lineOfWork: 'office', role: 'Front desk', duty: null }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/directory-settings', (c) => c.send('get', '/api/directory-settings'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['put /api/directory-settings', (c) => c.send('put', '/api/directory-settings', { mail: true, telephone: true }), [401, 403, 403, 403, 403, 403, 403, 204]],
  ['get /api/org-chart', (c) => c.send('get', '/api/org-chart'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/group-kinds', (c) => c.send('get', '/api/group-kinds'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/group-kinds', (c) => c.send('post', '/api/group-kinds', { name: nanoid() }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/group-list', (c) => c.send('get', '/api/group-list'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/groups/:groupId', (c) => c.send('get', `/api/groups/${company.team}`), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/groups/:groupId/calendar', (c) => c.send('get', `/api/groups/${company.site}/calendar`), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['put /api/groups/:groupId/calendar', (c) => c.send('put', `/api/groups/${company.site}/calendar`, { daysOff: [6, 7], holidays: [] }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['post /api/calendar-files', (c) => c.send('post', '/api/calendar-files', new TextEncoder().encode('none'), AS_BYTES), [401, 403, 403, 403, 403, 403, 422, 422]],
  ['get /api/groups/:groupId/given', (c) => c.send('get', `/api/groups/${company.team}/given`), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/groups', (c) => c.send('post', '/api/groups', { kind: 'team', name: nanoid(), about: '', zone: null, leaderId: null }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['put /api/groups/:groupId', (c) => c.send('put', `/api/groups/${company.team}`, { name: 'Crate line A', about: '', zone: null, leaderId: null }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['post /api/groups/:groupId/members', (c) => c.send('post', `/api/groups/${company.team}/members`, { join: [], leave: [] }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['post /api/groups/:groupId/closing', (c) => c.send('post', `/api/groups/${company.site}/closing`, { moveTo: null }), [401, 403, 403, 403, 403, 403, 409, 409]],
  ['put /api/groups/:groupId/duties', (c) => c.send('put', `/api/groups/${company.role}/duties`, { duties: [] }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['get /api/audiences', (c) => c.send('get', '/api/audiences'), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/audiences/:audienceId', (c) => c.send('get', `/api/audiences/${audienceId}`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/audiences', (c) => c.send('post', '/api/audiences', { name: nanoid(), about: '', rule: NOBODY }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['put /api/audiences/:audienceId', (c) => c.send('put', `/api/audiences/${audienceId}`, { name: 'New', about: '', rule: NOBODY }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['delete /api/audiences/:audienceId', (c) => c.send('delete', `/api/audiences/${nanoid()}`), [401, 403, 403, 403, 403, 403, 404, 404]],
  ['post /api/audiences/people', (c) => c.send('post', '/api/audiences/people', { audience: NOBODY }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/audiences/explanation', (c) => c.send('post', '/api/audiences/explanation', { audience: NOBODY, personId: company.people.staff }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/audiences/sentence', (c) => c.send('post', '/api/audiences/sentence', { sentence: 'Nobody. Follows changes.' }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/folders', (c) => c.send('get', '/api/folders'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/folders', (c) => c.send('post', '/api/folders', { name: 'Crates', parentId: null }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['patch /api/folders/:folderId', (c) => c.send('patch', `/api/folders/${folderId}`, { name: 'Packing' }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['get /api/library/quizzes', (c) => c.send('get', '/api/library/quizzes'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/guides', (c) => c.send('get', '/api/guides'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/suggestions', (c) => c.send('get', '/api/suggestions?find=a'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['post /api/guides/:id/copies', (c) => c.send('post', `/api/guides/${guide.id}/copies`, { title: 'Copy', folderId: null }), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['post /api/guides', (c) => c.send('post', '/api/guides', { title: 'New', kind: 'how-to', folderId: null }), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['patch /api/guides/:id', (c) => c.send('patch', `/api/guides/${guide.id}`, { folderId: null }), [401, 404, 403, 403, 404, 204, 204, 204]],
  ['get /api/guides/:id/draft', (c) => c.send('get', `/api/guides/${guide.id}/draft`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['post /api/guides/:id/draft/changes', (c) => c.send('post', `/api/guides/${guide.id}/draft/changes`, { baseRevision: 0, changeSetId: nanoid(), changes: [] }), [401, 404, 403, 403, 404, 422, 422, 422]],
  ['get /api/guides/:id/draft/changes', (c) => c.send('get', `/api/guides/${guide.id}/draft/changes?since=0`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /api/items/:id/records/over-time', (c) => c.send('get', `/api/items/${guide.id}/records/over-time`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/records/waiting', (c) => c.send('get', '/api/records/waiting'), [401, 403, 403, 200, 403, 403, 200, 200]],
  ['get /api/inbox', (c) => c.send('get', '/api/inbox'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/inbox/counts', (c) => c.send('get', '/api/inbox/counts'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['patch /api/inbox/:entryId', (c) => c.send('patch', `/api/inbox/${nanoid()}`, { read: true }), [401, 404, 404, 404, 404, 404, 404, 404]],
  ['post /api/inbox/read', (c) => c.send('post', '/api/inbox/read', { until: START }), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['get /api/mail-choice', (c) => c.send('get', '/api/mail-choice'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['patch /api/mail-choice', (c) => c.send('patch', '/api/mail-choice', { kinds: { imported: true } }), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['post /api/mail-stops', (c) => c.send('post', '/api/mail-stops', { token: 'none' }), [410, 410, 410, 410, 410, 410, 410, 410]],
  ['get /api/jobs', (c) => c.send('get', '/api/jobs'), [401, 403, 403, 403, 403, 403, 403, 200]],
  ['post /api/jobs', (c) => c.send('post', '/api/jobs', { name: 'send-mail' }), [401, 403, 403, 403, 403, 403, 403, 422]],
  ['post /api/jobs/:jobId/retry', (c) => c.send('post', `/api/jobs/${uuidV7()}/retry`), [401, 403, 403, 403, 403, 403, 403, 404]],
  ['post /api/guides/:id/draft/clashes/settle', (c) => c.send('post', `/api/guides/${guide.id}/draft/clashes/settle`, { target: 'title' }), [401, 404, 403, 403, 404, 204, 204, 204]],
  ['post /api/guides/:id/pictures', (c) => c.send('post', `/api/guides/${guide.id}/pictures`, new Uint8Array(png), { 'content-type': 'image/png' }), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /api/guides/:id/picture-sizes', (c) => c.send('get', `/api/guides/${guide.id}/picture-sizes`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['post /api/guides/:id/adopted-pictures', (c) => c.send('post', `/api/guides/${guide.id}/adopted-pictures`, { from: guide.id, pictures: [] }), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /api/guides/:id/pictures/:pictureId/private', (c) => c.send('get', `/api/guides/${guide.id}/pictures/${pictureId}/private`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['post /api/guides/:id/blackout-reach', (c) => c.send('post', `/api/guides/${guide.id}/blackout-reach`, { places: [] }), [401, 404, 403, 403, 404, 422, 422, 422]],
  ['post /api/guides/:id/blackouts', (c) => c.send('post', `/api/guides/${guide.id}/blackouts`, { places: [] }), [401, 404, 403, 403, 404, 422, 422, 422]],
  ['post /api/guides/:id/dead-links', (c) => c.send('post', `/api/guides/${guide.id}/dead-links`, { guides: [guide.id] }), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /api/look', (c) => c.send('get', '/api/look'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['put /api/look', (c) => c.send('put', '/api/look', { name: 'x' }), [401, 403, 403, 403, 403, 403, 422, 422]],
  ['get /guides/:id/draft/pictures/:pictureId', (c) => c.send('get', `/guides/${guide.id}/draft/pictures/${pictureId}`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /guides/:id/editions/:edition/pictures/:pictureId', (c) => c.send('get', `/guides/${guide.id}/editions/1/pictures/${pictureId}`), [401, 404, 404, 403, 404, 404, 404, 404]],
  ['post /api/imports', (c) => c.send('post', '/api/imports?name=a.md', new TextEncoder().encode('# A\n\n1. B\n'), { 'content-type': 'text/markdown' }), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['get /api/guides/:id/publication', (c) => c.send('get', `/api/guides/${guide.id}/publication`), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['post /api/items/:id/assignments/preview', (c) => c.send('post', `/api/items/${guide.id}/assignments/preview`, { people: [company.people.staff], handling: { what: 'remind' } }), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['post /api/items/:id/assignments', (c) => c.send('post', `/api/items/${guide.id}/assignments`, { people: [company.people.staff], handling: { what: 'remind' } }), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['get /api/items/:id/givings', (c) => c.send('get', `/api/items/${guide.id}/givings`), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['post /api/items/:id/givings/preview', (c) => c.send('post', `/api/items/${guide.id}/givings/preview`, { audience: NOBODY }), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['post /api/items/:id/givings', (c) => c.send('post', `/api/items/${guide.id}/givings`, { ...GIVING, audience: NOBODY }), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['put /api/items/:id/givings/:givingId', (c) => c.send('put', `/api/items/${guide.id}/givings/${nanoid()}`, { ...GIVING, dueForAll: true, audience: NOBODY }), [401, 404, 403, 403, 404, 403, 404, 404]],
  ['delete /api/items/:id/givings/:givingId', (c) => c.send('delete', `/api/items/${guide.id}/givings/${nanoid()}`), [401, 404, 403, 403, 404, 403, 404, 404]],
  ['get /api/people/:id/items/:itemId/reasons', (c) => c.send('get', `/api/people/${company.people.staff}/items/${guide.id}/reasons`), [401, 403, 200, 200, 403, 403, 200, 200]],
  ['get /api/reminders', (c) => c.send('get', '/api/reminders'), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['put /api/reminders', (c) => c.send('put', '/api/reminders', REMINDERS), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['get /api/my-reminders', (c) => c.send('get', '/api/my-reminders'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['put /api/my-reminders', (c) => c.send('put', '/api/my-reminders', { before: 5 }), [401, 204, 204, 204, 204, 204, 204, 204]],
  ['put /api/items/:id/favourite', (c) => c.send('put', `/api/items/${guide.id}/favourite`, { favourite: true }), [401, 404, 204, 403, 404, 204, 204, 204]],
  ['get /api/tasks', (c) => c.send('get', '/api/tasks'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['post /api/tasks', (c) => c.send('post', '/api/tasks', { document: TASK }), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['get /api/tasks/:id', (c) => c.send('get', `/api/tasks/${taskId}`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['get /api/tasks/:id/draft', (c) => c.send('get', `/api/tasks/${taskId}/draft`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['put /api/tasks/:id/draft', (c) => c.send('put', `/api/tasks/${taskId}/draft`, { revision: 99, document: TASK }), [401, 404, 403, 403, 404, 409, 409, 409]],
  ['post /api/tasks/:id/editions', (c) => c.send('post', `/api/tasks/${taskId}/editions`, { revision: 99, changeNote: '', again: false }), [401, 404, 403, 403, 404, 403, 409, 409]],
  ['put /api/tasks/:id/archived', (c) => c.send('put', `/api/tasks/${taskId}/archived`, { archived: false }), [401, 404, 403, 403, 404, 204, 204, 204]],
  ['post /api/tasks/:id/pictures', (c) => c.send('post', `/api/tasks/${taskId}/pictures`, new Uint8Array(png), { 'content-type': 'image/png' }), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /tasks/:id/draft/pictures/:pictureId', (c) => c.send('get', `/tasks/${taskId}/draft/pictures/${nanoid()}`), [401, 404, 403, 403, 404, 404, 404, 404]],
  ['get /tasks/:id/editions/:edition/pictures/:pictureId', (c) => c.send('get', `/tasks/${taskId}/editions/1/pictures/${nanoid()}`), [401, 404, 404, 403, 404, 404, 404, 404]],
  ['post /api/tasks/:id/photos', (c) => c.send('post', `/api/tasks/${taskId}/photos`, new Uint8Array(png), { 'content-type': 'image/png' }), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['post /api/tasks/:id/hand-ins', (c) => c.send('post', `/api/tasks/${taskId}/hand-ins`, { edition: 1, words: '', photo: null }), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['get /hand-ins/:id/photo', async (c) => c.send('get', `/hand-ins/${await handedIn()}/photo`), [401, 404, 404, 404, 404, 404, 404, 404]],
  ['post /api/hand-ins/:id/answer', async (c) => c.send('post', `/api/hand-ins/${await handedIn()}/answer`, { answer: 'confirmed' }), [401, 404, 403, 204, 404, 404, 204, 204]],
  ['post /api/hand-ins/:id/take-back', async (c) => c.send('post', `/api/hand-ins/${await handedIn()}/take-back`), [401, 404, 204, 403, 404, 404, 403, 403]],
  ['get /api/to-judge', (c) => c.send('get', '/api/to-judge'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/to-confirm', (c) => c.send('get', '/api/to-confirm'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/people/:id/hand-ins/:taskId', (c) => c.send('get', `/api/people/${company.people.staff}/hand-ins/${taskId}`), [401, 403, 200, 200, 403, 403, 200, 200]],
  ['get /api/plans', (c) => c.send('get', '/api/plans'), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/plans', (c) => c.send('post', '/api/plans', { document: PLAN }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/plans/:id', (c) => c.send('get', `/api/plans/${planId}`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['put /api/plans/:id', (c) => c.send('put', `/api/plans/${planId}`, { revision: 99, document: PLAN }), [401, 403, 403, 403, 403, 403, 409, 409]],
  ['post /api/plans/:id/editions', (c) => c.send('post', `/api/plans/${planId}/editions`, { revision: 99, forAll: false }), [401, 403, 403, 403, 403, 403, 409, 409]],
  ['post /api/plans/:id/editions/preview', (c) => c.send('post', `/api/plans/${planId}/editions/preview`, { document: PLAN }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['put /api/plans/:id/archived', (c) => c.send('put', `/api/plans/${planId}/archived`, { archived: false }), [401, 403, 403, 403, 403, 403, 204, 204]],
  ['get /api/items', (c) => c.send('get', '/api/items'), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/plan-simulations', (c) => c.send('post', '/api/plan-simulations', { document: PLAN, personId: company.people.staff, startOn: '2026-03-10' }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/plans/:id/people', (c) => c.send('post', `/api/plans/${planId}/people`, { people: [company.people.outsider], startOn: '2026-03-10', mentorId: null }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/plans/:id/givings', (c) => c.send('get', `/api/plans/${planId}/givings`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/plans/:id/givings', (c) => c.send('post', `/api/plans/${planId}/givings`, { audience: NOBODY, mentorId: null }), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['delete /api/plans/:id/givings/:planGivingId', (c) => c.send('delete', `/api/plans/${planId}/givings/${nanoid()}`), [401, 403, 403, 403, 403, 403, 404, 404]],
  ['get /api/plans/:id/people', (c) => c.send('get', `/api/plans/${planId}/people`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['patch /api/plans/:id/people/:enrolmentId', (c) => c.send('patch', `/api/plans/${planId}/people/${nanoid()}`, { what: 'go-on' }), [401, 403, 403, 403, 403, 403, 404, 404]],
  ['delete /api/plans/:id/people/:enrolmentId', (c) => c.send('delete', `/api/plans/${planId}/people/${nanoid()}`), [401, 403, 403, 403, 403, 403, 404, 404]],
  ['get /api/my-plans', (c) => c.send('get', '/api/my-plans'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/people/:id/plans', (c) => c.send('get', `/api/people/${company.people.staff}/plans`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/my-check-ins', (c) => c.send('get', '/api/my-check-ins'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/people/:id/check-ins', (c) => c.send('get', `/api/people/${company.people.staff}/check-ins`), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['get /api/check-ins/:id', (c) => c.send('get', `/api/check-ins/${checkInId}`), [401, 404, 200, 200, 404, 404, 404, 404]],
  ['put /api/check-ins/:id/answers', (c) => c.send('put', `/api/check-ins/${checkInId}/answers`, { answers: [] }), [401, 404, 422, 422, 404, 404, 404, 404]],
  ['get /api/quizzes', (c) => c.send('get', '/api/quizzes'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['post /api/quizzes', (c) => c.send('post', '/api/quizzes', {}), [401, 403, 403, 403, 422, 422, 422, 422]],
  ['get /api/quizzes/:id', (c) => c.send('get', `/api/quizzes/${quiz.quiz}`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['get /api/quizzes/:id/draft', (c) => c.send('get', `/api/quizzes/${quiz.quiz}/draft`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['put /api/quizzes/:id/draft', (c) => c.send('put', `/api/quizzes/${quiz.quiz}/draft`, {}), [401, 404, 403, 403, 404, 422, 422, 422]],
  ['post /api/quizzes/:id/editions', (c) => c.send('post', `/api/quizzes/${quiz.quiz}/editions`, { revision: 99, changeNote: '', again: false }), [401, 404, 403, 403, 404, 403, 409, 409]],
  ['put /api/quizzes/:id/archived', (c) => c.send('put', `/api/quizzes/${quiz.quiz}/archived`, { archived: false }), [401, 404, 403, 403, 404, 204, 204, 204]],
  ['post /api/quizzes/:id/pictures', (c) => c.send('post', `/api/quizzes/${quiz.quiz}/pictures`, png), [401, 404, 403, 403, 404, 415, 415, 415]],
  ['get /quizzes/:id/draft/pictures/:pictureId', (c) => c.send('get', `/quizzes/${quiz.quiz}/draft/pictures/${quiz.quizPicture}`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /quizzes/:id/editions/:edition/pictures/:pictureId', (c) => c.send('get', `/quizzes/${quiz.quiz}/editions/1/pictures/${nanoid()}`), [401, 404, 404, 403, 404, 404, 404, 404]],
  ['post /api/quizzes/:id/attempts', (c) => c.send('post', `/api/quizzes/${quiz.quiz}/attempts`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['get /api/quizzes/:id/analysis', (c) => c.send('get', `/api/quizzes/${quiz.quiz}/analysis`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /api/quizzes/:id/questions/:questionId/answers', (c) => c.send('get', `/api/quizzes/${quiz.quiz}/questions/${quiz.question}/answers`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/quizzes/:id/amendments', (c) => c.send('get', `/api/quizzes/${quiz.quiz}/amendments`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /api/quizzes/:id/questions/:questionId/amendment', (c) => c.send('get', `/api/quizzes/${quiz.quiz}/questions/${quiz.question}/amendment?how=voided`), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['post /api/quizzes/:id/questions/:questionId/amendment', (c) => c.send('post', `/api/quizzes/${quiz.quiz}/questions/${quiz.question}/amendment`, {}), [401, 404, 403, 403, 404, 403, 422, 422]],
  ['post /api/quizzes/:id/clips', (c) => c.send('post', `/api/quizzes/${quiz.quiz}/clips`, {}), [401, 404, 403, 403, 404, 422, 422, 422]],
  ['post /api/quizzes/:id/clips/:clipId/captions', (c) => c.send('post', `/api/quizzes/${quiz.quiz}/clips/${quiz.clip}/captions`, {}), [401, 404, 403, 403, 404, 422, 422, 422]],
  ['get /quizzes/:id/draft/clips/:clipId', (c) => c.send('get', `/quizzes/${quiz.quiz}/draft/clips/${quiz.clip}`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /quizzes/:id/editions/:edition/clips/:clipId', (c) => c.send('get', `/quizzes/${quiz.quiz}/editions/1/clips/${quiz.clip}`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['post /api/banks/:id/clips', (c) => c.send('post', `/api/banks/${quiz.bank}/clips`, {}), [401, 404, 404, 404, 403, 422, 422, 422]],
  ['post /api/banks/:id/clips/:clipId/captions', (c) => c.send('post', `/api/banks/${quiz.bank}/clips/${nanoid()}/captions`, {}), [401, 404, 404, 404, 403, 422, 422, 422]],
  ['get /banks/:id/clips/:clipId', (c) => c.send('get', `/banks/${quiz.bank}/clips/${nanoid()}`), [401, 404, 404, 404, 404, 404, 404, 404]],
  ['post /api/quiz-attempts/:id/clips', (c) => c.send('post', `/api/quiz-attempts/${quiz.quizAttempt}/clips`, {}), [401, 404, 422, 403, 404, 404, 403, 403]],
  ['get /quiz-attempts/:id/clips/:clipId', (c) => c.send('get', `/quiz-attempts/${quiz.quizAttempt}/clips/${quiz.clip}`), [401, 404, 200, 200, 404, 404, 200, 200]],
  ['head /api/clip-uploads/:id', (c) => c.send('head', `/api/clip-uploads/${quiz.clip}`, undefined, TUS), [401, 404, 404, 404, 404, 200, 404, 404]],
  ['patch /api/clip-uploads/:id', (c) => c.send('patch', `/api/clip-uploads/${quiz.clip}`, new Uint8Array(), TUS), [401, 404, 404, 404, 404, 409, 404, 404]],
  ['get /api/banks', (c) => c.send('get', '/api/banks'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['post /api/banks', (c) => c.send('post', '/api/banks', {}), [401, 403, 403, 403, 422, 422, 422, 422]],
  ['get /api/banks/:id', (c) => c.send('get', `/api/banks/${quiz.bank}`), [401, 404, 404, 404, 200, 200, 200, 200]],
  ['put /api/banks/:id', (c) => c.send('put', `/api/banks/${quiz.bank}`, {}), [401, 404, 404, 404, 403, 422, 422, 422]],
  ['put /api/banks/:id/archived', (c) => c.send('put', `/api/banks/${quiz.bank}/archived`, { archived: false }), [401, 404, 404, 404, 403, 204, 204, 204]],
  ['post /api/banks/:id/pictures', (c) => c.send('post', `/api/banks/${quiz.bank}/pictures`, png), [401, 404, 404, 404, 403, 415, 415, 415]],
  ['get /banks/:id/pictures/:pictureId', (c) => c.send('get', `/banks/${quiz.bank}/pictures/${nanoid()}`), [401, 404, 404, 404, 404, 404, 404, 404]],
  ['get /api/quiz-attempts/:id', (c) => c.send('get', `/api/quiz-attempts/${quiz.quizAttempt}`), [401, 404, 200, 403, 404, 404, 403, 403]],
  ['put /api/quiz-attempts/:id/answers/:questionId', (c) => c.send('put', `/api/quiz-attempts/${quiz.quizAttempt}/answers/${quiz.question}`, {}), [401, 404, 422, 403, 404, 404, 403, 403]],
  ['post /api/quiz-attempts/:id/hand-in', (c) => c.send('post', `/api/quiz-attempts/${quiz.quizAttempt}/hand-in`), [401, 404, 200, 403, 404, 404, 403, 403]],
  ['get /quiz-attempts/:id/pictures/:pictureId', (c) => c.send('get', `/quiz-attempts/${quiz.quizAttempt}/pictures/${quiz.quizPicture}`), [401, 404, 200, 200, 404, 404, 200, 200]],
  ['get /api/quiz-attempts/:id/judging', (c) => c.send('get', `/api/quiz-attempts/${quiz.quizAttempt}/judging`), [401, 404, 403, 403, 404, 404, 403, 403]],
  ['put /api/quiz-attempts/:id/grades/:questionId', (c) => c.send('put', `/api/quiz-attempts/${quiz.quizAttempt}/grades/${quiz.question}`, { points: {}, words: '' }), [401, 404, 403, 403, 404, 404, 403, 403]],
  ['get /api/quiz-attempts/:id/record', (c) => c.send('get', `/api/quiz-attempts/${quiz.quizAttempt}/record`), [401, 404, 404, 200, 404, 404, 200, 200]],
  ['get /api/people/:id/quizzes/:quizId/attempts', (c) => c.send('get', `/api/people/${company.people.staff}/quizzes/${quiz.quiz}/attempts`), [401, 403, 200, 200, 403, 403, 200, 200]],
  ['put /api/people/:id/quizzes/:quizId/allowance', (c) => c.send('put', `/api/people/${company.people.staff}/quizzes/${quiz.quiz}/allowance`, { extraPercent: 0, extraAttempts: 1 }), [401, 403, 403, 204, 403, 403, 204, 204]],
  ['get /api/my-givings', (c) => c.send('get', '/api/my-givings'), [401, 403, 403, 403, 403, 403, 200, 200]],
  ['post /api/guides/:id/audience-preview', (c) => c.send('post', `/api/guides/${guide.id}/audience-preview`, { audience: NOBODY }), [401, 404, 403, 403, 404, 403, 200, 200]],
  ['post /api/guides/:id/editions', (c) => c.send('post', `/api/guides/${guide.id}/editions`, { revision: 99, changeNote: 'x', mustReread: false, audience: NOBODY, openToAll: false, due: { kind: 'none' } }), [401, 404, 403, 403, 404, 403, 409, 409]],
  ['get /api/today', (c) => c.send('get', '/api/today'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/guides/:id/reader', (c) => c.send('get', `/api/guides/${guide.id}/reader`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['get /api/guides/:id/editions/:edition/quizzes', (c) => c.send('get', `/api/guides/${guide.id}/editions/1/quizzes`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['get /api/guides/:id/plays/:way', (c) => c.send('get', `/api/guides/${guide.id}/plays/watch`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['put /api/guides/:id/plays/:way', (c) => c.send('put', `/api/guides/${guide.id}/plays/watch`, {}), [401, 404, 422, 403, 404, 422, 422, 422]],
  ['get /api/guides/:id/attempts', (c) => c.send('get', `/api/guides/${guide.id}/attempts`), [401, 404, 200, 403, 404, 200, 200, 200]],
  ['post /api/guides/:id/attempts', (c) => c.send('post', `/api/guides/${guide.id}/attempts`, { language: 'en' }), [401, 404, 409, 403, 404, 409, 409, 409]],
  ['get /api/guides/:id/attempts/:attemptId', (c) => c.send('get', `/api/guides/${guide.id}/attempts/${nanoid()}`), [401, 404, 404, 403, 404, 404, 404, 404]],
  ['post /api/guides/:id/attempts/:attemptId/acts', (c) => c.send('post', `/api/guides/${guide.id}/attempts/${nanoid()}/acts`, { n: 1, actId: nanoid(), does: { type: 'leave-out' } }), [401, 404, 404, 403, 404, 404, 404, 404]],
  ['post /api/guides/:id/attempts/:attemptId/end', (c) => c.send('post', `/api/guides/${guide.id}/attempts/${nanoid()}/end`), [401, 404, 404, 403, 404, 404, 404, 404]],
  ['post /api/events', (c) => c.send('post', '/api/events', event()), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/records/items', (c) => c.send('get', '/api/records/items'), [401, 403, 403, 200, 403, 403, 200, 200]],
  ['get /api/records/people', (c) => c.send('get', '/api/records/people'), [401, 403, 403, 200, 403, 403, 200, 200]],
  ['get /api/records/groups', (c) => c.send('get', '/api/records/groups'), [401, 403, 403, 200, 403, 403, 200, 200]],
  ['get /api/records.csv', (c) => c.send('get', '/api/records.csv'), [401, 403, 403, 200, 403, 403, 200, 200]],
  ['get /api/guides/:id/caution-records', (c) => c.send('get', `/api/guides/${guide.id}/caution-records`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/guides/:id/caution-records.csv', (c) => c.send('get', `/api/guides/${guide.id}/caution-records.csv`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/items/:id/who-finished', (c) => c.send('get', `/api/items/${guide.id}/who-finished`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/guides/:id/drop-off', (c) => c.send('get', `/api/guides/${guide.id}/drop-off`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/guides/:id/way-steps/:way', (c) => c.send('get', `/api/guides/${guide.id}/way-steps/solo`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/people/:id/records/:guideId', (c) => c.send('get', `/api/people/${company.people.staff}/records/${guide.id}`), [401, 403, 200, 200, 403, 403, 200, 200]],
  ['get /api/items/:id/who-finished.csv', (c) => c.send('get', `/api/items/${guide.id}/who-finished.csv`), [401, 404, 403, 200, 404, 403, 200, 200]],
  ['get /api/people/:id/records', (c) => c.send('get', `/api/people/${company.people.staff}/records`), [401, 403, 200, 200, 403, 403, 200, 200]],
  ['get /api/people/:id/records.csv', (c) => c.send('get', `/api/people/${company.people.staff}/records.csv`), [401, 403, 200, 200, 403, 403, 200, 200]],
  ['post /api/guides/:id/remarks', (c) => c.send('post', `/api/guides/${guide.id}/remarks`, { id: nanoid(), edition: 1, stepId: guide.steps[0], way: 'read', words: 'x', device: '' }), [401, 404, 204, 403, 404, 204, 204, 204]],
  ['get /api/guides/:id/remarks', (c) => c.send('get', `/api/guides/${guide.id}/remarks`), [401, 404, 403, 403, 404, 200, 200, 200]],
  ['get /api/remarks', (c) => c.send('get', '/api/remarks'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['patch /api/guides/:id/remarks/:remarkId', (c) => c.send('patch', `/api/guides/${guide.id}/remarks/${nanoid()}`, { done: true }), [401, 404, 403, 403, 404, 404, 404, 404]],
  ['post /api/recorders/code', (c) => c.send('post', '/api/recorders/code'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['get /api/recorders', (c) => c.send('get', '/api/recorders'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['delete /api/recorders/:id', (c) => c.send('delete', `/api/recorders/${nanoid()}`), [401, 403, 403, 403, 404, 404, 404, 404]],
  ['get /recorder/jackdaw-recorder.zip', (c) => c.send('get', '/recorder/jackdaw-recorder.zip'), [401, 403, 403, 403, 200, 200, 200, 200]],
  ['post /api/recorder/pairing', (c) => c.send('post', '/api/recorder/pairing', { code: 'short', name: 'x' }), [422, 422, 422, 422, 422, 422, 422, 422]],
  // A session is nothing to what recorders call: without a pairing nobody gets in.
  ...(
    [
      ['get', '/api/recorder/pairing'],
      ['delete', '/api/recorder/pairing'],
      ['post', '/api/recorder/recordings'],
      ['put', '/api/recorder/recordings/:id/pictures/:shotId'],
      ['post', '/api/recorder/recordings/:id/actions'],
      ['post', '/api/recorder/recordings/:id/finish'],
      ['delete', '/api/recorder/recordings/:id'],
    ] as const
  ).map(([method, path]): RouteRow => [`${method} ${path}`, (c) => c.send(method, path.replace(/:\w+/g, () => nanoid()), method === 'post' ? {} : undefined), [401, 401, 401, 401, 401, 401, 401, 401]]),
  ['post /api/directory/:id/password', (c) => c.send('post', `/api/directory/${handId}/password`, {}), [401, 403, 403, 200, 403, 403, 200, 200]],
]

describe('every route for every level', () => {
  it('stands in the table', () => {
    const served = server.routes.served.map((endpoint) => `${endpoint.method} ${endpoint.path}`).sort()
    expect(TABLE.map(([route]) => route).sort()).toEqual(served)
  })
  for (const [route, call, expected] of TABLE)
    it(route, async () => {
      const got: number[] = []
      for (const who of COLUMNS) {
        const response = await call(clients.get(who)!, who)
        await response.arrayBuffer()
        got.push(response.status)
      }
      expect(Object.fromEntries(COLUMNS.map((who, index) => [who, got[index]]))).toEqual(
        Object.fromEntries(COLUMNS.map((who, index) => [who, expected[index]])),
      )
    })
  it('takes an event only from those who may read the guide, though all may send', async () => {
    const answers = await Promise.all(
      COLUMNS.slice(1).map(
        async (who) => (await clients.get(who)!.json('post', '/api/events', event())) as { taken: number; refused: { why: string }[] },
      ),
    )
    expect(answers.map((answer) => answer.taken)).toEqual([0, 1, 0, 0, 1, 1, 1])
    expect(answers[0]!.refused[0]!.why).toBe('unknown-guide')
  })
})
