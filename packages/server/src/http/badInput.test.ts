import { request } from 'node:http'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
let guide: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  guide = await aGuide(server, company, 'lead')
})
afterAll(() => server.close())

const problem = async (response: Response) => {
  expect(response.headers.get('content-type')).toContain('application/problem+json')
  return (await response.json()) as { status: number; code: string; detail?: string; errors?: { pointer: string }[] }
}
const body = (setBody: unknown) => ({
  baseRevision: 0,
  changeSetId: 'a'.repeat(21),
  changes: [{ type: 'set-step', stepId: guide.steps[0], fields: { body: setBody } }],
})

describe('bad input', () => {
  it.each([
    ['an empty body', '', 422, 'invalid'],
    ['no JSON', '{"title":', 400, 'bad-request'],
    ['a list instead of an object', '[]', 422, 'invalid'],
    ['null', 'null', 422, 'invalid'],
    ['10 MB', `{"title":"${'x'.repeat(10 * 1024 * 1024)}"}`, 413, 'too-large'],
  ])('%s gets a clear answer', async (_, text, status, code) => {
    const response = await lead.send('post', '/api/guides', text)
    expect(await problem(response)).toMatchObject({ status, code })
    expect(response.status).toBe(status)
  })
  it('nested deeper than anything that people write is refused before it is read', async () => {
    const deep = `{"title":${'['.repeat(100_000)}${']'.repeat(100_000)}}`
    expect(await problem(await lead.send('post', '/api/guides', deep))).toMatchObject({ status: 400, code: 'bad-request' })
    // What stands in a text is no nesting.
    const words = { title: '[[[[{{{{ "x" ]]]]'.repeat(10), kind: 'how-to', folderId: null }
    expect((await lead.send('post', '/api/guides', words)).status).toBe(200)
  })
  it('is small where anyone may call, and never unpacked', async () => {
    const { address } = server
    const send = (body: Uint8Array<ArrayBuffer>, more = {}) =>
      fetch(`${address}/api/session`, { method: 'POST', headers: { 'content-type': 'application/json', ...more }, body })
    expect((await problem(await send(new Uint8Array(3_900_000).fill(0x5b)))).code).toBe('too-large')
    const packed = Uint8Array.from(gzipSync(Buffer.alloc(3_900_000, '[')))
    expect(packed.length).toBeLessThan(8_000)
    expect((await problem(await send(packed, { 'content-encoding': 'gzip' }))).status).toBe(415)
    expect(
      (await problem(await lead.send('post', '/api/guides', packed, { 'content-type': 'application/json', 'content-encoding': 'gzip' })))
        .status,
    ).toBe(415)
  })
  it('is not read from somebody who may not do what it asks for', async () => {
    const staff = await company.as('staff')
    const { hostname, port } = new URL(server.address)
    // The answer comes while most of the body is still to be sent.
    const status = await new Promise<number>((resolve, reject) => {
      const call = request(
        {
          hostname,
          port,
          method: 'POST',
          path: '/api/imports?name=a.md',
          headers: { cookie: staff.cookie, 'x-csrf-token': staff.csrf, 'content-type': 'text/markdown', 'content-length': 50_000_000 },
        },
        (answer) => {
          resolve(answer.statusCode ?? 0)
          call.destroy()
        },
      )
      call.on('error', reject)
      call.write('# A')
    })
    expect(status).toBe(403)
  })
  it('in another format is told so', async () => {
    expect(
      await problem(await lead.send('post', '/api/guides', 'title=x', { 'content-type': 'application/x-www-form-urlencoded' })),
    ).toMatchObject({ status: 415 })
  })
  it('names the field', async () => {
    const answer = await problem(await lead.send('post', '/api/guides', { title: 7, kind: 'song', folderId: 'short' }))
    expect(answer.errors?.map((error) => error.pointer)).toEqual(['/body/title', '/body/kind', '/body/folderId'])
    expect((await problem(await lead.send('get', '/api/guides?page=minus'))).errors?.[0]?.pointer).toBe('/query/page')
    expect(
      (await problem(await lead.send('post', '/api/guides', { title: '   ', kind: 'how-to', folderId: null }))).errors?.[0]?.pointer,
    ).toBe('/body/title')
    expect(
      (await problem(await lead.send('post', '/api/guides', { title: 'T', kind: 'how-to', folderId: 'x'.repeat(21) }))).errors?.[0]
        ?.pointer,
    ).toBe('/body/folderId')
  })
  it.each([
    '/api/guides/nonsense/draft',
    `/api/guides/${'x'.repeat(21)}/draft`,
    `/api/people/${'x'.repeat(21)}/records`,
    '/api/nothing',
    "/api/guides/'; drop table guide; --/draft",
  ])('an unknown address answers 404: %s', async (path) => {
    expect(await problem(await lead.send('get', path))).toMatchObject({ status: 404, code: 'not-found' })
  })
  it.each([
    [
      'script behind a link',
      {
        type: 'doc',
        content: [
          { type: 'paragraph', content: [{ type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }] }] },
        ],
      },
    ],
    ['a node that does not exist', { type: 'doc', content: [{ type: 'script', content: [] }] }],
    ['HTML instead of rich text', '<script>alert(1)</script>'],
    ['text with NUL', { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'a\0b' }] }] }],
    ['half a surrogate pair', { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'a\ud800b' }] }] }],
  ])('rich text with %s is refused and changes nothing', async (_, text) => {
    const answer = await problem(await lead.send('post', `/api/guides/${guide.id}/draft/changes`, body(text)))
    expect(answer).toMatchObject({ status: 422 })
    expect(answer.errors?.[0]?.pointer).toMatch(/^\/body/)
    expect((await lead.json('get', `/api/guides/${guide.id}/draft`)).revision).toBe(0)
  })
  it('keeps words that look like HTML as words', async () => {
    const text = {
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: '<img src=x onerror=alert(1)>', onclick: 'x' }] }],
    }
    await lead.json('post', `/api/guides/${guide.id}/draft/changes`, body(text))
    const stored = JSON.stringify((await lead.json('get', `/api/guides/${guide.id}/draft`)).document)
    expect(stored).toContain('<img src=x onerror=alert(1)>')
    expect(stored).not.toContain('onclick')
  })
  it('does not upset the search with signs that mean something to a database', async () => {
    for (const find of ['%', '_', "'", '\\', '100%', '#', '99999999999999999999'])
      expect((await lead.send('get', `/api/guides?find=${encodeURIComponent(find)}`)).status).toBe(200)
    expect((await lead.json('get', '/api/guides?find=%25')).total).toBe(0)
  })
})

describe('the answers of the server', () => {
  it('forbid scripts from elsewhere and being framed', async () => {
    const { headers } = await lead.send('get', '/api/today')
    expect(headers.get('content-security-policy')).toContain("script-src 'self';")
    expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'")
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('cache-control')).toBe('no-store')
    expect(headers.get('x-powered-by')).toBeNull()
  })
  it('say when the database is gone, while the process lives', async () => {
    const lame = await startTestServer({ databaseUrl: 'postgres://nobody:x@127.0.0.1:1/none' })
    expect((await fetch(`${lame.address}/healthz`)).status).toBe(200)
    expect((await fetch(`${lame.address}/readyz`)).status).toBe(503)
    await lame.close()
  })
})
