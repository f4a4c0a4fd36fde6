import { meanOf, varianceOf } from './statistics'

/** How well the questions of a quiz measure the same. `by`: Kuder and Richardson's formula 20 where every answer was either right or wrong, Cronbach's
 * alpha where there were parts; for answers that are right or wrong the two are the same figure. */
export type Reliability =
  | { known: true; by: 'kr-20' | 'alpha'; value: number; attempts: number; questions: number }
  | { known: false; why: 'other-questions' | 'one-question' | 'few-attempts' | 'no-spread' }

/** What the reliability is computed from. `ofQuestions`: the variance of the shares at each question; `ofTotals`: that of their sums. */
export type Spread = { attempts: number; ofQuestions: readonly number[]; ofTotals: number; dichotomous: boolean }
/** The reliability of a quiz in which all attempts had the same questions. KR-20: G. Kuder, M. Richardson, The theory of the estimation of test
 * reliability, 1937. Alpha: L. Cronbach, Coefficient alpha and the internal structure of tests, 1951. Variances are those of a population in both
 * places, as in KR-20. */
export function reliabilityFrom({ attempts, ofQuestions, ofTotals, dichotomous }: Spread): Reliability {
  const questions = ofQuestions.length
  if (attempts < 2) return { known: false, why: 'few-attempts' }
  if (questions < 2) return { known: false, why: 'one-question' }
  if (ofTotals < 1e-12) return { known: false, why: 'no-spread' }
  const value = (questions / (questions - 1)) * (1 - ofQuestions.reduce((sum, each) => sum + each, 0) / ofTotals)
  return { known: true, by: dichotomous ? 'kr-20' : 'alpha', value, attempts, questions }
}

/** The same from what each attempt has at each question: rows of shares from 0 to 1, all in the same order of questions.
 * @param rows `null` for a row that had other questions */
export function reliabilityOf(rows: readonly (readonly number[] | null)[]): Reliability {
  if (rows.some((row) => row === null)) return { known: false, why: 'other-questions' }
  const all = rows as readonly (readonly number[])[]
  const columns = Array.from({ length: all[0]?.length ?? 0 }, (_, n) => all.map((row) => row[n] ?? 0))
  return reliabilityFrom({
    attempts: all.length,
    ofQuestions: columns.map((column) => varianceOf(column) ?? 0),
    ofTotals: varianceOf(all.map((row) => row.reduce((sum, share) => sum + share, 0))) ?? 0,
    dichotomous: columns.every((column) => column.every((share) => share === 0 || share === 1)),
  })
}

/** How many attempts people made until they passed. @returns the mean, and how many people passed at which attempt */
export function attemptsToPass(people: readonly (number | null)[]): {
  mean: number | null
  passed: number
  people: number
  byAttempt: ReadonlyMap<number, number>
} {
  const passed = people.filter((each) => each !== null)
  const byAttempt = new Map<number, number>()
  for (const each of passed) byAttempt.set(each, (byAttempt.get(each) ?? 0) + 1)
  return {
    mean: meanOf(passed),
    passed: passed.length,
    people: people.length,
    byAttempt: new Map([...byAttempt].sort(([a], [b]) => a - b)),
  }
}
