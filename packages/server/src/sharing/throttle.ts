import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible'
import { fail } from '../http'
import { hashOf } from './links'

/** How often one link may be asked in a minute, by all who have it together: a whole shift opens a guide with many pictures; a loop does not get far. */
export const MOST_A_MINUTE = 3_000

/** Keeps a link from being asked without end. @throws `too-many-tries` with when to come again */
export function throttleOfLinks(most = MOST_A_MINUTE): (token: string) => Promise<void> {
  const limiter = new RateLimiterMemory({ points: most, duration: 60 })
  return async (token) => {
    try {
      await limiter.consume(hashOf(token))
    } catch (refused) {
      if (refused instanceof Error) throw refused
      const waitS = Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000)
      fail('too-many-tries', 'This link is being opened too often just now. Wait a minute.', [], waitS)
    }
  }
}
