import type { PlayerState, StepResult } from './state'
import type { Script } from './script'

/** Points for a step by the tries it took: right at once 1, at the second try a half, later a quarter. */
export const POINTS_BY_TRY: readonly number[] = [1, 0.5, 0.25]
/** What a hint leaves of the points of a step. */
export const HINT_LEAVES = 0.5

/** Points of one step, 0 to 1. Help is only ever taken in Practise; a step that was shown or not done has none. */
export function pointsOf({ tries, help, done }: StepResult): number {
  if (!done || help === 2) return 0
  const points = POINTS_BY_TRY[Math.min(Math.max(tries, 1), POINTS_BY_TRY.length) - 1]!
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
export function scoreOf(script: Script, state: Pick<PlayerState, 'results'>, passMark: number): Score {
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
