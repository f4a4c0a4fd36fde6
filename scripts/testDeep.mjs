// `npm run test:deep`: what takes too long for every change. Long property tests, 10,000 hostile requests, 200 kills, two servers behind
// nginx, every page that the recorder is tried on, Word files read by pandoc. Databases of its own; the last line is "N passed, N failed".
// Takes about an hour.
import { existsSync, mkdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureNode, ensureNpmPackages } from './packages.mjs'
import { commandExists, ensurePackages, ensurePostgres, Explained } from './postgres.mjs'
import { runVitest } from './runVitest.mjs'

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
const say = (line) => process.stdout.write(`${line}\n`)
let result = { passed: 0, failed: 1 }
try {
  ensureNode()
  ensureNpmPackages(ROOT, say)
  ensurePostgres(say)
  if (!commandExists('nginx')) ensurePackages(['nginx-light'], 'nginx', say)
  if (!existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium') && !commandExists('chromium')) ensurePackages(['chromium'], 'Chromium', say)
  if (!commandExists('pandoc')) ensurePackages(['pandoc'], 'pandoc', say)
  if (!commandExists('openssl')) ensurePackages(['openssl'], 'openssl', say)
  mkdirSync(join(ROOT, '.build'), { recursive: true })
  const { buildIfStale } = await import('./build.mjs')
  await buildIfStale({ quiet: true })
  // 58 endpoints: more than 10,000 requests altogether, and another seed than in every run of the tests.
  const env = {
    HOSTILE_INPUTS: '200',
    HOSTILE_SEED: process.env.HOSTILE_SEED ?? '77',
    FOREIGN_ROUNDS: '12',
    PICTURE_CLICKS: '50',
    ...process.env,
  }
  result = runVitest(ROOT, ['--config', 'vitest.deep.config.ts', ...process.argv.slice(2)], env)
} catch (error) {
  say(error instanceof Explained ? error.message : error.stack)
}
say(`${result.passed} passed, ${result.failed} failed`)
process.exit(result.failed === 0 ? 0 : 1)
