import type { PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Client, PASSWORD, smallCompany, START, startTestServer, type Company, type TestServer } from '../../testing/testServer'
import { browserWords } from './browserWords'

const HOUR = 3_600_000
const DAY = 24 * HOUR
let server: TestServer
let company: Company
let lead: Client

beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())

const codeOf = async (response: Promise<Response>) => {
  const answer = await response
  return [answer.status, answer.status === 204 ? '' : ((await answer.json()) as { code?: string }).code]
}
const add = async (more: object): Promise<PersonId> =>
  (
    await lead.json<{ id: PersonId }>('post', '/api/directory', {
      ...{ name: 'Ola Nowak', mail: null, number: null, jobTitle: '', telephone: '', startedOn: null, siteId: company.site },
      ...{ managerId: null, groups: [], level: 'staff', ...more },
    })
  ).id
const invite = (id: PersonId, when: unknown) => lead.json('put', `/api/directory/${id}/invitation`, { when }, 204)
const tokenIn = (text: string, page: string) => new RegExp(`/${page}#(\\S+)`).exec(text)?.[1] ?? ''
const stranger = () => new Client(server.address)
const choose = (kind: string, token: string, password = 'herbs under glass') =>
  stranger().send('post', '/api/password-links', { kind, token, password })
const drain = () => server.runner.drain()

describe('an invitation', () => {
  it('leaves at once, lets one choose a password once, and one is in with it', async () => {
    const id = await add({ mail: 'ola@example.org' })
    await invite(id, 'now')
    await drain()
    const mail = server.mails.at(-1)!
    expect(mail).toMatchObject({
      to: { address: 'ola@example.org' },
      subject: 'Name of lead invites you to Jackdaw of Larkmoor Glasshouses',
    })
    expect(mail.text).toContain('https://guides.example.org/welcome#')
    const token = tokenIn(mail.text, 'welcome')
    expect(await stranger().json('post', '/api/password-links/look', { kind: 'invitation', token })).toMatchObject({
      name: 'Ola Nowak',
      account: 'ola@example.org',
    })
    expect(await codeOf(choose('invitation', token, 'Ola-Nowak!'))).toEqual([422, 'invalid'])
    expect(await codeOf(choose('new-password', token))).toEqual([410, 'link-used-up'])
    expect((await choose('invitation', token)).status).toBe(200)
    expect(await codeOf(choose('invitation', token))).toEqual([410, 'link-used-up'])
    const ola = await stranger().signIn('OLA@example.org', 'herbs under glass')
    expect((await ola.json('get', '/api/session')).name).toBe('Ola Nowak')
    expect((await lead.json('get', `/api/directory/${id}`)).managed.hasPassword).toBe(true)
  })
  it('leaves on the day that the sender says, or not yet; anew, the link before ends; withdrawn, it holds no more', async () => {
    const id = await add({ mail: 'later@example.org' })
    const sent = () => server.mails.filter((mail) => mail.to.address === 'later@example.org')
    await invite(id, 'not-yet')
    await drain()
    expect(sent()).toHaveLength(0)
    await invite(id, server.clock.now + 2 * DAY)
    await lead.json('get', `/api/directory/${id}/invitation`)
    await drain()
    expect(sent()).toHaveLength(0)
    server.clock.now += 2 * DAY + 6 * 60_000
    await (await company.as('admin')).send('post', '/api/jobs', { name: 'send-invitations' })
    await drain()
    expect(sent()).toHaveLength(1)
    lead = await company.as('lead')
    await invite(id, 'now')
    await drain()
    expect(sent()).toHaveLength(2)
    const [first, second] = sent().map((mail) => tokenIn(mail.text, 'welcome'))
    expect(await codeOf(choose('invitation', first!))).toEqual([410, 'link-used-up'])
    await lead.json('delete', `/api/directory/${id}/invitation`, undefined, 204)
    expect(await codeOf(choose('invitation', second!))).toEqual([410, 'link-used-up'])
    expect((await lead.json('get', `/api/directory/${id}/invitation`)).invitation.withdrawnAt).toBe(server.clock.now)
  })
  it('holds for fourteen days', async () => {
    const id = await add({ mail: 'slow@example.org' })
    await invite(id, 'now')
    await drain()
    server.clock.now += 14 * DAY
    expect(await codeOf(choose('invitation', tokenIn(server.mails.at(-1)!.text, 'welcome')))).toEqual([410, 'link-used-up'])
    lead = await company.as('lead')
  })
  it('needs a mail address', async () => {
    const id = await add({ number: 'N-1' })
    expect(await codeOf(lead.send('put', `/api/directory/${id}/invitation`, { when: 'now' }))).toEqual([409, 'no-mail-address'])
  })
})

describe('somebody without a mail address', () => {
  it('comes in with their number and the password that their manager gives them, and chooses their own before anything else', async () => {
    const id = await add({ name: 'Crate Hand', number: 'B-1042', managerId: company.people.manager })
    const manager = await company.as('manager')
    const { password, account } = await manager.json('post', `/api/directory/${id}/password`, {})
    expect(account).toBe('B-1042')
    const hand = await stranger().signIn('b-1042', password)
    expect((await hand.json('get', '/api/session')).passwordToChoose).toBe(true)
    expect(await codeOf(hand.send('get', '/api/today'))).toEqual([403, 'password-to-choose'])
    expect(await codeOf(hand.send('post', '/api/my-password', { current: 'not this one', next: 'crates on the belt' }))).toEqual([
      401,
      'wrong-credentials',
    ])
    expect((await hand.send('post', '/api/my-password', { current: password, next: 'crates on the belt' })).status).toBe(204)
    expect((await hand.send('get', '/api/today')).status).toBe(200)
    // Their manager gives it anew: whoever was in is out.
    await manager.json('post', `/api/directory/${id}/password`, {})
    expect((await hand.send('get', '/api/today')).status).toBe(401)
    const other = await company.as('outsider')
    expect((await other.send('post', `/api/directory/${id}/password`, {})).status).toBe(403)
  })
  it('cannot be taken over by a manager who may do less', async () => {
    const id = await add({ name: 'Author below', number: 'B-2', level: 'author', managerId: company.people.manager })
    const manager = await company.as('manager')
    expect(await codeOf(manager.send('post', `/api/directory/${id}/password`, {}))).toEqual([403, 'beyond-own-rights'])
    const nothing = await add({ name: 'Nothing to sign in with', managerId: company.people.manager })
    expect(await codeOf(manager.send('post', `/api/directory/${nothing}/password`, {}))).toEqual([409, 'no-account-name'])
  })
})

describe('a forgotten password', () => {
  it('is chosen anew by a link in a mail, and nobody is told whether there is such an account', async () => {
    const ask = (account: string) => stranger().send('post', '/api/forgotten-passwords', { account })
    const before = server.mails.length
    expect((await ask('nobody@example.org')).status).toBe(204)
    expect((await ask('outsider@example.org')).status).toBe(204)
    await drain()
    expect(server.mails.slice(before).map((mail) => mail.to.address)).toEqual(['outsider@example.org'])
    const token = tokenIn(server.mails.at(-1)!.text, 'new-password')
    const old = await company.as('outsider')
    expect((await choose('new-password', token, 'a whole new one')).status).toBe(200)
    expect((await old.send('get', '/api/today')).status).toBe(401)
    await stranger().signIn('outsider@example.org', 'a whole new one')
  })
  it('is not mailed to somebody again and again', async () => {
    const statuses: number[] = []
    for (let n = 0; n < 8; n++)
      statuses.push((await stranger().send('post', '/api/forgotten-passwords', { account: 'flooded@example.org' })).status)
    expect(statuses).toEqual([204, 204, 204, 204, 204, 429, 429, 429])
    await server.parts.database.rows('delete from sign_in_failure')
  })
})

describe('one’s own sessions', () => {
  it('are seen by their browsers, and ended one by one or all but the present one', async () => {
    const [first, second, third] = [await company.as('author'), await company.as('author'), await company.as('author')]
    const all = await first.json<{ id: string; current: boolean }[]>('get', '/api/my-sessions')
    expect(all.filter((session) => session.current)).toHaveLength(1)
    expect(all.length).toBe(3)
    const [other] = all.filter((session) => !session.current)
    expect(await first.json('post', '/api/my-sessions/end', { id: other!.id })).toEqual({ ended: 1 })
    expect(await first.json('post', '/api/my-sessions/end', { id: nanoid() })).toEqual({ ended: 0 })
    expect(await first.json('post', '/api/my-sessions/end', {})).toEqual({ ended: 1 })
    expect([(await second.send('get', '/api/today')).status, (await third.send('get', '/api/today')).status]).toEqual([401, 401])
    expect((await first.send('get', '/api/today')).status).toBe(200)
  })
  it('end when the password changes, but for the one in which it does', async () => {
    const [here, there] = [await company.as('otherAuthor'), await company.as('otherAuthor')]
    expect((await here.send('post', '/api/my-password', { current: PASSWORD, next: 'otherAuthor' })).status).toBe(422)
    expect((await here.send('post', '/api/my-password', { current: PASSWORD, next: 'seven seed trays' })).status).toBe(204)
    expect([(await here.send('get', '/api/today')).status, (await there.send('get', '/api/today')).status]).toEqual([200, 401])
  })
  it('call browsers by what they say of themselves', () => {
    expect(browserWords('Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:140.0) Gecko/20100101 Firefox/140.0')).toBe('Firefox on Windows')
    expect(browserWords('')).toBe('')
  })
})

it('shows admins who changed whose rights, newest first', async () => {
  const admin = await company.as('admin')
  const id = await add({ name: 'Promoted' })
  await admin.json('patch', `/api/directory/${id}`, { level: 'author' }, 204)
  const { rows, more } = await admin.json('get', '/api/rights-changes')
  expect(more).toBe(false)
  expect(rows[0]).toMatchObject({
    person: { name: 'Promoted' },
    by: { name: 'Name of admin' },
    levelBefore: 'staff',
    levelAfter: 'author',
    withdrawn: [],
  })
  expect(rows[0].at).toBeGreaterThan(START)
})
