import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { activeTime, IDLE_AFTER_MS } from './activeTime'
import { correctedTime } from './event'

describe('active time', () => {
  it('counts reading, and no more than a minute of silence', () => {
    expect(activeTime([0, 20_000, 40_000], 50_000)).toBe(50_000)
    expect(activeTime([0, 600_000], 610_000)).toBe(IDLE_AFTER_MS + 10_000)
    expect(activeTime([0], 3_600_000)).toBe(IDLE_AFTER_MS)
    expect(activeTime([], 5_000)).toBe(0)
  })
  it('is never more than the time that passed, whatever the order of the signs', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 10_000_000 }), { minLength: 1 }), fc.integer({ min: 0, max: 10_000_000 }), (signs, until) => {
        const ms = activeTime(signs, until)
        const first = Math.min(...signs)
        expect(ms).toBeGreaterThanOrEqual(0)
        expect(ms).toBeLessThanOrEqual(Math.max(0, until - first))
        expect(activeTime([...signs].reverse(), until)).toBe(ms)
      }),
    )
  })
})

describe('the time of an event', () => {
  it('is put right when the sender’s clock is an hour slow', () => {
    expect(correctedTime(1_000, 5_000, 3_605_000)).toBe(3_601_000)
  })
  it('never lies in the future', () => {
    expect(correctedTime(9_000, 5_000, 6_000)).toBe(6_000)
  })
})
