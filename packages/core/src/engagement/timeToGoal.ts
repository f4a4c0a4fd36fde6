import { normalBelow, type Interval } from './proportions'

/** How long somebody took to a goal, in milliseconds, or how long they have been under way without having come to it. */
export type Course = { ms: number; reached: boolean }

/** A step of the curve of time to goal: what is known of those who took at least `ms`. */
export type CurveStep = Interval & {
  ms: number
  /** The share that has come to the goal by then, with an interval of 95 %. */
  share: number
  /** Who was still under way just before, and who came to it then. */
  underWay: number
  reached: number
}

const Z = 1.959963984540054

/** The curve of time to goal, with those who are still under way counted for as long as they have been. E. L. Kaplan, P. Meier, Nonparametric estimation
 * from incomplete observations, J. Am. Stat. Assoc. 53 (1958), 457–481; its variance after M. Greenwood (1926), the interval on the log-minus-log scale, so that it
 * stays between 0 and 1 (J. D. Kalbfleisch, R. L. Prentice, The statistical analysis of failure time data, 1980, 1.4).
 * @returns a step for each time at which somebody came to the goal, the shortest first */
export function timeToGoal(courses: readonly Course[]): CurveStep[] {
  const sorted = [...courses].sort((a, b) => a.ms - b.ms)
  const curve: CurveStep[] = []
  let [left, variance] = [1, 0]
  for (let at = 0; at < sorted.length;) {
    const { ms } = sorted[at]!
    let end = at
    let reached = 0
    for (; end < sorted.length && sorted[end]!.ms === ms; end++) if (sorted[end]!.reached) reached++
    const underWay = sorted.length - at
    if (reached > 0) {
      left *= 1 - reached / underWay
      variance += reached / (underWay * (underWay - reached))
      curve.push({ ms, share: 1 - left, underWay, reached, ...boundsOf(left, variance) })
    }
    at = end
  }
  return curve
}

function boundsOf(left: number, variance: number): Interval {
  // All have come to it: nothing is left to be uncertain about within this sample.
  if (left <= 0) return { low: 1, high: 1 }
  const factor = Math.exp((Z * Math.sqrt(variance)) / Math.log(left))
  return { low: 1 - left ** factor, high: 1 - left ** (1 / factor) }
}

/** The share that has come to the goal within each of some times. `null` where nobody has been under way for so long: then it is not known.
 * @param times milliseconds, the shortest first */
export function sharesWithin(courses: readonly Course[], times: readonly number[]): ((Interval & { share: number }) | null)[] {
  const curve = timeToGoal(courses)
  const known = courses.every(({ reached }) => reached) ? Infinity : courses.reduce((most, { ms }) => Math.max(most, ms), 0)
  let at = 0
  return times.map((ms) => {
    if (ms > known) return null
    while (at < curve.length && curve[at]!.ms <= ms) at++
    const step = curve[at - 1]
    return step ? { share: step.share, low: step.low, high: step.high } : { share: 0, low: 0, high: 0 }
  })
}

/** The time within which half have come to the goal; `null` where fewer have. */
export const medianTime = (courses: readonly Course[]): number | null => timeToGoal(courses).find(({ share }) => share >= 0.5)?.ms ?? null

/** A group as it is asked at one time after the other, each later than the last. */
function groupOf(courses: readonly Course[]): { reached: Map<number, number>; underWayAt: (ms: number) => number } {
  const sorted = courses.map((course) => course.ms).sort((a, b) => a - b)
  const reached = new Map<number, number>()
  for (const course of courses) if (course.reached) reached.set(course.ms, (reached.get(course.ms) ?? 0) + 1)
  let at = 0
  const underWayAt = (ms: number): number => {
    while (at < sorted.length && sorted[at]! < ms) at++
    return sorted.length - at
  }
  return { reached, underWayAt }
}

/** How probable it is that the times of two groups differ as much as these by chance alone: the log-rank test. N. Mantel, Evaluation of survival data and two
 * new rank order statistics arising in its consideration, Cancer Chemother. Rep. 50 (1966), 163–170.
 * @returns the statistic (chi-squared, one degree of freedom) and its probability; 0 and 1 where nothing can be told */
export function compareTimes(one: readonly Course[], other: readonly Course[]): { chiSquared: number; chance: number } {
  const groups = [groupOf(one), groupOf(other)] as const
  const times = [...new Set(groups.flatMap((group) => [...group.reached.keys()]))].sort((a, b) => a - b)
  let [more, variance] = [0, 0]
  for (const ms of times) {
    const [ofOne, ofOther] = [groups[0].underWayAt(ms), groups[1].underWayAt(ms)]
    const [inOne, inOther] = [groups[0].reached.get(ms) ?? 0, groups[1].reached.get(ms) ?? 0]
    const [ofAll, inAll] = [ofOne + ofOther, inOne + inOther]
    more += inOne - (inAll * ofOne) / ofAll
    if (ofAll > 1) variance += (inAll * ofOne * (ofAll - ofOne) * (ofAll - inAll)) / (ofAll * ofAll * (ofAll - 1))
  }
  if (variance === 0) return { chiSquared: 0, chance: 1 }
  const chiSquared = (more * more) / variance
  return { chiSquared, chance: 2 * (1 - normalBelow(Math.sqrt(chiSquared))) }
}
