/** People who cannot be told apart in figures that are shown to somebody who may not see their records: how many they are, how many of them used something,
 * finished it, and how often they did. Nobody is in two groups. */
export type GroupUse<K> = { key: K; size: number; people: number; finished: number; views: number }
/** What of it is shown: some groups put together, with rounded figures. */
export type ShownGroup<K> = { keys: readonly K[]; size: number; people: number; finished: number }
/** All of them: sums of what is shown of the groups, so that nothing is told by the difference. `timesEach`: how often each of those who did used it on average, in
 * whole numbers up to 9: of however many it can be any. */
export type ShownUse<K> = { groups: ShownGroup<K>[]; people: number; finished: number; timesEach: number }

/** The smallest group that is shown by itself where the company says nothing else, and the smallest that it can choose. */
export const LEAST_GROUP = 5
const STEP = 5
const MOST_TIMES = 9

const nearest = (n: number, step: number): number => Math.round(n / step) * step
/** How many people of a group did something, to the nearest five. All of them, or all but one, are never told from all but two: that everybody did would say
 * of each that they did. */
const rounded = (n: number, size: number): number => nearest(Math.min(n, size - 2), STEP)

/** Puts groups together by how many people they have, not by what these did: those that are too small become one, with the smallest of the others where they are
 * still too small. @returns none where all of them are too few */
function putTogether<K>(groups: readonly GroupUse<K>[], least: number): (readonly GroupUse<K>[])[] {
  const alone = groups.filter(({ size }) => size >= least).sort((a, b) => a.size - b.size)
  const small = groups.filter(({ size }) => size < least)
  const together = small.reduce((sum, { size }) => sum + size, 0)
  if (small.length === 0 || together >= least) return [...alone.map((each) => [each]), ...(small.length > 0 ? [small] : [])]
  const [first, ...others] = alone
  return first ? [...others.map((each) => [each]), [first, ...small]] : []
}

/** What is shown of use to somebody who may not see the records of those who use it. No two of its figures can be subtracted to one person: groups do not overlap, those
 * of fewer people than `least` are put together, every count is rounded, and the figures of all are sums of what is shown.
 * @returns `null` where all of them are fewer than `least` */
export function shownUse<K>(groups: readonly GroupUse<K>[], least: number): ShownUse<K> | null {
  const shown = putTogether(groups, Math.max(least, LEAST_GROUP)).map((parts) => {
    const sum = (of: (each: GroupUse<K>) => number) => parts.reduce((all, each) => all + of(each), 0)
    const size = sum((each) => each.size)
    return {
      keys: parts.map(({ key }) => key),
      size,
      people: rounded(
        sum((each) => each.people),
        size,
      ),
      finished: rounded(
        sum((each) => each.finished),
        size,
      ),
    }
  })
  if (shown.length === 0) return null
  const all = (of: (each: ShownGroup<K>) => number) => shown.reduce((sum, each) => sum + of(each), 0)
  const people = all((each) => each.people)
  const [views, viewers] = [groups.reduce((sum, each) => sum + each.views, 0), groups.reduce((sum, each) => sum + each.people, 0)]
  const timesEach = people === 0 ? 0 : Math.min(MOST_TIMES, Math.round(views / viewers))
  return { groups: shown, people, finished: all((each) => each.finished), timesEach }
}

/** A share of visits as it is shown with such figures: in tenths. Of however many people there are it can be any. */
export const shownShare = (hits: number, of: number): number => (of === 0 ? 0 : Math.round((hits / of) * 10) / 10)
