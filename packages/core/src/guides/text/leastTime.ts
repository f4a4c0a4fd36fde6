import type { Step } from '../document'
import { countWords, plainText } from './plainText'

const MS_A_STEP = 400
const MS_A_WORD = 60

// 238 words a minute.
const MS_A_WORD_USUALLY = 252
/** The time in which a step is usually read, from the least one: 238 words a minute (M. Brysbaert, How many words do we read per minute?, J. Mem. Lang. 109, 2019).
 * @param leastMs as {@link leastReadMs} gives it */
export const usualReadMs = (leastMs: number): number =>
  MS_A_STEP + Math.round((Math.max(0, leastMs - MS_A_STEP) / MS_A_WORD) * MS_A_WORD_USUALLY)

/** Least time in which somebody can have read a step, in milliseconds: 400 for turning to it and 60 for each word of its text and cautions
 * (1,000 words a minute; M. Brysbaert, 2019, finds 238 for silent reading and no reader with understanding beyond 600). */
export function leastReadMs(step: Step): number {
  const cautions = (step.cautions ?? []).reduce((sum, caution) => sum + countWords(caution.words), 0)
  return MS_A_STEP + MS_A_WORD * (countWords(plainText(step.body)) + cautions)
}
