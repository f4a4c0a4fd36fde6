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
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** Below this a spread is what rounding makes, and not one of the values. */
const NO_SPREAD = 1e-12
/** Pearson's correlation of pairs. Where one of the two is right or wrong, this is the point-biserial correlation (J. Lev, The point biserial
 * coefficient of correlation, 1949).
 * @returns from -1 to 1; `null` with fewer than two pairs, or where one of the two does not vary */
export function correlationOf(pairs: readonly (readonly [number, number])[]): number | null {
  const n = pairs.length
  if (n < 2) return null
  let [sumX, sumY] = [0, 0]
  for (const [x, y] of pairs) {
    sumX += x
    sumY += y
  }
  let [xx, yy, xy] = [0, 0, 0]
  for (const [x, y] of pairs) {
    const [dx, dy] = [x - sumX / n, y - sumY / n]
    xx += dx * dx
    yy += dy * dy
    xy += dx * dy
  }
  return xx < NO_SPREAD || yy < NO_SPREAD ? null : xy / Math.sqrt(xx * yy)
}
