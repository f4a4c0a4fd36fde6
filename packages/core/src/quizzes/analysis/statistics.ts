/** The arithmetic mean; `null` of nothing. */
export const meanOf = (values: readonly number[]): number | null =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length

/** The variance of a whole population (divided by n); `null` of nothing. */
export function varianceOf(values: readonly number[]): number | null {
  const mean = meanOf(values)
  return mean === null ? null : values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length
}

/** The middle value, or the mean of the two in the middle; `null` of nothing. */
export function medianOf(values: readonly number[]): number | null {
  if (values.length === 0) return null
  const sorted = Float64Array.from(values).sort()
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** Below this a spread is what rounding makes, and not one of the values. */
const NO_SPREAD = 1e-12
/** Sums over pairs of values: how many there are, of each, of their squares, and of their products. */
export type PairSums = { n: number; x: number; y: number; xx: number; yy: number; xy: number }
/** Pearson's correlation, from sums over pairs. Where one of the two is right or wrong, this is the point-biserial correlation (J. Lev, The point biserial
 * coefficient of correlation, 1949).
 * @returns from -1 to 1; `null` with fewer than two pairs, or where one of the two does not vary */
export function correlationFrom({ n, x, y, xx, yy, xy }: PairSums): number | null {
  if (n < 2) return null
  const [ofX, ofY] = [xx / n - (x / n) ** 2, yy / n - (y / n) ** 2]
  if (ofX < NO_SPREAD || ofY < NO_SPREAD) return null
  return Math.max(-1, Math.min(1, (xy / n - (x / n) * (y / n)) / Math.sqrt(ofX * ofY)))
}
/** The same from the pairs themselves: two lists, values at the same place belonging together. */
export function correlationOf(xs: readonly number[], ys: readonly number[]): number | null {
  const sum = (of: (n: number) => number): number => xs.reduce((all, _, n) => all + of(n), 0)
  const [x, y] = [(n: number) => xs[n]!, (n: number) => ys[n]!]
  return correlationFrom({
    ...{ n: xs.length, x: sum(x), y: sum(y), xx: sum((n) => x(n) ** 2), yy: sum((n) => y(n) ** 2), xy: sum((n) => x(n) * y(n)) },
  })
}
