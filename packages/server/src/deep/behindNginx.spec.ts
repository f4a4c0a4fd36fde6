import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { request } from 'node:https'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { SIGN_IN_LIMITS } from '@jackdaw/core/people'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newDatabase, PASSWORD, smallCompany, startTestServer } from '../testing/testServer'
import { startBuilt, type RunningServer } from '../testing/builtServer'

// The set-up of docs/security.md: nginx from Debian's packages speaks TLS, two servers stand behind it on one database and one folder.
let folder = ''
let nginx: ChildProcess
let port = 0
const servers: RunningServer[] = []
let storage = ''

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port: free } = server.address() as { port: number }
      server.close(() => resolve(free))
    })
  })

const configuration = (addresses: readonly string[]): string => `
worker_processes 1; daemon off; pid ${folder}/nginx.pid; error_log ${folder}/error.log;
events { worker_connections 256; }
http {
  access_log off;
  client_body_temp_path ${folder}/body; proxy_temp_path ${folder}/proxy; fastcgi_temp_path ${folder}/f; uwsgi_temp_path ${folder}/u; scgi_temp_path ${folder}/s;
  upstream jackdaw { ${addresses.map((each) => `server ${each.replace('http://', '')};`).join(' ')} keepalive 16; }
  server {
    listen 127.0.0.1:${port} ssl;
    ssl_certificate ${folder}/cert.pem; ssl_certificate_key ${folder}/key.pem;
    client_max_body_size 64m;
    location / {
      proxy_pass http://jackdaw;
      proxy_http_version 1.1; proxy_set_header Connection "";
      proxy_set_header Host $http_host;
      proxy_set_header X-Forwarded-Proto $scheme;
      proxy_set_header X-Forwarded-For $remote_addr;
    }
  }
}`

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'jackdaw-nginx-'))
  storage = mkdtempSync(join(tmpdir(), 'jackdaw-files-'))
  const databaseUrl = await newDatabase()
  const seeded = await startTestServer({ databaseUrl, storageDir: storage, clock: { now: Date.now() } })
  await smallCompany(seeded)
  await seeded.close()
  for (let n = 0; n < 2; n++) servers.push(await startBuilt(databaseUrl, storage, { HTTPS: 'yes' }))
  const made = spawnSync('openssl', [
    ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=localhost'],
    ...['-keyout', join(folder, 'key.pem'), '-out', join(folder, 'cert.pem')],
  ])
  if (made.status !== 0) throw new Error(`openssl: ${made.stderr.toString()}`)
  port = await freePort()
  writeFileSync(join(folder, 'nginx.conf'), configuration(servers.map((server) => server.address)))
  nginx = spawn('nginx', ['-c', join(folder, 'nginx.conf'), '-p', folder], { stdio: ['ignore', 'inherit', 'inherit'] })
  for (let n = 0; n < 100; n++) {
    const ready = await send('GET', '/readyz').then(
      (answer) => answer.status === 200,
      () => false,
    )
    if (ready) return
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error('nginx does not answer')
}, 60_000)
afterAll(() => {
  nginx?.kill('SIGTERM')
  for (const server of servers) server.child.kill('SIGKILL')
  rmSync(folder, { recursive: true, force: true })
  rmSync(storage, { recursive: true, force: true })
})

type Answer = { status: number; cookies: string[]; headers: NodeJS.Dict<string | string[]>; json: any }
function send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const call = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        rejectUnauthorized: false,
        agent: false,
        headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      },
      (answer) => {
        let text = ''
        answer.on('data', (part) => (text += part))
        answer.on('end', () =>
          resolve({
            status: answer.statusCode ?? 0,
            cookies: answer.headers['set-cookie'] ?? [],
            headers: answer.headers,
            json: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text,
          }),
        )
      },
    )
    call.on('error', reject)
    call.end(body === undefined ? undefined : JSON.stringify(body))
  })
}
const signIn = (mail: string, password: string, headers = {}) => send('POST', '/api/session', { account: mail, password }, headers)

describe('two servers behind nginx with TLS', () => {
  it('let people sign in, and know them on either', async () => {
    const answer = await signIn('lead@example.org', PASSWORD)
    expect(answer.status).toBe(200)
    for (const cookie of answer.cookies) expect(cookie).toMatch(/; Secure/)
    expect(answer.headers['strict-transport-security']).toContain('max-age')
    const cookie = answer.cookies.map((each) => each.split(';')[0]).join('; ')
    for (let n = 0; n < 8; n++) expect((await send('GET', '/api/session', undefined, { cookie })).json.name).toBe('Name of lead')
    const origin = `https://127.0.0.1:${port}`
    const folderOf = (from: string) =>
      send('POST', '/api/folders', { name: 'Office', parentId: null }, { cookie, 'x-csrf-token': answer.json.csrf, origin: from })
    expect((await folderOf(origin)).status).toBe(200)
    expect((await folderOf('https://elsewhere.example')).status).toBe(403)
  })
  it('count guesses together, by the address that nginx saw and not by one that somebody made up', async () => {
    const statuses = []
    for (let n = 0; n < SIGN_IN_LIMITS.free.pair + 1; n++)
      statuses.push((await signIn('staff@example.org', 'guess', { 'x-forwarded-for': `203.0.113.${n}` })).status)
    expect(statuses).toEqual([...Array.from({ length: SIGN_IN_LIMITS.free.pair }, () => 401), 429])
  })
  it('go on when one of them is killed', async () => {
    const answer = await signIn('author@example.org', PASSWORD)
    const cookie = answer.cookies.map((each) => each.split(';')[0]).join('; ')
    servers[0]!.child.kill('SIGKILL')
    await servers[0]!.ended
    for (let n = 0; n < 6; n++) expect((await send('GET', '/api/today', undefined, { cookie })).status).toBe(200)
  })
  it('give the pages with what they need', async () => {
    const page = await send('GET', '/library', undefined, { accept: 'text/html' })
    expect([page.status, page.headers['content-security-policy']]).toEqual([200, expect.stringContaining("script-src 'self'")])
  })
})
