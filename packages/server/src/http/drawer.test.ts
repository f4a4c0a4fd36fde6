import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { afterEach, describe, expect, it } from 'vitest'
import { startDrawer, type Drawer } from './drawer'

const log = pino({ level: 'silent' })
let drawer: Drawer | null = null
afterEach(async () => drawer?.stop())

/** A drawer whose thread answers as this script says; `page` is what came, `answer` sends. */
function drawerOf(script: string, patienceMs = 20_000): Drawer {
  const file = join(mkdtempSync(join(tmpdir(), 'jackdaw-drawer-')), 'main.mjs')
  writeFileSync(
    file,
    `import { parentPort } from 'node:worker_threads'
     parentPort.on('message', (page) => { const answer = (still, more) => parentPort.postMessage({ id: page.id, still, ...more }); ${script} })`,
  )
  drawer = startDrawer(file, log, patienceMs)
  return drawer!
}
const page = (path: string) => ({ path, language: 'en', answers: { '/api/session': { name: path } } })

describe('drawing pages ahead', () => {
  it('gives each its own, also when several are asked for at once', async () => {
    const { draw } = drawerOf(`answer({ title: page.path, html: JSON.stringify(page.answers) })`)
    const drawn = await Promise.all(['/', '/library', '/guides/x'].map((path) => draw(page(path))))
    expect(drawn.map((still) => [still?.title, still?.html])).toEqual([
      ['/', '{"/api/session":{"name":"/"}}'],
      ['/library', '{"/api/session":{"name":"/library"}}'],
      ['/guides/x', '{"/api/session":{"name":"/guides/x"}}'],
    ])
  })

  it('gives nothing where it fails, and draws the next', async () => {
    const { draw } = drawerOf(`page.path === '/bad' ? answer(null, { failed: 'no' }) : answer({ title: 't', html: 'h' })`)
    expect(await draw(page('/bad'))).toBeNull()
    expect(await draw(page('/'))).toEqual({ title: 't', html: 'h' })
  })

  it('waits for nobody who does not answer, and takes no more than a few', async () => {
    const { draw } = drawerOf('', 50)
    expect(await Promise.all(Array.from({ length: 40 }, () => draw(page('/'))))).toEqual(Array.from({ length: 40 }, () => null))
  })

  it('begins again after its thread has ended', async () => {
    const { draw } = drawerOf(`page.path === '/end' ? process.exit(1) : answer({ title: '', html: page.path })`)
    expect(await draw(page('/end'))).toBeNull()
    expect((await draw(page('/again')))?.html).toBe('/again')
  })

  it('is none without a script', () => expect(startDrawer('/nowhere/main.mjs', log)).toBeNull())
})
