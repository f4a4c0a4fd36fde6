/** When something is due again and again: every `ms` milliseconds, `afterMs` after each full period since 1970 (UTC). */
export type Every = { ms: number; afterMs: number }

/** The number of the newest time at which it has been due; the same for everybody who asks between two of them.
 * @param now epoch milliseconds, UTC
 * @throws RangeError when the period is not above 0 */
export function turnAt({ ms, afterMs }: Every, now: number): number {
  if (!(ms > 0)) throw new RangeError(`ms: ${ms}`)
  return Math.floor((now - afterMs) / ms)
}
