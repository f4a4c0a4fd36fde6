import { nth, type StepId } from '../shared'
import { stepName, stepsOf, type GuideDocument } from '../guides'
import type { ActingScript } from './actingScript'
import type { PlayerState, StepResult } from './state'

/** Points for a step by the tries it took: right at once 1, at the second try a half, later a quarter. */
const POINTS_BY_TRY: readonly number[] = [1, 0.5, 0.25]
/** What a hint leaves of the points of a step. */
const HINT_LEAVES = 0.5

/** Points of one step, 0 to 1. Help is only ever taken in Practise; a step that was shown or not done has none. */
export function pointsOf({ tries, help, done }: StepResult): number {
  if (!done || help === 2) return 0
  const points = nth(POINTS_BY_TRY, Math.min(Math.max(tries, 1), POINTS_BY_TRY.length) - 1)
  return help === 1 ? points * HINT_LEAVES : points
}

/** The result of somebody who went through a guide. */
export type Score = {
  /** Whole percent of the points that could be had, rounded down, so that nobody passes by rounding. */
  percent: number
  passed: boolean
  /** Steps at which something was to be done, and those of them right at the first try and without help. */
  judged: number
  rightFirst: number
  tries: number
  ms: number
  /** Steps that were not right at once, in the order of the guide. */
  missed: string[]
}

/** Scores a way through a guide. Steps that are only read count for nothing; those that the way did not touch neither.
 * @param passMark least percentage that passes
 * @returns 0 % when nothing was judged at all */
export function scoreOf(script: ActingScript, state: Pick<PlayerState, 'results'>, passMark: number): Score {
  const judged = script.steps.filter((step) => step.doing.kind !== 'nothing' && state.results[step.id] !== undefined)
  const of = (id: string) => state.results[id]!
  const points = judged.reduce((sum, { id }) => sum + pointsOf(of(id)), 0)
  const percent = judged.length === 0 ? 0 : Math.floor((100 * points) / judged.length + 1e-9)
  return {
    percent,
    passed: judged.length > 0 && percent >= passMark,
    judged: judged.length,
    rightFirst: judged.filter(({ id }) => pointsOf(of(id)) === 1).length,
    tries: judged.reduce((sum, { id }) => sum + of(id).tries, 0),
    ms: Object.values(state.results).reduce((sum, { ms }) => sum + ms, 0),
    missed: judged.flatMap(({ id }) => (pointsOf(of(id)) < 1 ? [id] : [])),
  }
}

/** How an attempt in Solo ended. */
export type AttemptEnd = 'finished' | 'given-up' | 'expired'
/** What is known of an attempt in Solo so far, or at its end. `percent` is whole; `activeMs` is the time spent on its steps. */
export type AttemptScore = {
  percent: number
  passed: boolean
  judged: number
  rightFirst: number
  tries: number
  activeMs: number
  /** Steps that were not right at once, by the names that they have in this edition. */
  missed: { stepId: StepId; name: string; tries: number; done: boolean }[]
}

/** Scores an attempt in Solo. Whoever gives up or lets it expire has not passed, and what they did not come to counts as not done; on the way
 * to the end, and at it, only what was come to counts.
 * @param ended `null` as long as it goes on */
export function scoreOfAttempt(
  document: GuideDocument,
  script: ActingScript,
  state: Pick<PlayerState, 'results'>,
  ended: AttemptEnd | null,
): AttemptScore {
  const score = scoreOf(script, state, document.solo.passMark)
  const left = ended === 'given-up' || ended === 'expired'
  const all = left ? Math.max(score.judged, script.steps.filter((step) => step.doing.kind !== 'nothing').length) : score.judged
  const named = new Map<string, { stepId: StepId; name: string }>(
    stepsOf(document).map((step, n) => [step.id, { stepId: step.id, name: stepName(step) || String(n + 1) }]),
  )
  return {
    percent: all === 0 ? 0 : Math.floor((score.percent * score.judged) / all),
    passed: ended === 'finished' && score.passed,
    judged: all,
    rightFirst: score.rightFirst,
    tries: score.tries,
    activeMs: score.ms,
    missed: score.missed.flatMap((stepId) => {
      const [result, step] = [state.results[stepId], named.get(stepId)]
      return result && step ? [{ ...step, tries: result.tries, done: result.done }] : []
    }),
  }
}
