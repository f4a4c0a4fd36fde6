import type { Step } from '../document'
import { countWords, plainText } from './plainText'

/** How long is counted for reading, in milliseconds: for turning to a step, and for each word of it at least and usually (238 words a minute). */
export const READING_MS = { step: 400, leastWord: 60, usualWord: 252 } as const
/** The time in which a step is usually read, from the least one: 238 words a minute (M. Brysbaert, How many words do we read per minute?, J. Mem. Lang. 109, 2019).
 * @param leastMs as {@link leastReadMs} gives it */
export const usualReadMs = (leastMs: number): number =>
  READING_MS.step + Math.round((Math.max(0, leastMs - READING_MS.step) / READING_MS.leastWord) * READING_MS.usualWord)

/** Least time in which somebody can have read a step, in milliseconds: 400 for turning to it and 60 for each word of its text and cautions
 * (1,000 words a minute; M. Brysbaert, 2019, finds 238 for silent reading and no reader with understanding beyond 600). */
export function leastReadMs(step: Step): number {
  const cautions = (step.cautions ?? []).reduce((sum, caution) => sum + countWords(caution.words), 0)
  return READING_MS.step + READING_MS.leastWord * (countWords(plainText(step.body)) + cautions)
}
