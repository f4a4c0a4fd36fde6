// Installs the npm packages when they are missing or older than the lock file. Plain Node.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Explained } from './postgres.mjs'

export function ensureNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) throw new Explained(`Node.js 20.19 or newer is needed; this is ${process.versions.node}.`)
}

export function ensureNpmPackages(root, say) {
  const stamp = join(root, 'node_modules', '.installed-from')
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  if (existsSync(join(root, 'node_modules')) && process.getuid?.() !== 0 && statSync(join(root, 'node_modules')).uid !== process.getuid?.())
    throw new Explained('node_modules belongs to another user. Remove it as that user, then start again.')
  say('Installing npm packages (one to three minutes) …')
  const done = spawnSync('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'pipe'],
    encoding: 'utf8',
  })
  if (done.status !== 0)
    throw new Explained(`npm packages could not be installed: ${(done.stderr ?? '').trim().split('\n').slice(0, 4).join(' ')}`)
  writeFileSync(stamp, lock)
}
