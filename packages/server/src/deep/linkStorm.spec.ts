import { afterAll, beforeAll, expect, it } from 'vitest'
import { MOST_A_MINUTE } from '../sharing/throttle'
import { aGuide, Client, smallCompany, startTestServer, type TestServer } from '../testing/testServer'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.close())

it('answers 10,000 requests on one link with a guide or a request to wait, and goes on for everybody else', async () => {
  const company = await smallCompany(server)
  const [admin, lead, guest] = [await company.as('admin'), await company.as('lead'), new Client(server.address)]
  await admin.json('put', '/api/sharing', { anyone: true, frames: [] })
  const { id } = await aGuide(server, company, 'author')
  const { address } = await lead.json('post', `/api/guides/${id}/links`, { asksFor: null, carries: null, expiresOn: null })
  const path = `/api/shared/${address.split('/l/')[1]}`
  const counted = new Map<number, number>()
  const ask = async () => {
    const { status } = await guest.send('get', path)
    counted.set(status, (counted.get(status) ?? 0) + 1)
  }
  for (let n = 0; n < 10_000; n += 100) {
    await Promise.all(Array.from({ length: 100 }, ask))
    if (n % 1_000 === 0) await lead.json('get', '/api/today')
  }
  expect([...counted.keys()].sort()).toEqual([200, 429])
  expect(counted.get(200)!).toBeGreaterThanOrEqual(MOST_A_MINUTE)
  expect(counted.get(429)!).toBeGreaterThan(0)
}, 600_000)
