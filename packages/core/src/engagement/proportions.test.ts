import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chanceOfDifference, differenceOf, normalBelow, wilsonInterval } from './proportions'

const rounded = ({ low, high }: { low: number; high: number }) => [Number(low.toFixed(4)), Number(high.toFixed(4))]

describe('the interval of a share', () => {
  it('is that of the worked examples of R. G. Newcombe, Statist. Med. 17 (1998), 857–872, table I, method 3', () => {
    expect(rounded(wilsonInterval(81, 263))).toEqual([0.2553, 0.3662])
    expect(rounded(wilsonInterval(15, 148))).toEqual([0.0624, 0.1605])
    expect(rounded(wilsonInterval(0, 20))).toEqual([0, 0.1611])
    expect(rounded(wilsonInterval(1, 29))).toEqual([0.0061, 0.1718])
  })
  it('holds the share, lies between 0 and 1, and is the same from the other side', () => {
    const counts = fc.integer({ min: 1, max: 5_000 }).chain((of) => fc.tuple(fc.integer({ min: 0, max: of }), fc.constant(of)))
    fc.assert(
      fc.property(counts, ([hits, of]) => {
        const { low, high } = wilsonInterval(hits, of)
        const back = wilsonInterval(of - hits, of)
        return low >= 0 && low <= hits / of && hits / of <= high && high <= 1 && Math.abs(low - (1 - back.high)) < 1e-9
      }),
    )
    expect(wilsonInterval(0, 0)).toEqual({ low: 0, high: 1 })
  })
})

describe('the difference of two shares', () => {
  it('is that of the worked examples of R. G. Newcombe, Statist. Med. 17 (1998), 873–890, table II, method 10', () => {
    const of = (a: number, m: number, b: number, n: number) => rounded(differenceOf({ hits: a, of: m }, { hits: b, of: n }))
    expect(of(56, 70, 48, 80)).toEqual([0.0524, 0.3339])
    expect(of(9, 10, 3, 10)).toEqual([0.1705, 0.809])
    expect(of(6, 7, 2, 7)).toEqual([0.0582, 0.8062])
    expect(of(5, 56, 0, 29)).toEqual([-0.0381, 0.1926])
    expect(of(0, 10, 0, 20)).toEqual([-0.1611, 0.2775])
    expect(of(10, 10, 0, 20)).toEqual([0.6791, 1])
  })
  it('is more than chance or not as in the worked example of R. A. Fisher’s tea (3 of 4 against 1 of 4)', () => {
    expect(chanceOfDifference({ hits: 3, of: 4 }, { hits: 1, of: 4 })).toBeCloseTo(34 / 70, 12)
    expect(chanceOfDifference({ hits: 4, of: 4 }, { hits: 0, of: 4 })).toBeCloseTo(2 / 70, 12)
  })
  it('is told exactly as by counting every way in which the hits could have fallen', () => {
    const choose = (n: number, k: number): number => (k < 0 || k > n ? 0 : k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k)
    const slowly = (a: number, m: number, b: number, n: number): number => {
      const chance = (k: number) => (choose(m, k) * choose(n, a + b - k)) / choose(m + n, a + b)
      let sum = 0
      for (let k = 0; k <= m; k++) if (chance(k) > 0 && chance(k) <= chance(a) * (1 + 1e-7)) sum += chance(k)
      return sum
    }
    const group = fc.integer({ min: 1, max: 25 }).chain((of) => fc.record({ hits: fc.integer({ min: 0, max: of }), of: fc.constant(of) }))
    fc.assert(
      fc.property(group, group, (one, other) => {
        expect(chanceOfDifference(one, other)).toBeCloseTo(slowly(one.hits, one.of, other.hits, other.of), 9)
      }),
    )
  })
  it('says 1 where nothing can be told, and goes over into the test for many without a leap', () => {
    expect(chanceOfDifference({ hits: 0, of: 0 }, { hits: 3, of: 5 })).toBe(1)
    expect(chanceOfDifference({ hits: 0, of: 9 }, { hits: 0, of: 5 })).toBe(1)
    const few = chanceOfDifference({ hits: 5_150, of: 10_000 }, { hits: 5_000, of: 10_000 })
    const many = chanceOfDifference({ hits: 5_151, of: 10_001 }, { hits: 5_000, of: 10_000 })
    expect(Math.abs(few - many)).toBeLessThan(0.002)
  })
  it('knows the normal distribution', () => {
    expect(normalBelow(0)).toBeCloseTo(0.5, 7)
    expect(normalBelow(1)).toBeCloseTo(0.8413447, 6)
    expect(normalBelow(1.959964)).toBeCloseTo(0.975, 6)
  })
})
