import { SurveyQuestion } from '@jackdaw/core/surveys'

/** A question as it is being written. */
export type QuestionDraft = { kind: SurveyQuestion['kind']; words: string; options: string; low: string; high: string }
/** What was written so far as a question; `null` while something is missing. */
export function questionOf({ kind, words, options, low, high }: QuestionDraft): SurveyQuestion | null {
  const lines = options.split('\n').flatMap((line) => line.trim() || [])
  const more = kind === 'choice' ? { options: lines } : kind === 'scale' ? { low, high } : {}
  return SurveyQuestion.safeParse({ kind, words, ...more }).data ?? null
}
