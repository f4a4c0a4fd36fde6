// What a run of the tests leaves to be read by the script that started it: counts, seconds of each part and file, and what came only at the
// second try.
import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'

export default class Reporter {
  constructor() {
    this.root = process.cwd()
    this.file = join(this.root, '.build', 'tests.json')
  }
  onTestRunStart() {
    this.files = new Map()
  }
  onTestModuleEnd(module) {
    const { duration, environmentSetupDuration, prepareDuration, collectDuration, setupDuration } = module.diagnostic()
    const counts = { passed: 0, failed: 0 }
    const again = []
    for (const test of module.children.allTests()) {
      const { state, errors: thrown } = test.result()
      counts[state === 'passed' ? 'passed' : 'failed']++
      if (state === 'passed' && (test.diagnostic()?.retryCount ?? 0) > 0)
        again.push(`${test.fullName}: ${String(thrown?.[0]?.message ?? '').slice(0, 400)}`)
    }
    const ms = duration + environmentSetupDuration + prepareDuration + collectDuration + setupDuration
    const errors = module.errors().length + [...module.children.allSuites()].flatMap((suite) => suite.errors()).length
    this.files.set(module.moduleId + module.project.name, {
      part: module.project.name,
      file: relative(this.root, module.moduleId),
      ms,
      endedAt: Date.now(),
      ...counts,
      again,
      errors,
    })
  }
  onTestRunEnd(_modules, unhandled, reason) {
    mkdirSync(dirname(this.file), { recursive: true })
    writeFileSync(this.file, JSON.stringify({ files: [...this.files.values()], unhandled: unhandled.length, reason }))
  }
}
