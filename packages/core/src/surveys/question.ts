import * as z from 'zod/mini'

/** Longest question, option and comment, in characters; most options. */
const MOST_WORDS = 300
const MOST_OPTION = 120
const MOST_COMMENT = 2_000
const MOST_OPTIONS = 8

const words = z.string().check(z.trim(), z.minLength(1, 'Write the question'), z.maxLength(MOST_WORDS))
const named = z.string().check(z.trim(), z.minLength(1, 'Write what it means'), z.maxLength(MOST_OPTION))

/** What is asked: how good it is in stars, one of some answers, a place on a scale whose ends are named, or anything in one's own words. */
export const SurveyQuestion = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('stars'), words }),
  z.object({ kind: z.literal('choice'), words, options: z.array(named).check(z.minLength(2), z.maxLength(MOST_OPTIONS)) }),
  z.object({ kind: z.literal('scale'), words, low: named, high: named }),
  z.object({ kind: z.literal('words'), words }),
])
/** Read by {@link SurveyQuestion}. */
export type SurveyQuestion = z.infer<typeof SurveyQuestion>

/** An answer: stars from 1 to 5, a place from 0 to 10, or the option of that index from 0; `null` where the question takes words, or where only words
 * were given. `comment`: what was written beside it, or as the answer; may be empty. */
export const SurveyAnswer = z.object({ value: z.nullable(z.int()), comment: z.string().check(z.trim(), z.maxLength(MOST_COMMENT)) })
/** Read by {@link SurveyAnswer}. */
export type SurveyAnswer = z.infer<typeof SurveyAnswer>

/** The values that an answer to a question can have, the least first; none where it takes words only. */
export function valuesOf(question: SurveyQuestion): number[] {
  const from = (first: number, last: number) => Array.from({ length: last - first + 1 }, (_, n) => first + n)
  switch (question.kind) {
    case 'stars':
      return from(1, 5)
    case 'scale':
      return from(0, 10)
    case 'choice':
      return from(0, question.options.length - 1)
    case 'words':
      return []
  }
}

/** Whether something is an answer to a question: one of its values, or words. */
export const isAnswerTo = (question: SurveyQuestion, { value, comment }: SurveyAnswer): boolean =>
  value === null ? comment.trim() !== '' : valuesOf(question).includes(value)
