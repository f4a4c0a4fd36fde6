import type { GroupId, PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { issueToken } from '../../people'
import { PASSWORD, START } from '../testServer'
import { body, type Input, type Special } from './special'
import type { HostileWorld } from './world'

/** Somebody who works here and does nothing else. */
async function aPerson({ server, company }: HostileWorld): Promise<PersonId> {
  const id = nanoid<PersonId>()
  await server.services.addPeople(
    [{ id, name: `Hand ${id}`, mail: `${id}@example.org`, level: 'staff', siteId: company.site, groups: [company.site] }],
    'a long enough password',
    START,
  )
  return id
}
/** A link by which somebody chooses a password. */
const aLink = async (world: HostileWorld): Promise<string> =>
  issueToken(world.server.parts.database, {
    purpose: 'invitation',
    personId: await aPerson(world),
    detail: '',
    expiresAt: world.server.clock.now + 3_600_000,
  })
/** A team with nobody in it, or a site. */
async function aGroup({ server }: HostileWorld, kind: 'team' | 'site' = 'team'): Promise<GroupId> {
  const id = nanoid<GroupId>()
  await server.services.addGroups([{ id, kind, name: id, ...(kind === 'site' ? { zone: 'Europe/London' } : {}) }], START)
  return id
}
const DAYS_OFF = ['BEGIN:VCALENDAR', 'BEGIN:VEVENT', 'UID:a', 'DTSTART;VALUE=DATE:20260501', 'END:VEVENT', 'END:VCALENDAR'].join('\r\n')

const AS_BYTES = { 'content-type': 'application/octet-stream' }
/** A list with somebody new. */
function aList({ company }: HostileWorld, input: Input): void {
  input.query = { site: company.site }
  input.bytes = new TextEncoder().encode(`No,Name\n${nanoid()},Somebody\n`)
  input.headers['content-type'] = 'text/csv'
}

/** What no schema can say of requests about people and groups. Whom it concerns is somebody of their own, so that those who call stay who they are. */
export const PEOPLE_INPUTS: Record<string, Special> = {
  'post /api/my-password': (_world, _things, input) => {
    input.body = { current: PASSWORD, next: PASSWORD }
  },
  'post /api/password-links/look': async (world, _things, input) => {
    input.body = { kind: 'invitation', token: await aLink(world) }
  },
  'post /api/password-links': async (world, _things, input) => {
    input.body = { kind: 'invitation', token: await aLink(world), password: 'long enough for all of them' }
  },
  'post /api/forgotten-passwords': body((sent) => void (sent['account'] = `${nanoid()}@example.org`)),
  'post /api/my-sessions/end': body((sent) => void (sent['id'] = nanoid())),
  'get /api/directory/:id/invitation': async (world, _things, input) => void (input.params['id'] = await aPerson(world)),
  'put /api/directory/:id/invitation': async (world, _things, input) => {
    input.params['id'] = await aPerson(world)
    input.body = { when: 'not-yet' }
  },
  'delete /api/directory/:id/invitation': async (world, _things, input) => void (input.params['id'] = await aPerson(world)),
  'post /api/directory/:id/password': async (world, _things, input) => void (input.params['id'] = await aPerson(world)),
  'get /api/directory/:id/holdings': async (world, _things, input) => void (input.params['id'] = await aPerson(world)),
  'put /api/directory/:id/absences': async (world, _things, input, caller) => {
    input.params['id'] = world.personOf(caller)
    input.body = { absences: [{ from: '2026-04-01', until: '2026-04-05' }] }
  },
  'get /people/:id/face': async (world, _things, input) => {
    const id = await aPerson(world)
    await world.server.services.setFace(id, world.png)
    input.params['id'] = id
  },
  'patch /api/directory/:id': async (world, _things, input) => {
    input.params['id'] = await aPerson(world)
    Object.assign(input.body as object, { siteId: world.company.site, level: 'staff', managerId: null, permissions: [] })
  },
  'post /api/directory/:id/leaving': async (world, _things, input) => {
    input.params['id'] = await aPerson(world)
    input.body = { reportsTo: null }
  },
  'post /api/directory/:id/return': async (world, _things, input) => {
    input.params['id'] = await aPerson(world)
    input.body = { siteId: world.company.site, groups: [world.company.department], managerId: null }
  },
  'post /api/directory': body((sent, _things, world) =>
    Object.assign(sent, { siteId: world.company.site, managerId: null, level: 'staff' }),
  ),
  'post /api/groups': body((sent) => Object.assign(sent, { kind: 'team', zone: null, leaderId: null, name: nanoid() })),
  'post /api/group-kinds': body((sent) => void (sent['name'] = nanoid())),
  'put /api/groups/:groupId': async (world, _things, input) => {
    input.params['groupId'] = await aGroup(world)
    Object.assign(input.body as object, { zone: null, leaderId: null, name: nanoid() })
  },
  'post /api/groups/:groupId/members': async (world, _things, input) => {
    input.params['groupId'] = await aGroup(world)
    input.body = { join: [await aPerson(world)], leave: [] }
  },
  'post /api/groups/:groupId/closing': async (world, _things, input) => {
    input.params['groupId'] = await aGroup(world)
    input.body = { moveTo: null }
  },
  'put /api/groups/:groupId/duties': async (world, things, input) => {
    input.params['groupId'] = await aGroup(world)
    input.body = { duties: [{ id: nanoid(), title: 'Packs', about: '', guides: [things.guide] }] }
  },
  'get /api/groups/:groupId/calendar': async (world, _things, input) => void (input.params['groupId'] = await aGroup(world, 'site')),
  'put /api/groups/:groupId/calendar': async (world, _things, input) => {
    input.params['groupId'] = await aGroup(world, 'site')
    input.body = { daysOff: [6, 7], holidays: [{ day: '2026-05-01', name: 'May Day' }] }
  },
  'post /api/calendar-files': (_world, _things, input) => {
    input.bytes = new TextEncoder().encode(DAYS_OFF)
    input.headers['content-type'] = 'text/calendar'
  },
  'post /api/people-files/preview': (world, _things, input) => aList(world, input),
  'post /api/people-files/faults.csv': (world, _things, input) => aList(world, input),
  'post /api/people-files': async (world, _things, input, caller) => {
    aList(world, input)
    const query = new URLSearchParams(input.query)
    const looked = await world.clients.get(caller)!.send('post', `/api/people-files/preview?${query}`, input.bytes, AS_BYTES)
    input.query['seen'] = looked.ok ? ((await looked.json()) as { seen: string }).seen : 'nothing'
    input.query['invite'] = 'not-yet'
  },
  'post /api/suggested-duties': (_world, _things, input) => {
    input.body = { lineOfWork: 'office', role: 'Front desk', duty: null }
  },
  'post /api/audiences': body((sent) => void (sent['name'] = nanoid())),
  'put /api/audiences/:audienceId': body((sent) => void (sent['name'] = nanoid())),
}
