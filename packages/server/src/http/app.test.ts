import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { request, type IncomingHttpHeaders } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Writable } from 'node:stream'
import { brotliCompressSync, brotliDecompressSync, gunzipSync, gzipSync } from 'node:zlib'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildServer, realParts } from '../buildServer'
import {
  aGuide,
  Client,
  documentOf,
  newDatabase,
  smallCompany,
  startTestServer,
  type Company,
  type TestServer,
} from '../testing/testServer'

const PAGE =
  '<!doctype html><html lang="en"><head><title>Jackdaw</title></head><body><!-- masthead --><b>the masthead</b><!-- /masthead --></body></html>'
/** What came along with a page. */
const firstAnswersIn = (html: string): Record<string, unknown> =>
  JSON.parse(/<script type="application\/json" id="first-answers">(.*?)<\/script>/s.exec(html)?.[1] ?? 'null') as Record<string, unknown>

let folder = ''
let address = ''
let stop: () => Promise<void>
const lines: string[] = []
let seeded: TestServer
let company: Company

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'jackdaw-web-'))
  await mkdir(join(folder, 'web/assets'), { recursive: true })
  await writeFile(join(folder, 'web/index.html'), PAGE)
  await writeFile(
    join(folder, 'web/first-files.json'),
    JSON.stringify({
      fonts: ['/assets/type.woff2'],
      pages: [{ path: '/guides/:id', framed: true, scripts: ['/assets/Reader-1.js'] }],
      languages: { de: ['/assets/german-1.js'] },
    }),
  )
  await writeFile(join(folder, 'web/assets/main-abc123.js'), 'console.log(1)')
  await writeFile(join(folder, 'web/assets/main-abc123.js.gz'), gzipSync('console.log(1)'))
  await writeFile(join(folder, 'web/assets/main-abc123.js.br'), brotliCompressSync('console.log(1)'))
  await writeFile(join(folder, 'secret.txt'), 'the secret')
  const databaseUrl = await newDatabase()
  seeded = await startTestServer({ databaseUrl })
  company = await smallCompany(seeded)
  const log = pino(
    { base: undefined, level: 'debug' },
    new Writable({
      write: (line: Buffer, _encoding, done) => {
        lines.push(line.toString())
        done()
      },
    }),
  )
  const parts = realParts({ ...seeded.parts.config, webDir: join(folder, 'web') }, { log, clock: () => seeded.clock.now })
  const built = buildServer(parts)
  await new Promise<void>((resolve) => built.server.listen(0, '127.0.0.1', resolve))
  address = `http://127.0.0.1:${(built.server.address() as { port: number }).port}`
  stop = built.stop
})
afterAll(async () => {
  await seeded.close()
  await rm(folder, { recursive: true })
})
/** A request whose path is sent as it is, not tidied up first, and whose answer is taken as it comes. */
const raw = (
  path: string,
  headers: Record<string, string> = {},
): Promise<{ status: number; body: string; bytes: Buffer; headers: IncomingHttpHeaders }> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(address)
    request({ hostname, port, path, headers: { accept: 'text/html', ...headers } }, (answer) => {
      const parts: Buffer[] = []
      answer.on('data', (part: Buffer) => parts.push(part))
      answer.on('end', () => {
        const bytes = Buffer.concat(parts)
        resolve({ status: answer.statusCode ?? 0, body: bytes.toString(), bytes, headers: answer.headers })
      })
    })
      .on('error', reject)
      .end()
  })

describe('the pages', () => {
  it('are one page for every address that a browser opens, and 404 for what is not there', async () => {
    for (const path of ['/', '/library', '/guides/x/edit', '/records/people/y']) {
      const response = await fetch(address + path, { headers: { accept: 'text/html' } })
      expect([response.status, response.headers.get('cache-control')]).toEqual([200, 'no-store'])
      const text = await response.text()
      expect(text).toContain('<title>Jackdaw</title>')
      // Whoever is not signed in is told so, and nothing else.
      expect(firstAnswersIn(text)).toEqual({ '/api/session': null })
      expect(text).not.toContain('the masthead')
    }
    expect((await fetch(`${address}/api/nothing`, { headers: { accept: 'text/html' } })).status).toBe(404)
    expect((await fetch(`${address}/assets/gone.js`)).status).toBe(404)
  })
  it('come packed where the browser takes it, and for ever', async () => {
    const answer = await raw('/assets/main-abc123.js', { 'accept-encoding': 'gzip' })
    const packed = {
      encoding: answer.headers['content-encoding'],
      cache: answer.headers['cache-control'],
      text: gunzipSync(answer.bytes).toString(),
    }
    expect(packed).toEqual({ encoding: 'gzip', cache: 'public, max-age=31536000, immutable', text: 'console.log(1)' })
    const best = await raw('/assets/main-abc123.js', { 'accept-encoding': 'gzip, deflate, br' })
    expect([best.headers['content-encoding'], brotliDecompressSync(best.bytes).toString()]).toEqual(['br', 'console.log(1)'])
    const plain = await fetch(`${address}/assets/main-abc123.js`, { headers: { 'accept-encoding': 'identity' } })
    expect([plain.headers.get('content-encoding'), await plain.text()]).toEqual([null, 'console.log(1)'])
  })
  it('bring along what they begin with, for whoever asks', async () => {
    const guide = await aGuide(seeded, company, 'author', { document: documentOf('Tie </script><script>alert(1)</script> & $& up', 'Tie') })
    const client = await new Client(address).signIn('staff@example.org')
    const accept = { accept: 'text/html' }
    const page = async (path: string) => (await client.send('get', path, undefined, accept)).text()
    const reader = await page(`/guides/${guide.id}`)
    const answers = firstAnswersIn(reader)
    expect(Object.keys(answers)).toEqual(['/api/session', '/api/inbox/counts', '/api/look', `/api/guides/${guide.id}/reader`])
    expect(answers['/api/session']).toMatchObject({ id: company.people.staff })
    expect(answers[`/api/guides/${guide.id}/reader`]).toEqual(await client.json('get', `/api/guides/${guide.id}/reader`))
    expect(reader).not.toContain('<script>alert')
    expect(reader).toContain('<link rel="modulepreload" href="/assets/Reader-1.js" crossorigin>')
    expect(reader).toContain('<link rel="preload" href="/assets/type.woff2" as="font" type="font/woff2" crossorigin>')
    expect(reader).toContain('the masthead')
    // What somebody may not see does not come along; the page asks itself, and says why.
    const stranger = await new Client(address).signIn('outsider@example.org')
    const closed = await (await stranger.send('get', `/guides/${guide.id}`, undefined, accept)).text()
    expect(Object.keys(firstAnswersIn(closed))).toEqual(['/api/session', '/api/inbox/counts', '/api/look'])
    // What the address says would change the list: it does not come along, and nothing of the address is said again.
    const sought = await page('/library?find=xyzzy')
    expect(Object.keys(firstAnswersIn(sought))).toEqual(['/api/session', '/api/inbox/counts', '/api/look', '/api/folders'])
    expect(sought).not.toContain('xyzzy')
    expect(Object.keys(firstAnswersIn(await page('/library')))).toContain('/api/guides?archived=no&direction=up&page=1&sort=number')
    await client.json('patch', '/api/session', { language: 'de' }, 204)
    const german = await page('/')
    expect([german.includes('<html lang="de">'), german.includes('/assets/german-1.js')]).toEqual([true, true])
  })
  it('answer conditions and parts that do not fit, and what cannot be done to them, as problems', async () => {
    const ask = async (path: string, init: RequestInit) => {
      const response = await fetch(address + path, init)
      return [response.status, response.headers.get('content-type'), ((await response.json()) as { code: string }).code]
    }
    const type = 'application/problem+json; charset=utf-8'
    for (const path of ['/assets/main-abc123.js', '/index.html']) {
      const accept = { accept: 'text/html' }
      expect(await ask(path, { headers: { ...accept, range: 'bytes=900-', 'accept-encoding': 'identity' } })).toEqual([
        416,
        type,
        'no-such-range',
      ])
      expect(await ask(path, { headers: { ...accept, 'if-match': '"x"' } })).toEqual([412, type, 'precondition-failed'])
      const long = { ...accept, 'if-unmodified-since': 'Thu, 01 Jan 1970 00:00:00 GMT' }
      expect(await ask(path, { headers: long })).toEqual([412, type, 'precondition-failed'])
    }
    expect(await ask('/assets/main-abc123.js', { method: 'POST' })).toEqual([405, type, 'wrong-method'])
    expect((await ask('/assets/%ff', {}))[0]).toBe(400)
  })
  it.each([
    '/../secret.txt',
    '/assets/../../secret.txt',
    '/assets/%2e%2e/%2e%2e/secret.txt',
    '/%2e%2e%2fsecret.txt',
    '/assets/..%5c..%5csecret.txt',
  ])('never reach outside their folder: %s', async (path) => {
    expect((await raw(path)).body).not.toContain('the secret')
  })
})

describe('the log', () => {
  it('tells every request, and nothing about people or what they wrote', async () => {
    const guide = await aGuide(seeded, company, 'author', { texts: ['canary-step'] })
    lines.length = 0
    const client = await new Client(address).signIn('author@example.org')
    await new Client(address).send('post', '/api/session', { account: 'author@example.org', password: 'canary-password' })
    await client.json('get', `/api/guides/${guide.id}/draft`)
    await client.send('get', '/api/guides?find=canary-search')
    await client.send('post', '/api/guides', '{"title": canary-body')
    await client.send('get', `/api/people/${company.people.author}/records`)
    await new Promise((resolve) => setTimeout(resolve, 50))
    const text = lines.join('')
    expect(lines.length).toBeGreaterThanOrEqual(6)
    expect(JSON.parse(lines[0]!)).toMatchObject({ route: 'post /api/session', status: 200, ms: expect.any(Number) })
    for (const private_ of [
      'author@example.org',
      'Name of author',
      'canary',
      client.cookie.split('=')[1]!,
      company.people.author,
      guide.id,
    ])
      expect(text).not.toContain(private_)
  })
})

describe('stopping', () => {
  it('lets a running request end and takes no new ones', async () => {
    const { hostname, port } = new URL(address)
    const headers = { 'content-type': 'application/json', expect: '100-continue' }
    const call = request({ hostname, port, path: '/api/session', method: 'POST', agent: false, headers })
    const answered = new Promise<number>((resolve, reject) => {
      call.on('response', (answer) => resolve(answer.resume().statusCode ?? 0)).on('error', reject)
    })
    // The server has the request once it asks for the rest of it.
    await new Promise((resolve) => call.on('continue', resolve).write('{"account":"author@example.org",'))
    const stopped = stop()
    await expect(fetch(`${address}/healthz`)).rejects.toThrow()
    call.end('"password":"wrong"}')
    expect(await answered).toBe(401)
    await stopped
  })
})
