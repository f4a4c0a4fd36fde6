import { valuesOf, type SurveyAnswer, type SurveyQuestion } from './question'

/** What answers come to: how often each value was given, in order; the mean of stars and places, and `null` where there is none; and how many gave
 * words only. `answers` = all of `counts` + `onlyWords`. */
export type SurveyResults = { answers: number; counts: { value: number; times: number }[]; mean: number | null; onlyWords: number }

/** Counts the answers to a question. An answer that its question no longer takes cannot be: questions do not change once they are asked. */
export function resultsOf(question: SurveyQuestion, answers: readonly SurveyAnswer[]): SurveyResults {
  const given = answers.flatMap(({ value }) => (value === null ? [] : [value]))
  const counts = valuesOf(question).map((value) => ({ value, times: given.filter((each) => each === value).length }))
  const isMeasured = question.kind === 'stars' || question.kind === 'scale'
  return {
    answers: answers.length,
    counts,
    mean: isMeasured && given.length > 0 ? given.reduce((sum, each) => sum + each, 0) / given.length : null,
    onlyWords: answers.length - given.length,
  }
}
