import { nth } from '../shared'
import type { GuideDocument } from '../guides'
import { afterSection, hasBranches, indexOf, placeOf } from '../flow'
import { actingScriptOf } from './actingScript'

/** What is wrong with the branches of a guide. `unreachable`: no way leads to the step. `endless`: from here no way leads to the end.
 * `leads-nowhere`: a choice or a rule names a step that is gone. `no-words`: a choice says nothing. `asks-later`: a rule asks for
 * something that is entered only afterwards, or nowhere. */
export type FlowFinding = {
  reason: 'unreachable' | 'endless' | 'leads-nowhere' | 'no-words' | 'asks-later'
  stepId: string
  /** The choice or rule. */
  onward?: string
}

/** Checks the branches of a guide: every step can be reached, from every step there is a way to the end, every choice leads somewhere. */
export function checkFlow(document: GuideDocument): FlowFinding[] {
  if (!hasBranches(document)) return []
  const script = actingScriptOf(document)
  const end = script.steps.length
  const findings: FlowFinding[] = []
  // Every way that anybody could be led: whatever rules ask for may hold or not.
  const edges = script.steps.map((step, at): number[] => {
    const { choices = [], rules = [] } = step.flow ?? {}
    const decided = choices.length > 0
    const to = (decided ? choices : rules).map((each) => placeOf(script, at, each.to))
    return decided ? to : [...to, at + 1]
  })
  // A place, and all that follow when it is passed over or its section left out.
  const passing = (from: number): number[] => {
    const all = new Set([from])
    for (const at of all) {
      if (script.steps[at]?.flow?.skipWhen) all.add(at + 1)
      if (script.steps[at]?.optional) all.add(afterSection(script, at))
    }
    return [...all]
  }
  const led = edges.map((to) => [...new Set(to.flatMap(passing))])
  const reached = new Set<number>()
  const waiting = script.steps.length > 0 ? passing(0) : []
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (reached.has(at) || at >= end) continue
    reached.add(at)
    waiting.push(...nth(led, at))
  }
  const ends = new Set<number>([end])
  for (let grew = true; grew;) {
    grew = false
    for (let at = end - 1; at >= 0; at--)
      if (!ends.has(at) && nth(led, at).some((to) => ends.has(to))) {
        ends.add(at)
        grew = true
      }
  }
  script.steps.forEach((step, at) => {
    const { choices = [], rules = [], skipWhen } = step.flow ?? {}
    if (!reached.has(at)) findings.push({ reason: 'unreachable', stepId: step.id })
    else if (!ends.has(at)) findings.push({ reason: 'endless', stepId: step.id })
    for (const { id, to } of [...choices, ...rules])
      if (to !== 'next' && to !== 'end' && indexOf(script, to) < 0) findings.push({ reason: 'leads-nowhere', stepId: step.id, onward: id })
    for (const { id, words } of choices) if (words.trim() === '') findings.push({ reason: 'no-words', stepId: step.id, onward: id })
    for (const { id, when } of [...rules, ...(skipWhen ? [{ id: 'skip', when: skipWhen }] : [])]) {
      if (when.of !== 'value') continue
      const asked = indexOf(script, when.stepId)
      const enters = script.steps[asked]?.doing.kind === 'enter'
      if (!enters || asked > at || (id === 'skip' && asked === at)) findings.push({ reason: 'asks-later', stepId: step.id, onward: id })
    }
  })
  return findings
}
