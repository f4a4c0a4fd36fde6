/** How sign-in guessing is slowed: this many failures within the window are free, then every further try waits. */
export const SIGN_IN_LIMITS = { perMail: 5, perAddress: 30, windowMs: 15 * 60_000 } as const

/** Seconds until the next try may be made, 0 when it may be made now.
 * @param failures        failures counted in the running window
 * @param windowStartedAt epoch milliseconds, UTC
 * @param limit           failures that are free
 * @param now             epoch milliseconds, UTC */
export function secondsToWait(failures: number, windowStartedAt: number, limit: number, now: number): number {
  const endsAt = windowStartedAt + SIGN_IN_LIMITS.windowMs
  if (failures < limit || now >= endsAt) return 0
  return Math.ceil((endsAt - now) / 1000)
}
