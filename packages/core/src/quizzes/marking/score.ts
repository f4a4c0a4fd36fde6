import type { Mark } from './mark'

/** The result of an attempt. `percent`: whole, of the points that could be had. */
export type QuizScore = { points: number; most: number; percent: number; right: number; questions: number; passed: boolean }

/** What is lost when shares of points are added up must not cost anybody a percent. */
const ROUNDING = 1e-9

/** Scores an attempt from the marks of its questions. The percentage is rounded down, so that nobody passes by rounding; without any points
 * to be had, as where every question was voided, it is 100.
 * @param passMark least percentage that passes
 * @returns `null` as long as a person has to judge some of it */
export function scoreOf(marks: readonly Mark[], passMark: number): QuizScore | null {
  if (marks.some(({ verdict }) => verdict === 'waits')) return null
  const [points, most] = [marks.reduce((sum, mark) => sum + mark.points, 0), marks.reduce((sum, mark) => sum + mark.most, 0)]
  const percent = most === 0 ? 100 : Math.floor((100 * points) / most + ROUNDING)
  return {
    ...{ points, most, percent, passed: percent >= passMark },
    right: marks.filter(({ verdict }) => verdict === 'right').length,
    questions: marks.length,
  }
}
