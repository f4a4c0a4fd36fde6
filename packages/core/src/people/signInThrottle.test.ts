import { expect, it } from 'vitest'
import { secondsToWait, SIGN_IN_LIMITS } from './signInThrottle'

const { free, longestWaitMs, forgottenAfterMs } = SIGN_IN_LIMITS

it('waits longer after every failure, up to the longest wait, and not at all before the free ones are used up', () => {
  expect(secondsToWait('pair', free.pair - 1, 0, 1_000)).toBe(0)
  const waits = [0, 1, 2, 3, 4, 50].map((more) => secondsToWait('pair', free.pair + more, 0, 0))
  expect(waits).toEqual([60, 120, 240, 480, longestWaitMs / 1000, longestWaitMs / 1000])
  expect(secondsToWait('pair', free.pair, 0, 59_001)).toBe(1)
  expect(secondsToWait('pair', free.pair, 0, 60_000)).toBe(0)
})
it('forgets after a time without failures', () => {
  expect(secondsToWait('account', 1_000, 0, longestWaitMs - 1)).toBe(1)
  expect(secondsToWait('account', 1_000, 0, forgottenAfterMs)).toBe(0)
})
