import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { compareTimes, medianTime, sharesWithin, timeToGoal, type Course } from './timeToGoal'

const courses = (reached: readonly number[], underWay: readonly number[] = []): Course[] => [
  ...reached.map((ms) => ({ ms, reached: true })),
  ...underWay.map((ms) => ({ ms, reached: false })),
]
/** Weeks in remission of two groups of 21: E. J. Freireich and others, Blood 21 (1963), 699–716; the worked example of D. R. Cox, D. Oakes, Analysis of
 * survival data (1984), table 1.1. */
const TREATED = courses([6, 6, 6, 7, 10, 13, 16, 22, 23], [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35])
const OTHERS = courses([1, 1, 2, 2, 3, 4, 4, 5, 5, 8, 8, 8, 8, 11, 11, 12, 12, 15, 17, 22, 23])

describe('the curve of time to goal', () => {
  it('is that of the worked example', () => {
    const left = timeToGoal(TREATED).map(({ ms, share }) => [ms, Number((1 - share).toFixed(3))])
    expect(left).toEqual([
      [6, 0.857],
      [7, 0.807],
      [10, 0.753],
      [13, 0.69],
      [16, 0.627],
      [22, 0.538],
      [23, 0.448],
    ])
    expect(timeToGoal(TREATED).map(({ underWay }) => underWay)).toEqual([21, 17, 15, 12, 11, 7, 6])
    expect(medianTime(TREATED)).toBe(23)
    expect(medianTime(OTHERS)).toBe(8)
  })
  it('has an interval that is that of the worked example on the log-minus-log scale', () => {
    const at = (ms: number) => timeToGoal(TREATED).find((step) => step.ms === ms)!
    expect([1 - at(6).high, 1 - at(6).low].map((each) => Number(each.toFixed(3)))).toEqual([0.62, 0.952])
    expect([1 - at(23).high, 1 - at(23).low].map((each) => Number(each.toFixed(3)))).toEqual([0.188, 0.68])
  })
  it('is the plain share where nobody is under way any more, and always rises, within its interval', () => {
    const some = fc.array(fc.record({ ms: fc.integer({ min: 0, max: 40 }), reached: fc.boolean() }), { maxLength: 60 })
    fc.assert(
      fc.property(some, (all) => {
        const done = all.filter(({ reached }) => reached)
        for (const { ms, share } of timeToGoal(done))
          expect(share).toBeCloseTo(done.filter((course) => course.ms <= ms).length / done.length, 9)
        let last = 0
        for (const { share, low, high } of timeToGoal(all)) {
          expect(share).toBeGreaterThan(last)
          expect(low).toBeLessThanOrEqual(share + 1e-12)
          expect(high).toBeGreaterThanOrEqual(share - 1e-12)
          last = share
        }
      }),
    )
  })
  it('says nothing of a time that nobody has been under way for', () => {
    const [one, three, five] = sharesWithin(courses([2, 3], [4]), [1, 3, 5])
    expect(one).toEqual({ share: 0, low: 0, high: 0 })
    expect(three?.share).toBeCloseTo(2 / 3, 9)
    expect(five).toBeNull()
    expect(sharesWithin(courses([2, 3]), [5])[0]?.share).toBe(1)
    expect(sharesWithin([], [5])[0]?.share).toBe(0)
    expect(medianTime(courses([2], [3, 4]))).toBeNull()
  })
})

describe('the times of two groups', () => {
  it('differ as in the worked example', () => {
    const { chiSquared, chance } = compareTimes(TREATED, OTHERS)
    expect(chiSquared).toBeCloseTo(16.79, 2)
    expect(chance).toBeLessThan(0.0001)
    expect(compareTimes(OTHERS, TREATED).chiSquared).toBeCloseTo(16.79, 2)
  })
  it('do not differ where they are the same, or nobody came to the goal', () => {
    expect(compareTimes(OTHERS, OTHERS).chance).toBeCloseTo(1, 6)
    expect(compareTimes(courses([], [1, 2]), courses([], [3])).chance).toBe(1)
    expect(compareTimes([], OTHERS).chance).toBe(1)
  })
})
