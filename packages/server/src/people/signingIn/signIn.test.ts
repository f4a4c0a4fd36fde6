import { SIGN_IN_LIMITS } from '@jackdaw/core/people'
import { countTry } from './signInGuard'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Client, PASSWORD, smallCompany, startTestServer, type Company, type TestServer } from '../../testing/testServer'

let server: TestServer
let other: TestServer
let company: Company
beforeAll(async () => {
  server = await startTestServer()
  other = await server.second()
  company = await smallCompany(server)
})
afterAll(async () => {
  await other.close()
  await server.close()
})
const tryIn = (at: TestServer, mail: string, password: string) =>
  new Client(at.address).send('post', '/api/session', { account: mail, password })

describe('signing in', () => {
  it('works on one server and goes on on another, until signed out on either', async () => {
    const client = await company.as('lead')
    const elsewhere = Object.assign(new Client(other.address), { cookie: client.cookie, csrf: client.csrf })
    expect((await elsewhere.json('get', '/api/session')).name).toBe('Name of lead')
    expect((await elsewhere.send('delete', '/api/session')).status).toBe(204)
    expect((await client.send('get', '/api/today')).status).toBe(401)
  })
  it('gives the same answer for a wrong password and an unknown address', async () => {
    const [wrong, unknown] = await Promise.all([tryIn(server, 'lead@example.org', 'no'), tryIn(server, 'nobody@example.org', 'no')])
    expect([wrong.status, unknown.status]).toEqual([401, 401])
    expect(await wrong.text()).toBe(await unknown.text())
  })
  it('slows guessing down, longer each time, counted over all servers, and lets the owner in after the wait', async () => {
    const statuses = []
    for (let i = 0; i < 7; i++) statuses.push((await tryIn(i % 2 === 0 ? server : other, 'STAFF@example.org', `guess ${i}`)).status)
    expect(statuses).toEqual([401, 401, 401, 401, 401, 429, 429])
    const wait = async () => Number((await tryIn(other, 'staff@example.org', PASSWORD)).headers.get('retry-after'))
    expect(await wait()).toBe(60)
    server.clock.now += 60_000
    expect((await tryIn(server, 'staff@example.org', 'guess')).status).toBe(401)
    expect(await wait()).toBe(120)
    server.clock.now += 120_000
    expect((await tryIn(server, 'staff@example.org', PASSWORD)).status).toBe(200)
  })
  it('cannot be used to keep somebody out: on a device of theirs only their own failures count', async () => {
    const owner = await company.as('manager')
    // A stranger at many addresses uses up everything that is free for the account.
    const { parts } = server
    for (let i = 0; i < SIGN_IN_LIMITS.free.account + 20; i++)
      await countTry(parts.database, { account: 'manager@example.org', address: `10.0.0.${i}`, device: null }, server.clock.now)
    expect((await tryIn(server, 'manager@example.org', PASSWORD)).status).toBe(429)
    expect((await owner.send('post', '/api/session', { account: 'manager@example.org', password: PASSWORD })).status).toBe(200)
    // The sign of a device is worth nothing for another account, and guesses on it are slowed, too.
    const statuses = []
    for (let i = 0; i < 6; i++)
      statuses.push((await owner.send('post', '/api/session', { account: 'manager@example.org', password: 'guess' })).status)
    expect(statuses).toEqual([401, 401, 401, 401, 401, 429])
    server.clock.now += SIGN_IN_LIMITS.forgottenAfterMs
  })
  it('does not count a right password against the account when it is the address that has to wait', async () => {
    await server.parts.database.rows('delete from sign_in_failure')
    const mails = Array.from({ length: SIGN_IN_LIMITS.free.address }, (_, i) => `nobody${i}@example.org`)
    for (const mail of mails) await tryIn(server, mail, 'guess')
    for (let i = 0; i < 8; i++) expect((await tryIn(server, 'outsider@example.org', PASSWORD)).status).toBe(429)
    const rows = await server.parts.database.rows<{ failures: number }>(
      `select failures from sign_in_failure where key like 'account:%' order by failures desc`,
    )
    expect(rows[0]!.failures).toBeLessThan(5)
    server.clock.now += SIGN_IN_LIMITS.forgottenAfterMs
    expect((await tryIn(server, 'outsider@example.org', PASSWORD)).status).toBe(200)
  })
  it('is not fooled by tries at the same moment', async () => {
    const statuses = (
      await Promise.all(Array.from({ length: 12 }, (_, i) => tryIn(i % 2 === 0 ? server : other, 'author@example.org', 'guess')))
    ).map((response) => response.status)
    expect(statuses.filter((status) => status === 401)).toHaveLength(SIGN_IN_LIMITS.free.pair)
    server.clock.now += SIGN_IN_LIMITS.forgottenAfterMs
  })
  it('gives a new session, so that one planted beforehand is worth nothing', async () => {
    const first = await company.as('lead')
    const again = new Client(server.address)
    again.cookie = first.cookie
    await again.signIn('lead@example.org')
    expect(again.cookie).not.toBe(first.cookie)
    expect((await first.send('get', '/api/today')).status).toBe(401)
  })
  it('sets a cookie that scripts and other sites do not get', async () => {
    const cookies = (await tryIn(server, 'admin@example.org', PASSWORD)).headers.getSetCookie()
    expect(cookies.map((each) => each.split('=')[0]).sort()).toEqual(['jackdaw', 'jackdaw-device'])
    for (const cookie of cookies) {
      expect(cookie).toMatch(/HttpOnly/)
      expect(cookie).toMatch(/SameSite=Lax/)
    }
  })
})

describe('behind a proxy that speaks TLS', () => {
  it('people sign in, with a cookie for TLS only, and each counts for their own address', async () => {
    const behind = await startTestServer({ databaseUrl: server.parts.config.databaseUrl, https: true })
    const from = (address: string, password: string) =>
      new Client(behind.address).send(
        'post',
        '/api/session',
        { account: 'admin@example.org', password },
        {
          'x-forwarded-proto': 'https',
          'x-forwarded-for': `6.6.6.6, ${address}`,
        },
      )
    for (let n = 0; n < SIGN_IN_LIMITS.free.pair; n++) expect((await from('198.51.100.7', 'guess')).status).toBe(401)
    expect((await from('198.51.100.7', 'guess')).status).toBe(429)
    const good = await from('198.51.100.8', PASSWORD)
    expect(good.status).toBe(200)
    for (const cookie of good.headers.getSetCookie()) expect(cookie).toMatch(/; Secure/)
    await behind.close()
  })
  it('nobody else is believed who they say they are', async () => {
    const statuses = []
    for (let n = 0; n < SIGN_IN_LIMITS.free.pair + 1; n++) {
      const headers = { 'x-forwarded-for': `203.0.113.${n}` }
      statuses.push(
        (await new Client(server.address).send('post', '/api/session', { account: 'otherAuthor@example.org', password: 'x' }, headers))
          .status,
      )
    }
    expect(statuses.at(-1)).toBe(429)
    server.clock.now += SIGN_IN_LIMITS.forgottenAfterMs
  })
})

describe('a change that another site makes', () => {
  it('is refused without the token, with a wrong one, and from another origin', async () => {
    const client = await company.as('lead')
    const create = (headers: Record<string, string>) => client.send('post', '/api/folders', { name: 'x', parentId: null }, headers)
    const { csrf } = client
    expect((await create({ 'x-csrf-token': '' })).status).toBe(403)
    expect((await create({ 'x-csrf-token': `${csrf.slice(0, -1)}!` })).status).toBe(403)
    expect((await create({ origin: 'https://elsewhere.example' })).status).toBe(403)
    expect((await create({ origin: 'null' })).status).toBe(403)
    expect((await create({ 'sec-fetch-site': 'cross-site' })).status).toBe(403)
    expect((await create({ origin: server.address, 'sec-fetch-site': 'same-origin' })).status).toBe(200)
  })
})
