import type { Mark } from './mark'

/** The result of an attempt. `percent`: whole, of the points that could be had; `questions`: how many count: those that were voided do not. */
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
  const percent = percentFrom(points, most)
  const counted = marks.filter((mark) => mark.most > 0)
  return {
    ...{ points, most, percent, passed: percent >= passMark },
    right: counted.filter(({ verdict }) => verdict === 'right').length,
    questions: counted.length,
  }
}

const percentFrom = (points: number, most: number): number => (most === 0 ? 100 : Math.floor((100 * points) / most + ROUNDING))

/** The result of an attempt in which one mark became another, without the others.
 * @param before what it was @param was the mark as it was @param anew the mark as it is now */
export function scoreFrom(
  before: Pick<QuizScore, 'points' | 'most' | 'right' | 'questions'>,
  was: Mark,
  anew: Mark,
  passMark: number,
): QuizScore {
  const points = before.points - was.points + anew.points
  const most = before.most - was.most + anew.most
  const percent = percentFrom(points, most)
  const isRight = ({ verdict, most: had }: Mark) => (verdict === 'right' && had > 0 ? 1 : 0)
  return {
    ...{ points, most, percent, passed: percent >= passMark, right: before.right - isRight(was) + isRight(anew) },
    questions: before.questions - (was.most > 0 ? 1 : 0) + (anew.most > 0 ? 1 : 0),
  }
}
