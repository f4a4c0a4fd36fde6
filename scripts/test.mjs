// `npm test`: everything that CI runs. Installs what is missing; uses databases of its own. The last line is "N passed, N failed".
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureNode, ensureNpmPackages } from './packages.mjs'
import { commandExists, ensurePackages, ensurePostgres, Explained } from './postgres.mjs'
import { runVitest } from './runVitest.mjs'

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
const say = (line) => process.stdout.write(`${line}\n`)
const result = { passed: 0, failed: 0 }

function check(name, command, args) {
  const startedAt = Date.now()
  const done = spawnSync(command, args, {
    cwd: ROOT,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, FORCE_COLOR: '0' },
  })
  const ok = done.status === 0
  result[ok ? 'passed' : 'failed']++
  say(`${ok ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - startedAt) / 1000).toFixed(1)} s)`)
  if (!ok) say(`${done.stdout}\n${done.stderr}`)
  return ok
}

function vitest() {
  const startedAt = Date.now()
  const { passed, failed, lines } = runVitest(ROOT, process.argv.slice(2))
  say(`${lines.join('\n')}\nAll tests: ${((Date.now() - startedAt) / 1000).toFixed(1)} s`)
  result.passed += passed
  result.failed += failed
}

try {
  ensureNode()
  ensureNpmPackages(ROOT, say)
  ensurePostgres(say)
  if (!existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium') || !commandExists('chromium')) ensurePackages(['chromium'], 'Chromium', say)
  mkdirSync(join(ROOT, '.build'), { recursive: true })
  const bin = (name) => join(ROOT, 'node_modules/.bin', name)
  check('lock file fits the packages', 'npm', ['ci', '--dry-run', '--ignore-scripts', '--no-audit', '--no-fund'])
  check('types', bin('tsc'), ['-b'])
  check('format', bin('prettier'), ['--check', '--log-level', 'warn', '**/*.{ts,tsx,mjs,cjs}'])
  check('lint', bin('eslint'), ['.', '--max-warnings', '0'])
  check('who imports whom', bin('depcruise'), [
    '--config',
    '.dependency-cruiser.cjs',
    '--output-type',
    'err',
    'packages',
    'standins',
    'demo',
    'e2e',
    'bench',
  ])
  check('words of the pages', process.execPath, ['scripts/words.mjs'])
  check('nothing unused', bin('knip'), ['--no-progress'])
  if (check('build', process.execPath, ['scripts/build.mjs'])) vitest()
} catch (error) {
  say(error instanceof Explained ? error.message : error.stack)
  result.failed++
}
say(`${result.passed} passed, ${result.failed} failed`)
process.exit(result.failed === 0 ? 0 : 1)
