import { stepsOf, toAcknowledge, type Flow, type GuideDocument, type Step, type Target } from '../guides'

/** A step as far as it is asked where to go on. */
export type ScriptStep = {
  id: string
  /** The section it belongs to, if it has one. */
  sectionId: string | null
  /** Whether that section may be left out. */
  optional: boolean
  /** Whether its cautions are to be acknowledged. */
  acknowledge: boolean
  flow: Flow | undefined
}

/** What is needed of an edition to go through it: its steps in order and how they hang together. Made of the document, never stored. */
export type Script<S extends ScriptStep = ScriptStep> = { steps: readonly S[]; confirmSteps: boolean; language: string }

/** The end of a guide, where a step would stand. */
export const END = 'end'

/** What is known of whoever uses the guide, as far as rules ask for it. */
export type Person = { roles: readonly string[]; sites: readonly string[]; language: string }

/** Makes the script of a document.
 * @param more what else is needed of each step
 * @param only leaves these steps only, without branches; for practising what went wrong */
export function scriptOf<M extends object>(
  document: GuideDocument,
  more: (step: Step) => M,
  only: readonly string[] | null = null,
): Script<ScriptStep & M> {
  const steps: (ScriptStep & M)[] = []
  let section: { id: string; optional: boolean } | null = null
  for (const item of document.items) {
    if (item.kind === 'section') section = { id: item.id, optional: item.optional === true }
    if (item.kind === 'step' && (only === null || only.includes(item.id)))
      steps.push({
        id: item.id,
        sectionId: section?.id ?? null,
        optional: section?.optional === true,
        acknowledge: toAcknowledge(item.cautions).length > 0,
        flow: only === null ? item.flow : undefined,
        ...more(item),
      })
  }
  return { steps, confirmSteps: document.confirmSteps, language: document.language }
}

/** Where a step stands, from 0; −1 for none. */
export const indexOf = (script: Script, id: string): number => script.steps.findIndex((step) => step.id === id)

/** Whether a guide goes on otherwise than from each step to the next. */
export const hasBranches = (document: GuideDocument): boolean =>
  stepsOf(document).some(
    ({ flow }) => flow && ((flow.choices?.length ?? 0) > 0 || (flow.rules?.length ?? 0) > 0 || flow.skipWhen !== undefined),
  ) || document.items.some((item) => item.kind === 'section' && item.optional)

/** The place that a target means, as an index; the number of steps means the end. A step that is gone means the one that follows. */
export function placeOf(script: Script, from: number, target: Target): number {
  if (target === 'end') return script.steps.length
  const at = target === 'next' ? from + 1 : indexOf(script, target)
  return at < 0 ? from + 1 : at
}
