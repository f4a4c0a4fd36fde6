import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { clusterFolder, commandExists, freePort, postgresPrograms, runningPort, secret } from './postgres.mjs'

const isRoot = process.getuid?.() === 0
let folder = ''
beforeAll(() => {
  folder = mkdtempSync('/var/tmp/jackdaw-scripts-')
  chmodSync(folder, 0o755)
})
afterAll(() => rmSync(folder, { recursive: true }))

describe('a secret', () => {
  it('is made once, long, and for its owner’s eyes only', () => {
    const file = join(folder, 'deep/secret')
    const made = secret(file)
    expect(made).toMatch(/^[\w-]{43}$/)
    expect(secret(file)).toBe(made)
    expect(statSync(file).mode & 0o077).toBe(0)
  })
  it('is made anew when the file holds none', () => {
    const file = join(folder, 'empty')
    writeFileSync(file, '\n')
    expect(secret(file)).toBe(readFileSync(file, 'utf8').trim())
    expect(secret(join(folder, 'other'))).not.toBe(secret(file))
  })
})

describe('the folder of the database', () => {
  it('is inside the data folder where PostgreSQL’s user can get there', () => {
    expect(clusterFolder(join(folder, 'data'), 'pg')).toBe(join(folder, 'data/pg'))
  })
  it('is elsewhere, and always in the same place, where it cannot', () => {
    const shut = join(folder, 'shut')
    mkdirSync(shut, { mode: 0o700 })
    const chosen = clusterFolder(join(shut, 'data'), 'pg')
    expect(chosen).toMatch(isRoot ? /^\/var\/lib\/jackdaw\/[0-9a-f]{12}\/pg$/ : /shut\/data\/pg$/)
    expect(clusterFolder(join(shut, 'data'), 'pg')).toBe(chosen)
    expect(clusterFolder(join(shut, 'other'), 'pg')).not.toBe(chosen)
  })
})

describe('a database that may still run', () => {
  it('is not believed by its file alone', () => {
    expect(runningPort(folder)).toBeNull()
    writeFileSync(join(folder, 'postmaster.pid'), `999999\n/x\n0\n5555\n`)
    expect(runningPort(folder)).toBeNull()
    // A process that lives, but is no PostgreSQL: its number was given away again.
    writeFileSync(join(folder, 'postmaster.pid'), `${process.pid}\n/x\n0\n5555\n`)
    expect(runningPort(folder)).toBeNull()
  })
})

describe('the machine', () => {
  it('has the newest PostgreSQL’s programs where they are said to be', () => {
    const found = postgresPrograms()
    expect(Number(found?.version)).toBeGreaterThanOrEqual(15)
    expect(existsSync(join(found.bin, 'initdb'))).toBe(true)
  })
  it('gives free ports that can be listened on', async () => {
    const port = await freePort()
    const server = createServer()
    await new Promise((resolve, reject) => server.once('error', reject).listen(port, '127.0.0.1', resolve))
    server.close()
  })
  it('is asked for a program without being fooled', () => {
    expect(commandExists('sh')).toBe(true)
    expect(commandExists('no-such-program-here')).toBe(false)
  })
})
