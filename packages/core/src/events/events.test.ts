import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { activeTime, IDLE_AFTER_MS } from './activeTime'
import { heldTime, isVouchedFor } from './vouching'
import { StepTimer } from './stepTimer'

describe('active time', () => {
  it('counts reading, and no more than a minute of silence', () => {
    expect(activeTime([0, 20_000, 40_000], 50_000)).toBe(50_000)
    expect(activeTime([0, 600_000], 610_000)).toBe(IDLE_AFTER_MS + 10_000)
    expect(activeTime([0], 3_600_000)).toBe(IDLE_AFTER_MS)
    expect(activeTime([], 5_000)).toBe(0)
  })
  it('is never more than the time that passed, whatever the order of the signs', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 10_000_000 }), { minLength: 1 }),
        fc.integer({ min: 0, max: 10_000_000 }),
        (signs, until) => {
          const ms = activeTime(signs, until)
          const first = Math.min(...signs)
          expect(ms).toBeGreaterThanOrEqual(0)
          expect(ms).toBeLessThanOrEqual(Math.max(0, until - first))
          expect(activeTime([...signs].reverse(), until)).toBe(ms)
        },
      ),
    )
  })
})

describe('the timer of a step', () => {
  it('hands out in portions what it would have counted in one, wherever the portions fall', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ after: fc.integer({ min: 0, max: 150_000 }), what: fc.constantFrom('sign', 'portion') }), { maxLength: 40 }),
        (steps) => {
          const timer = new StepTimer(0, true)
          const signs = [0]
          let [at, total] = [0, 0]
          for (const { after, what } of steps) {
            at += after
            if (what === 'portion') total += timer.portion(at)
            else {
              timer.sign(at)
              signs.push(at)
            }
          }
          expect(total + timer.hide(at)).toBe(activeTime(signs, at))
        },
      ),
    )
  })
  it('does not count a minute of silence anew at every portion', () => {
    const timer = new StepTimer(0, true)
    const portions = Array.from({ length: 30 }, (_, i) => timer.portion((i + 1) * 20_000))
    expect(portions.slice(0, 4)).toEqual([20_000, 20_000, 20_000, 0])
    expect(portions.reduce((sum, ms) => sum + ms, 0)).toBe(IDLE_AFTER_MS)
  })
  it('stands still while the page is out of sight', () => {
    const timer = new StepTimer(0, true)
    expect(timer.hide(5_000)).toBe(5_000)
    expect(timer.portion(500_000)).toBe(0)
    timer.sign(600_000)
    expect(timer.portion(603_000)).toBe(3_000)
    expect(new StepTimer(0, false).portion(9_000)).toBe(0)
  })
})

describe('the time of an event', () => {
  const sentAs = (occurredAt: number, sentAt: number) => ({ occurredAt, sentAt })
  it('is put right when the sender’s clock is an hour slow', () => {
    expect(heldTime(sentAs(1_000, 5_000), 0, 3_605_000)).toEqual({ at: 3_601_000, putRight: false })
  })
  it('never lies in the future, nor before it was possible, and says so where it was told otherwise', () => {
    expect(heldTime(sentAs(9_000, 5_000), 0, 6_000)).toEqual({ at: 6_000, putRight: true })
    expect(heldTime(sentAs(1, 100_000), 50_000, 100_000)).toEqual({ at: 50_000, putRight: true })
    expect(heldTime(sentAs(60_000, 100_000), 50_000, 100_000)).toEqual({ at: 60_000, putRight: false })
  })
})

describe('a finished reading', () => {
  const step = (leastMs: number, activeMs: number) => ({ leastMs, activeMs })
  const steps = [step(4_000, 5_000), step(6_000, 6_000), step(2_000, 0)]
  const reading = { givenAt: 0, receivedAt: 12_000, steps, last: steps[2]! }
  it('is vouched for when there was time for all steps and it was told for all but the last', () => {
    expect(isVouchedFor(reading)).toBe(true)
    expect(isVouchedFor({ ...reading, last: null })).toBe(false)
    expect(isVouchedFor({ ...reading, steps: [step(10_001, 5_000), step(6_000, 6_000)], last: null })).toBe(false)
  })
  it('is only claimed when the edition was given too lately, or never', () => {
    expect(isVouchedFor({ ...reading, givenAt: 1 })).toBe(false)
    expect(isVouchedFor({ ...reading, givenAt: null })).toBe(false)
  })
})
