/** How guessing is slowed. `free`: failures that cost nothing; every further one doubles the wait, up to the longest.
 * `pair`: one account from one network address. `device`: one account from a device on which its owner has signed in before; nothing else
 * counts there, so that a stranger cannot keep the owner out. `account`: one account from everywhere else. `address`: everything that
 * comes from one network address, again without known devices. */
export const SIGN_IN_LIMITS = {
  free: { pair: 5, device: 5, account: 60, address: 30 },
  firstWaitMs: 60_000,
  longestWaitMs: 15 * 60_000,
  /** Failures are forgotten once there has been none for so long. */
  forgottenAfterMs: 6 * 3_600_000,
} as const
/** What failures are counted for. */
export type Counted = keyof typeof SIGN_IN_LIMITS.free

/** Failures that still count.
 * @param lastAt when the last of them was, epoch milliseconds, UTC */
export const failuresAt = (failures: number, lastAt: number, now: number): number =>
  now - lastAt >= SIGN_IN_LIMITS.forgottenAfterMs ? 0 : failures

/** Seconds until the next try may be made, 0 when it may be made now.
 * @param failures failures so far
 * @param lastAt   when the last of them was, epoch milliseconds, UTC
 * @param now      epoch milliseconds, UTC */
export function secondsToWait(of: Counted, failures: number, lastAt: number, now: number): number {
  const over = failuresAt(failures, lastAt, now) - SIGN_IN_LIMITS.free[of]
  if (over < 0) return 0
  const waitMs = Math.min(SIGN_IN_LIMITS.longestWaitMs, SIGN_IN_LIMITS.firstWaitMs * 2 ** Math.min(over, 20))
  return Math.max(0, Math.ceil((lastAt + waitMs - now) / 1000))
}
