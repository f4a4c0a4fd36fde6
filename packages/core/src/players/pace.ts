/** Words that are read in a minute at pace 1, a little slower than silent reading (Brysbaert 2019: 238), as one looks as well. */
export const WORDS_PER_MINUTE = 200
/** Slowest and fastest pace. */
export const PACES = [0.5, 0.75, 1, 1.25, 1.5, 2] as const

/** The parts of a step in Watch, in milliseconds from its beginning; each begins when the one before is over. */
export type Timing = { readMs: number; travelMs: number; typeMs: number; holdMs: number; totalMs: number }

/** How long a step is shown: first its words are read, then the pointer moves to the element, what is typed appears letter by letter,
 * and the picture stands still for a moment.
 * @param words  number of words of the step
 * @param points whether the pointer moves
 * @param letters number of letters that are typed
 * @param pace   0.5 to 2 */
export function timingOf(words: number, points: boolean, letters: number, pace: number): Timing {
  if (!(pace > 0)) throw new RangeError(`pace: ${pace}`)
  const readMs = Math.max(1_200, (words * 60_000) / WORDS_PER_MINUTE) / pace
  const travelMs = points ? 900 / pace : 0
  const typeMs = letters === 0 ? 0 : Math.min(6_000, 300 + letters * 90) / pace
  const holdMs = 700 / pace
  return { readMs, travelMs, typeMs, holdMs, totalMs: readMs + travelMs + typeMs + holdMs }
}
