import { nth } from '../shared'
/** Without a sign of life for this long, a reader counts as away. */
export const IDLE_AFTER_MS = 60_000

/** Time really spent: the gaps between signs of life, each counted up to {@link IDLE_AFTER_MS}.
 * @param signs epoch milliseconds of key, pointer, scroll or step changes while the page was visible, in any order
 * @param until end of the period, epoch milliseconds; signs after it are left out
 * @returns milliseconds */
export function activeTime(signs: readonly number[], until: number): number {
  const times = signs.filter((at) => at <= until).sort((a, b) => a - b)
  let total = 0
  for (let i = 0; i < times.length; i++) {
    const next = times[i + 1] ?? until
    total += Math.min(next - nth(times, i), IDLE_AFTER_MS)
  }
  return total
}
