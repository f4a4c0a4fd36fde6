import { expect, it } from 'vitest'
import { secondsToWait, SIGN_IN_LIMITS } from './signInThrottle'

it('waits for the rest of the window once the free failures are used up', () => {
  expect(secondsToWait(4, 0, 5, 1000)).toBe(0)
  expect(secondsToWait(5, 0, 5, 1000)).toBe(SIGN_IN_LIMITS.windowMs / 1000 - 1)
  expect(secondsToWait(50, 0, 5, SIGN_IN_LIMITS.windowMs)).toBe(0)
})
