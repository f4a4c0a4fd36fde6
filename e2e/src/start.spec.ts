import { execFileSync, spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { ACCOUNTS, DEMO_PASSWORD } from '@jackdaw/demo'
import { afterAll, describe, expect, it } from 'vitest'

const DATA = `/var/tmp/jackdaw-start-${process.pid}-${randomBytes(3).toString('hex')}`
const running: ChildProcess[] = []
afterAll(() => {
  for (const child of running) child.kill('SIGKILL')
  spawnSync('pkill', ['-9', '-f', DATA])
  rmSync(DATA, { recursive: true, force: true })
})

type Started = { child: ChildProcess; output: () => string; ended: Promise<number | null>; address: Promise<string> }
function start(env: NodeJS.ProcessEnv = {}): Started {
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    env: { ...process.env, DATA_DIR: DATA, PORT: '0', DEMO_ANCHOR: '2026-03-10', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  running.push(child)
  let text = ''
  const ended = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)))
  const address = new Promise<string>((resolve, reject) => {
    const read = (part: Buffer) => {
      text += part.toString()
      const found = /Jackdaw is at (http:\/\/\S+)/.exec(text)
      if (found) resolve(found[1]!)
    }
    child.stdout!.on('data', read)
    child.stderr!.on('data', read)
    void ended.then(() => reject(new Error(`it ended: ${text}`)))
  })
  address.catch(() => undefined)
  return { child, output: () => text, ended, address }
}
const processesOf = (what: string): string => spawnSync('pgrep', ['-f', what], { encoding: 'utf8' }).stdout.trim()
const guides = async (address: string): Promise<number> => {
  const signedIn = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ account: ACCOUNTS[1]!.mail, password: DEMO_PASSWORD }),
  })
  const cookie = signedIn.headers
    .getSetCookie()
    .find((each) => each.startsWith('jackdaw='))!
    .split(';')[0]!
  return ((await (await fetch(`${address}/api/guides`, { headers: { cookie } })).json()) as { total: number }).total
}
const until = async (true_: () => boolean): Promise<void> => {
  for (let i = 0; i < 1_600 && !true_(); i++) await new Promise((resolve) => setTimeout(resolve, 50))
  expect(true_()).toBe(true)
}

describe('npm start', () => {
  it('is broken off in the middle of the first load, and begins it again', async () => {
    const first = start({ LOG: 'yes' })
    await until(() => first.output().includes('loading the demo company'))
    await new Promise((resolve) => setTimeout(resolve, 1_200))
    first.child.kill('SIGKILL')
    spawnSync('pkill', ['-9', '-f', DATA])
    await first.ended
    const second = start()
    expect(await guides(await second.address)).toBe(18)
    for (const { who, name, mail } of ACCOUNTS) expect(second.output()).toMatch(new RegExp(`${who} +${mail} +${name}`))
    expect(second.output()).toContain(DEMO_PASSWORD)
    second.child.kill('SIGTERM')
    expect(await second.ended).toBe(0)
    expect(processesOf(`${DATA}/pg`)).toBe('')
    expect(existsSync(join(DATA, 'pg/postmaster.pid'))).toBe(false)
  })
  it('keeps its secrets to itself and its data from start to start, and recovers from a kill', async () => {
    expect(statSync(join(DATA, 'database-password')).mode & 0o077).toBe(0)
    const one = start()
    const address = await one.address
    expect(readFileSync(join(DATA, 'pg/postmaster.pid'), 'utf8')).toContain('127.0.0.1')
    spawnSync('pkill', ['-9', '-f', `${DATA}/pg`])
    one.child.kill('SIGKILL')
    await one.ended
    const two = start()
    expect(await guides(await two.address)).toBe(18)
    expect(await two.address).not.toBe(address)
    two.child.kill('SIGINT')
    expect(await two.ended).toBe(0)
  })
  it('stops when npm is ended, which does not tell its child', async () => {
    const shell = spawn('sh', ['-c', `DATA_DIR=${DATA} PORT=0 ${process.execPath} scripts/start.mjs & wait`], {
      stdio: ['ignore', 'pipe', 'ignore'],
    })
    let text = ''
    shell.stdout.on('data', (part: Buffer) => void (text += part.toString()))
    await until(() => text.includes('Jackdaw is at'))
    shell.kill('SIGKILL')
    await until(() => processesOf(`${DATA}/pg`) === '' && !existsSync(join(DATA, 'pg/postmaster.pid')))
  })
  it('explains a taken port and a wrong one in a line', async () => {
    const blocker = createServer()
    await new Promise<void>((resolve) => blocker.listen(0, '127.0.0.1', resolve))
    const { port } = blocker.address() as { port: number }
    const taken = start({ PORT: String(port) })
    expect(await taken.ended).toBe(1)
    expect(taken.output().trim()).toBe(
      `Port ${port} is taken, perhaps by a Jackdaw that runs already. Choose another one: PORT=${port + 1} npm start`,
    )
    blocker.close()
    const wrong = start({ PORT: 'high' })
    expect(await wrong.ended).toBe(1)
    expect(wrong.output().trim()).toBe('PORT must be a number from 0 to 65535; it is "high".')
  })
  it('refuses data of another PostgreSQL and of another user, saying what to do', async () => {
    const version = join(DATA, 'pg/PG_VERSION')
    const real = readFileSync(version, 'utf8')
    writeFileSync(version, '9\n')
    const old = start()
    expect(await old.ended).toBe(1)
    expect(old.output()).toMatch(/was made by PostgreSQL 9; installed is \d+\. Install postgresql-9, or remove the folder/)
    writeFileSync(version, real)
    if (process.getuid?.() !== 0) return
    const owner = execFileSync('stat', ['-c', '%u:%g', join(DATA, 'pg')], { encoding: 'utf8' }).trim()
    execFileSync('chown', ['12345', join(DATA, 'pg')])
    const foreign = start()
    expect(await foreign.ended).toBe(1)
    expect(foreign.output()).toContain('belongs to another user (number 12345)')
    execFileSync('chown', [owner, join(DATA, 'pg')])
  })
})
