import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coursesOf, reachedOf, standingAt, timesOf } from './goal'

const DAY = 86_400_000
const at = (...days: number[]) => days.map((day) => day * DAY)

describe('a goal of several steps', () => {
  it('is reached step after step, each in time, by what was done after the one before', () => {
    expect(reachedOf({ beganAt: at(10)[0]!, doneAt: [at(5, 12, 30), at(11, 15)] }, [7, 7])).toEqual(at(12, 15))
    expect(reachedOf({ beganAt: at(10)[0]!, doneAt: [at(18), at(19)] }, [7, 7])).toEqual([null, null])
    expect(reachedOf({ beganAt: at(10)[0]!, doneAt: [at(17), at(16)] }, [7, 7])).toEqual([at(17)[0], null])
    expect(reachedOf({ beganAt: at(10)[0]!, doneAt: [at(10), at(10)] }, [1, 1])).toEqual(at(10, 10))
    expect(reachedOf({ beganAt: 0, doneAt: [] }, [1])).toEqual([null])
  })
  it('is missed when its days are over, and until then under way', () => {
    const standing = (now: number, done: number[] = []) =>
      standingAt(0, at(10)[0]!, reachedOf({ beganAt: at(10)[0]!, doneAt: [done] }, [7]), [7], at(now)[0]!)
    expect(standing(12)).toEqual({ is: 'under-way', ms: 2 * DAY })
    expect(standing(17)).toEqual({ is: 'under-way', ms: 7 * DAY })
    expect(standing(18)).toEqual({ is: 'missed', ms: 7 * DAY })
    expect(standing(30, at(13))).toEqual({ is: 'reached', ms: 3 * DAY })
    expect(standingAt(1, 0, [null, null], [1, 1], 0)).toBeNull()
  })
  it('is what a slow count says, whatever happened', () => {
    const times = fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 6 })
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20 }),
        fc.array(times, { minLength: 1, maxLength: 3 }),
        fc.array(fc.integer({ min: 1, max: 10 }), { minLength: 3, maxLength: 3 }),
        (began, done, days) => {
          const within = days.slice(0, done.length)
          const found = reachedOf({ beganAt: began * DAY, doneAt: done.map((each) => at(...each)) }, within)
          // Day by day: on each one looks whether the next step is done.
          let [since, step] = [began, 0]
          const slow: (number | null)[] = within.map(() => null)
          for (let day = began; day <= 40 && step < within.length; day++)
            while (step < within.length && done[step]!.includes(day) && day >= since && day - since <= within[step]!) {
              slow[step] = day * DAY
              since = day
              step++
            }
          expect(found).toEqual(slow)
        },
      ),
    )
  })
  it('gives the courses of those who came so far', () => {
    expect(coursesOf([{ is: 'reached', ms: 5 }, null, { is: 'missed', ms: 7 }, { is: 'under-way', ms: 2 }])).toEqual([
      { ms: 5, reached: true },
      { ms: 7, reached: false },
      { ms: 2, reached: false },
    ])
  })
  it('is drawn evenly over all of its days, at not too many times', () => {
    expect(timesOf(1)).toMatchObject({ unit: 'hour', unitMs: DAY / 24 })
    expect(timesOf(1).times).toHaveLength(25)
    expect(timesOf(8).times).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8])
    for (const days of [1, 3, 7, 8, 61, 100, 730]) {
      const { unit, times } = timesOf(days)
      expect([times[0], times.at(-1)]).toEqual([0, unit === 'hour' ? days * 24 : days])
      expect(times.length).toBeLessThanOrEqual(61)
      expect(new Set(times).size).toBe(times.length)
    }
  })
})
