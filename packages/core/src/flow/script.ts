import { stepsOf, toAcknowledge, type Flow, type GuideDocument, type GuideQuiz, type Step, type Target } from '../guides'
import type { Policy } from '../ways'

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
  /** What is needed of the quiz that stands here; `null` where a step stands. */
  quiz: GuideQuiz['need'] | null
}

/** What is needed of an edition to go through it: its steps in order, with the quizzes among them, and how they hang together. Made of the document, never stored. */
export type Script<S extends ScriptStep = ScriptStep> = { steps: readonly S[]; confirmSteps: boolean; language: string }

/** The end of a guide, where a step would stand. */
export const END = 'end'

/** What is known of whoever uses the guide, as far as rules ask for it. */
export type Person = { roles: readonly string[]; sites: readonly string[]; language: string }

/** Makes the script of a document.
 * @param more what else is needed of each step; `null` stands for a quiz
 * @param quizzes which quizzes among the steps stand in it: all, those behind which it goes on only when they are settled, or none
 * @param only leaves these steps only, without branches; for practising what went wrong */
export function scriptOf<M extends object>(
  document: GuideDocument,
  more: (step: Step | null) => M,
  quizzes: Policy['quizzes'],
  only: readonly string[] | null = null,
): Script<ScriptStep & M> {
  const steps: (ScriptStep & M)[] = []
  let section: { id: string; optional: boolean } | null = null
  const stands = (item: Step | GuideQuiz): boolean => {
    if (item.kind === 'step') return only === null || only.includes(item.id)
    return only === null && (quizzes === 'all' || (quizzes === 'needed' && item.need !== 'nothing'))
  }
  for (const item of document.items) {
    if (item.kind === 'section') section = { id: item.id, optional: item.optional === true }
    else if (stands(item)) {
      const step = item.kind === 'step' ? item : null
      steps.push({
        id: item.id,
        sectionId: section?.id ?? null,
        optional: section?.optional === true,
        acknowledge: toAcknowledge(step?.cautions).length > 0,
        flow: only === null ? step?.flow : undefined,
        quiz: item.kind === 'quiz' ? item.need : null,
        ...more(step),
      })
    }
  }
  return { steps, confirmSteps: document.confirmSteps, language: document.language }
}

const places = new WeakMap<Script['steps'], ReadonlyMap<string, number>>()
/** Where a step stands, from 0; −1 for none. */
export function indexOf({ steps }: Script, id: string): number {
  let found = places.get(steps)
  if (!found) places.set(steps, (found = new Map(steps.map((step, n) => [step.id, n]))))
  return found.get(id) ?? -1
}

/** Number of a step among the steps, from 1; that of a quiz is the number of steps before it, and the end's the number of all. */
export const numberAt = (script: Script, at: number): number => script.steps.slice(0, at + 1).filter(({ quiz }) => quiz === null).length

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
