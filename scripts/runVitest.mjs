// Runs Vitest and counts what came of it. A test that did not run has not passed.
import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'

/** @returns how many tests passed and how many did not */
export function runVitest(root, args, env = {}) {
  const report = join(root, '.build', 'tests.json')
  rmSync(report, { force: true })
  spawnSync(
    join(root, 'node_modules/.bin/vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`, ...args],
    { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, FORCE_COLOR: '0', ...env } },
  )
  if (!existsSync(report)) return { passed: 0, failed: 1 }
  const { numPassedTests, numFailedTests, numPendingTests, numTodoTests, success } = JSON.parse(readFileSync(report, 'utf8'))
  const failed = numFailedTests + numPendingTests + numTodoTests
  return { passed: numPassedTests, failed: !success && failed === 0 ? 1 : failed }
}
