import { stepsOf, type GuideDocument } from '../guides'

/** A way on that does not simply lead to the next step: from a step to a step, or to `end`. */
export type FlowLine = { key: string; from: string; to: string; byRule: boolean }

/** The lines that show how a guide branches. Rules that are not asked, because there are choices, have none; a step that may be passed
 * over has one around it. */
export function flowLines(document: GuideDocument): FlowLine[] {
  const steps = stepsOf(document)
  const known = new Set<string>(steps.map((step) => step.id))
  return steps.flatMap((step, at) => {
    const { choices = [], rules = [], skipWhen } = step.flow ?? {}
    const ways = choices.length > 0 ? choices : rules
    const lines = ways.flatMap(({ id, to }): FlowLine[] =>
      to === 'end' || known.has(to) ? [{ key: `${step.id} ${id}`, from: step.id, to, byRule: choices.length === 0 }] : [],
    )
    const before = steps[at - 1]
    if (skipWhen && before) lines.push({ key: `${step.id} skip`, from: before.id, to: steps[at + 1]?.id ?? 'end', byRule: true })
    return lines
  })
}
