import { LINES_OF_WORK } from '@jackdaw/core/people'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, type TestServer } from '../testing/testServer'
import { offerSetUp } from './index'

const PASSWORD = 'crates and herbs'
const setUpWith = (token: string, more: object = {}) => ({
  token,
  company: { name: 'Fernhill Bakers', lineOfWork: 'food', size: '21-100' },
  look: { logo: '', colour: '#7a4e00' },
  site: { name: 'Mill Lane', zone: 'Europe/Vienna' },
  admin: { name: 'Uta Berg', mail: 'Uta@fernhill.example', password: PASSWORD },
  ...more,
})
const codeOf = async (response: Promise<Response>) => {
  const answer = await response
  return answer.ok ? answer.status : ((await answer.json()) as { code: string }).code
}

describe('a company of one’s own', () => {
  let server: TestServer
  let nobody: Client
  let token = ''
  beforeAll(async () => {
    server = await startTestServer()
    nobody = new Client(server.address)
  })
  afterAll(() => server.close())

  it('is set up once, by whoever has the link that was printed last', async () => {
    const first = (await offerSetUp(server.parts))!.split('#')[1]!
    token = (await offerSetUp(server.parts))!.split('#')[1]!
    expect(await codeOf(nobody.send('post', '/api/set-up/look', { token: first }))).toBe('link-used-up')
    expect(await codeOf(nobody.send('post', '/api/set-up/look', { token }))).toBe(204)
    expect(await codeOf(nobody.send('post', '/api/set-up', setUpWith(first)))).toBe('link-used-up')
    for (const wrong of [
      { site: { name: 'Mill Lane', zone: 'Europe/Nowhere' } },
      { site: { name: 'Mill Lane', zone: null } },
      { admin: { name: 'Uta Berg', mail: 'uta@fernhill.example', password: 'uta@fernhill.example' } },
      { look: { logo: 'data:image/svg+xml;base64,AA==', colour: '#7a4e00' } },
    ])
      expect(await codeOf(nobody.send('post', '/api/set-up', setUpWith(token, wrong)))).toBe('invalid')
    // Nothing of what was refused is kept, and the link still holds.
    const [a, b] = await Promise.all([1, 2].map(() => codeOf(nobody.send('post', '/api/set-up', setUpWith(token)))))
    expect([a, b].sort()).toEqual([204, 'link-used-up'])
    expect(await offerSetUp(server.parts)).toBeNull()
    expect(await codeOf(nobody.send('post', '/api/set-up/look', { token }))).toBe('link-used-up')
  })
  it('has its name, look, site and admin, and is led on', async () => {
    const uta = await new Client(server.address).signIn('uta@fernhill.example', PASSWORD)
    expect(await uta.json('get', '/api/session')).toMatchObject({ company: 'Fernhill Bakers', level: 'admin', begins: true })
    expect(await uta.json('get', '/api/look')).toMatchObject({ name: 'Fernhill Bakers', colour: '#7a4e00' })
    expect(await uta.json('get', '/api/line-of-work')).toEqual({ lineOfWork: 'food' })
    expect(await uta.json('get', '/api/group-list')).toMatchObject([{ kind: 'site', name: 'Mill Lane', people: 1 }])
    const { steps, gone } = await uta.json<{ steps: { step: string; done: boolean }[]; gone: boolean }>('get', '/api/first-steps')
    expect([gone, steps.some(({ done }) => done), steps[0]!.step]).toEqual([false, false, 'people'])
  })
  it('takes roles and duties of its line of work one by one, and none of them twice', async () => {
    const uta = await new Client(server.address).signIn('uta@fernhill.example', PASSWORD)
    const { roles } = LINES_OF_WORK.find(({ id }) => id === 'food')!
    const asked = (duty: string | null) => ({ lineOfWork: 'food', role: roles[0]!.name, duty })
    const first = await uta.json<{ role: string }>('post', '/api/suggested-duties', asked(null))
    for (const { title } of [roles[0]!.duties[1]!, roles[0]!.duties[1]!, roles[0]!.duties[0]!])
      expect(await uta.json('post', '/api/suggested-duties', asked(title))).toEqual(first)
    await Promise.all(
      [1, 2, 3].map(() => uta.send('post', '/api/suggested-duties', { ...asked(roles[1]!.duties[0]!.title), role: roles[1]!.name })),
    )
    const group = await uta.json<{ duties: { title: string }[] }>('get', `/api/groups/${first.role}`)
    expect(group.duties.map(({ title }) => title)).toEqual([roles[0]!.duties[1]!.title, roles[0]!.duties[0]!.title])
    const all = await uta.json<{ kind: string; duties: number }[]>('get', '/api/group-list')
    expect(
      all
        .filter(({ kind }) => kind === 'role')
        .map(({ duties }) => duties)
        .sort(),
    ).toEqual([1, 2])
    expect(await codeOf(uta.send('post', '/api/suggested-duties', asked('Bake the moon')))).toBe('invalid')
  })
})

describe('the first steps', () => {
  let server: TestServer
  beforeAll(async () => void (server = await startTestServer()))
  afterAll(() => server.close())

  it('tick themselves from what is there, and are gone for good when all is', async () => {
    const company = await smallCompany(server)
    const { database } = server.parts
    await database.rows(
      `insert into setting (key, value) values ('company', '{"name": "Fernhill", "lineOfWork": null, "size": "1-20", "begun": false}')`,
    )
    const lead = await company.as('lead')
    const state = async () => {
      const { steps, gone } = await lead.json<{ steps: { step: string; done: boolean }[]; gone: boolean }>('get', '/api/first-steps')
      return {
        open: steps
          .filter(({ done }) => !done)
          .map(({ step }) => step)
          .sort(),
        gone,
      }
    }
    const before = await state()
    expect(before.gone).toBe(false)
    expect(before.open).toEqual(expect.arrayContaining(['leaders', 'guide', 'duty', 'read']))
    const { id } = await aGuide(server, company, 'author')
    expect((await state()).open).not.toContain('guide')
    await database.rows("update people_group set leader_id = $1 where kind_id = 'team'", [company.people.manager])
    expect((await state()).open).not.toContain('leaders')
    await lead.send('put', `/api/groups/${company.role}/duties`, {
      duties: [{ id: company.people.lead, title: 'Packs', about: '', guides: [id as GuideId] }],
    })
    expect((await state()).open).not.toContain('duty')
    const finish = (person: PersonId) =>
      database.rows(
        "insert into item_progress (item_kind, item_id, person_id, active_ms, parts_seen, finished_edition, finished_at) values ('guide', $1, $2, 0, 1, 1, now()) on conflict (item_kind, item_id, person_id) do update set finished_at = now()",
        [id, person],
      )
    await finish(company.people.author)
    expect((await state()).open).toContain('read')
    await finish(company.people.staff)
    expect((await state()).open).not.toContain('read')
    await database.rows(
      "insert into membership (person_id, group_id, since) select $1, id, now() from people_group where kind_id in ('role', 'team') on conflict do nothing",
      [company.people.staff],
    )
    expect(await state()).toEqual({ open: [], gone: true })
    expect(await lead.json('get', '/api/session')).toMatchObject({ begins: false })
    await database.rows("update people_group set leader_id = null where kind_id = 'team'")
    expect((await state()).gone).toBe(true)
  })
})
