import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Writable } from 'node:stream'
import { gunzipSync, gzipSync } from 'node:zlib'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildServer, realParts } from '../buildServer'
import { aGuide, Client, newDatabase, smallCompany, startTestServer, type TestServer } from '../testing/testServer'

let folder = ''
let address = ''
let stop: () => Promise<void>
const lines: string[] = []
let seeded: TestServer

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'jackdaw-web-'))
  await mkdir(join(folder, 'web/assets'), { recursive: true })
  await writeFile(join(folder, 'web/index.html'), '<!doctype html><title>Jackdaw</title>')
  await writeFile(join(folder, 'web/assets/main-abc123.js'), 'console.log(1)')
  await writeFile(join(folder, 'web/assets/main-abc123.js.gz'), gzipSync('console.log(1)'))
  await writeFile(join(folder, 'secret.txt'), 'the secret')
  const databaseUrl = await newDatabase()
  seeded = await startTestServer({ databaseUrl })
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
/** A request whose path is sent as it is, not tidied up first. */
const raw = (path: string): Promise<{ status: number; body: string }> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(address)
    request({ hostname, port, path, headers: { accept: 'text/html' } }, (answer) => {
      let body = ''
      answer.on('data', (part) => (body += part))
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body }))
    })
      .on('error', reject)
      .end()
  })

describe('the pages', () => {
  it('are one page for every address that a browser opens, and 404 for what is not there', async () => {
    for (const path of ['/', '/library', '/guides/x/edit', '/records/people/y']) {
      const response = await fetch(address + path, { headers: { accept: 'text/html' } })
      expect([response.status, response.headers.get('cache-control'), await response.text()]).toEqual([
        200,
        'no-cache',
        '<!doctype html><title>Jackdaw</title>',
      ])
    }
    expect((await fetch(`${address}/api/nothing`, { headers: { accept: 'text/html' } })).status).toBe(404)
    expect((await fetch(`${address}/assets/gone.js`)).status).toBe(404)
  })
  it('come packed where the browser takes it, and for ever', async () => {
    const packed = await new Promise<{ encoding: string | undefined; cache: string | undefined; text: string }>((resolve, reject) => {
      request(`${address}/assets/main-abc123.js`, { headers: { 'accept-encoding': 'gzip' } }, (answer) => {
        const parts: Buffer[] = []
        answer.on('data', (part: Buffer) => parts.push(part))
        answer.on('end', () =>
          resolve({
            encoding: answer.headers['content-encoding'],
            cache: answer.headers['cache-control'],
            text: gunzipSync(Buffer.concat(parts)).toString(),
          }),
        )
      })
        .on('error', reject)
        .end()
    })
    expect(packed).toEqual({ encoding: 'gzip', cache: 'public, max-age=31536000, immutable', text: 'console.log(1)' })
    const plain = await fetch(`${address}/assets/main-abc123.js`, { headers: { 'accept-encoding': 'identity' } })
    expect([plain.headers.get('content-encoding'), await plain.text()]).toEqual([null, 'console.log(1)'])
  })
  it('answer conditions and parts that do not fit, and what cannot be done to them, as problems', async () => {
    const ask = async (path: string, init: RequestInit) => {
      const response = await fetch(address + path, init)
      return [response.status, response.headers.get('content-type'), ((await response.json()) as { code: string }).code]
    }
    const type = 'application/problem+json; charset=utf-8'
    for (const path of ['/assets/main-abc123.js', '/library']) {
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
    const company = await smallCompany(seeded)
    const guide = await aGuide(seeded, company, 'author', { texts: ['canary-step'] })
    lines.length = 0
    const client = await new Client(address).signIn('author@example.org')
    await new Client(address).send('post', '/api/session', { mail: 'author@example.org', password: 'canary-password' })
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
    const answered = new Promise<number>((resolve, reject) => {
      const call = request(
        { hostname, port, path: '/api/session', method: 'POST', headers: { 'content-type': 'application/json' } },
        (answer) => {
          answer.resume()
          resolve(answer.statusCode ?? 0)
        },
      ).on('error', reject)
      call.write('{"mail":"author@example.org",')
      setTimeout(() => call.end('"password":"wrong"}'), 400)
    })
    await new Promise((resolve) => setTimeout(resolve, 100))
    const stopped = stop()
    await new Promise((resolve) => setTimeout(resolve, 100))
    await expect(fetch(`${address}/healthz`)).rejects.toThrow()
    expect(await answered).toBe(401)
    await stopped
  })
})
