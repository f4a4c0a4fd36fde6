/** The quantile of the normal distribution for intervals of 95 %. */
const Z = 1.959963984540054

/** Bounds of a share, from 0 to 1, or of a difference, from −1 to 1. */
export type Interval = { low: number; high: number }

/** The score interval of a share: where the share may well lie of which `hits` of `of` is a sample. E. B. Wilson, Probable inference, the law of
 * succession, and statistical inference, J. Am. Stat. Assoc. 22 (1927), 209–212.
 * @param hits from 0 to `of`; `of` 0 says nothing: all from 0 to 1 may be
 * @param z quantile of the normal distribution; 95 % without it */
export function wilsonInterval(hits: number, of: number, z = Z): Interval {
  if (of === 0) return { low: 0, high: 1 }
  const share = hits / of
  const square = z * z
  const middle = share + square / (2 * of)
  const half = z * Math.sqrt((share * (1 - share)) / of + square / (4 * of * of))
  const scale = 1 + square / of
  // At the ends the bound is the end itself, which rounding would miss by a little.
  return { low: hits === 0 ? 0 : (middle - half) / scale, high: hits === of ? 1 : (middle + half) / scale }
}

/** A share of a group: so many of so many. */
export type Share = { hits: number; of: number }
const shareOf = ({ hits, of }: Share): number => (of === 0 ? 0 : hits / of)

/** By how much the share of one group is larger than that of another, with an interval of 95 % made of the score intervals of both. R. G. Newcombe, Interval
 * estimation for the difference between independent proportions, Statist. Med. 17 (1998), 873–890, method 10. */
export function differenceOf(one: Share, other: Share): Interval & { by: number } {
  const by = shareOf(one) - shareOf(other)
  const [a, b] = [wilsonInterval(one.hits, one.of), wilsonInterval(other.hits, other.of)]
  return {
    by,
    low: by - Math.hypot(shareOf(one) - a.low, b.high - shareOf(other)),
    high: by + Math.hypot(a.high - shareOf(one), shareOf(other) - b.low),
  }
}

/** Beyond so many people the exact test takes long, and the normal distribution is as good. */
const MOST_EXACT = 20_000

/** How probable it is that shares differ as much as these by chance alone, from 0 to 1: two-sided, exact (R. A. Fisher, Statistical methods for research
 * workers, 5th ed. 1934, § 21.02; every table that is no more probable than the one seen counts), for very many people by the pooled normal test. 1 where a group is empty. */
export function chanceOfDifference(one: Share, other: Share): number {
  const all = one.of + other.of
  const hits = one.hits + other.hits
  if (one.of === 0 || other.of === 0 || hits === 0 || hits === all) return 1
  return all > MOST_EXACT ? byNormal(one, other) : exactly(one, other)
}

function byNormal(one: Share, other: Share): number {
  const pooled = (one.hits + other.hits) / (one.of + other.of)
  const z = (shareOf(one) - shareOf(other)) / Math.sqrt(pooled * (1 - pooled) * (1 / one.of + 1 / other.of))
  return 2 * (1 - normalBelow(Math.abs(z)))
}

/** The share of the standard normal distribution below z ≥ 0, to 7 digits. M. Abramowitz, I. A. Stegun, Handbook of mathematical functions (1964), 26.2.17. */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * z)
  const tail = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return 1 - (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * tail
}

/** Two tables are equally probable up to rounding. */
const SAME = 1 + 1e-7

function exactly(one: Share, other: Share): number {
  const hits = one.hits + other.hits
  const least = Math.max(0, hits - other.of)
  const most = Math.min(hits, one.of)
  const chances = hypergeometric(one.of, other.of, hits, least, most)
  const seen = chances[one.hits - least]!
  const sum = chances.reduce((total, each) => total + each, 0)
  return Math.min(1, chances.reduce((total, each) => (each <= seen * SAME ? total + each : total), 0) / sum)
}

/** For each number of hits in the first group from `least` to `most`, how probable it is; not yet made to sum up to 1. From one to the next by a factor, taken
 * as a logarithm, so that nothing becomes too large or too small. */
function hypergeometric(one: number, other: number, hits: number, least: number, most: number): number[] {
  const logs = [0]
  for (let n = least; n < most; n++)
    logs.push(logs.at(-1)! + Math.log(one - n) + Math.log(hits - n) - Math.log(n + 1) - Math.log(other - hits + n + 1))
  const largest = logs.reduce((max, each) => Math.max(max, each), -Infinity)
  return logs.map((each) => Math.exp(each - largest))
}
