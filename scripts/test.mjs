// `npm test`: everything that CI runs. Installs what is missing; uses databases of its own. The last line is "N passed, N failed".
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureNode, ensureNpmPackages } from './packages.mjs'
import { commandExists, ensurePackages, ensurePostgres, Explained } from './postgres.mjs'
import { runVitest } from './runVitest.mjs'

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
const SOURCES = ['packages', 'standins', 'demo', 'e2e', 'bench']
const say = (line) => process.stdout.write(`${line}\n`)
const result = { passed: 0, failed: 0 }

/** @returns whether the command ended well; what it said is told when it did not */
function check(name, command, args) {
  const startedAt = Date.now()
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, FORCE_COLOR: '0' } })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (output += part))
    child.on('error', (error) => (output += error.message))
    child.on('close', (status) => {
      const ok = status === 0
      result[ok ? 'passed' : 'failed']++
      say(`${ok ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - startedAt) / 1000).toFixed(1)} s)`)
      if (!ok) say(output)
      resolve(ok)
    })
  })
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
  // PDFs are read back with these.
  if (!commandExists('pdftotext')) ensurePackages(['poppler-utils'], 'Poppler', say)
  mkdirSync(join(ROOT, '.build'), { recursive: true })
  const bin = (name) => join(ROOT, 'node_modules/.bin', name)
  const others = async () => {
    await check('lock file fits the packages', 'npm', ['ci', '--dry-run', '--ignore-scripts', '--no-audit', '--no-fund'])
    await check('format', bin('prettier'), ['--check', '--log-level', 'warn', '**/*.{ts,tsx,mjs,cjs}'])
    await check('lint', bin('eslint'), ['.', '--max-warnings', '0'])
    await check('who imports whom', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', ...SOURCES])
    await check('words of the pages', process.execPath, ['scripts/words.mjs'])
    await check('nothing unused', bin('knip'), ['--no-progress'])
  }
  // The types take as long as everything else together.
  await Promise.all([check('types', bin('tsc'), ['-b']), others()])
  if (await check('build', process.execPath, ['scripts/build.mjs'])) vitest()
} catch (error) {
  say(error instanceof Explained ? error.message : error.stack)
  result.failed++
}
say(`${result.passed} passed, ${result.failed} failed`)
process.exit(result.failed === 0 ? 0 : 1)
