import { SIGN_IN_LIMITS } from '@jackdaw/core/people'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Client, PASSWORD, smallCompany, startTestServer, type Company, type TestServer } from '../testing/testServer'

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
const tryIn = (at: TestServer, mail: string, password: string) => new Client(at.address).send('post', '/api/session', { mail, password })

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
  it('slows guessing down, counted over all servers, and lets the owner in after the wait', async () => {
    const statuses = []
    for (let i = 0; i < 7; i++) statuses.push((await tryIn(i % 2 === 0 ? server : other, 'STAFF@example.org', `guess ${i}`)).status)
    expect(statuses).toEqual([401, 401, 401, 401, 401, 429, 429])
    const blocked = await tryIn(other, 'staff@example.org', PASSWORD)
    expect(blocked.status).toBe(429)
    expect(Number(blocked.headers.get('retry-after'))).toBeGreaterThan(60)
    server.clock.now += SIGN_IN_LIMITS.windowMs
    expect((await tryIn(server, 'staff@example.org', PASSWORD)).status).toBe(200)
  })
  it('is not fooled by tries at the same moment', async () => {
    const statuses = (
      await Promise.all(Array.from({ length: 12 }, (_, i) => tryIn(i % 2 === 0 ? server : other, 'author@example.org', 'guess')))
    ).map((response) => response.status)
    expect(statuses.filter((status) => status === 401)).toHaveLength(SIGN_IN_LIMITS.perMail)
    server.clock.now += SIGN_IN_LIMITS.windowMs
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
    const cookie = (await tryIn(server, 'admin@example.org', PASSWORD)).headers.getSetCookie()[0]
    expect(cookie).toMatch(/HttpOnly/)
    expect(cookie).toMatch(/SameSite=Lax/)
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
