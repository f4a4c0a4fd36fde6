// Runs Vitest and counts what came of it. A test that did not run has not passed.
import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'

const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`

/** What took how long, and what came only at its second try: that is a fault to be mended. */
function told({ files }) {
  const parts = [...new Set(files.map(({ part }) => part))].map((part) => {
    const own = files.filter((each) => each.part === part)
    const sum = own.reduce((all, { ms }) => all + ms, 0)
    return `${part}: ${own.length} files, ${seconds(sum)} of tests`
  })
  const slowest = [...files].sort((a, b) => b.ms - a.ms).slice(0, 10)
  const again = files.flatMap(({ file, again: names }) => names.map((name) => `MEND: passed only at its second try: ${file}: ${name}`))
  return [...parts, 'The ten slowest files:', ...slowest.map(({ file, ms }) => `  ${seconds(ms).padStart(8)}  ${file}`), ...again]
}

/** @returns how many tests passed and how many did not, and lines that tell how long they took */
export function runVitest(root, args, env = {}) {
  const report = join(root, '.build', 'tests.json')
  rmSync(report, { force: true })
  spawnSync(
    join(root, 'node_modules/.bin/vitest'),
    ['run', '--reporter=default', `--reporter=${join(root, 'scripts/reporter.mjs')}`, ...args],
    {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, FORCE_COLOR: '0', ...env },
    },
  )
  if (!existsSync(report)) return { passed: 0, failed: 1, lines: [] }
  const run = JSON.parse(readFileSync(report, 'utf8'))
  const sum = (of) => run.files.reduce((all, file) => all + file[of], 0)
  const failed = sum('failed') + sum('errors') + run.unhandled
  return { passed: sum('passed'), failed: failed === 0 && run.reason !== 'passed' ? 1 : failed, lines: told(run) }
}
