import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let staff: Client
let author: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  ;[staff, author] = [await company.as('staff'), await company.as('author')]
})
afterAll(() => server.close())

const remark = (stepId: string, more: object = {}) => ({
  id: nanoid(),
  edition: 1,
  stepId,
  way: 'read',
  words: 'The valve is on the left now',
  device: 'Chrome on Android, 390 × 844',
  ...more,
})

describe('what a reader says is wrong', () => {
  it('goes to the owner with edition, step and device, once, until it is marked as done', async () => {
    const guide = await aGuide(server, company, 'author', { texts: ['Open', 'Close'], openToAll: true })
    const said = remark(guide.steps[1]!)
    await staff.json('post', `/api/guides/${guide.id}/remarks`, said, 204)
    await staff.json('post', `/api/guides/${guide.id}/remarks`, said, 204)
    const [found, ...others] = await author.json('get', `/api/guides/${guide.id}/remarks`)
    expect(others).toEqual([])
    expect(found).toMatchObject({
      stepId: guide.steps[1],
      step: 'Close',
      position: 2,
      edition: 1,
      words: said.words,
      device: said.device,
      by: { name: 'Name of staff' },
    })
    const mine = (client: Client) => client.json('get', '/api/remarks').then(({ rows }) => rows.map((row: { id: string }) => row.id))
    expect(await mine(author)).toEqual([said.id])
    expect(await mine(await company.as('lead'))).toEqual([])
    await author.json('patch', `/api/guides/${guide.id}/remarks/${said.id}`, { done: true }, 204)
    expect(await author.json('get', `/api/guides/${guide.id}/remarks`)).toEqual([])
    await author.json('patch', `/api/guides/${guide.id}/remarks/${said.id}`, { done: false }, 204)
    expect(await mine(author)).toEqual([said.id])
  })
  it('is refused where it says nothing, or of a step that the edition does not have', async () => {
    const guide = await aGuide(server, company, 'author', { openToAll: true })
    const status = async (body: object) => (await staff.send('post', `/api/guides/${guide.id}/remarks`, body)).status
    expect(await status(remark(guide.steps[0]!, { words: '  ' }))).toBe(422)
    expect(await status(remark(nanoid()))).toBe(422)
    expect(await status(remark(guide.steps[0]!, { edition: 7 }))).toBe(422)
    expect((await author.send('patch', `/api/guides/${guide.id}/remarks/${nanoid()}`, { done: true })).status).toBe(404)
  })
  it('stops where nobody would read on, and says so', async () => {
    const guide = await aGuide(server, company, 'author', { openToAll: true })
    await server.parts.database.rows(
      `insert into remark (id, item_kind, item_id, edition, part_id, person_id, way, words, device, said_at) select 'many-' || n, 'guide', $1, 1, $2, $3, 'read', 'x', '', now() from generate_series(1, 500) n`,
      [guide.id, guide.steps[0], company.people.staff],
    )
    const refused = await staff.send('post', `/api/guides/${guide.id}/remarks`, remark(guide.steps[0]!))
    expect([refused.status, ((await refused.json()) as { code: string }).code]).toEqual([409, 'too-many-remarks'])
  })
})
