/** How often a step was done, and how often it was right at once. */
type Figures = { times: number; rightFirst: number }

/** Fewer times than this say nothing about a step. */
export const LEAST_TIMES = 3

/** The step that is most often not right at once, if there is one: done often enough, and wrong at least every fourth time. */
export function hardestStep<T extends Figures>(steps: readonly T[]): T | null {
  const share = ({ times, rightFirst }: Figures) => 1 - rightFirst / times
  const known = steps.filter(({ times }) => times >= LEAST_TIMES)
  const [worst] = known.toSorted((a, b) => share(b) - share(a))
  return worst && share(worst) >= 0.25 ? worst : null
}
