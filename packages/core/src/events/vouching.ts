/** When something happened by the server's clock, from what the sender's clock said, held between the earliest time that is possible and
 * the receipt.
 * @param told       sender's clock: when it happened, and when the batch left; epoch milliseconds
 * @param earliest   server's clock: before this it cannot have happened, such as the publication of the edition
 * @param receivedAt server's clock: when it came in
 * @returns the time, and whether it had to be put right beyond the difference of the clocks */
export function heldTime(
  told: { occurredAt: number; sentAt: number },
  earliest: number,
  receivedAt: number,
): { at: number; putRight: boolean } {
  const byOurClock = told.occurredAt + (receivedAt - told.sentAt)
  const at = Math.min(receivedAt, Math.max(earliest, byOurClock))
  return { at, putRight: at !== byOurClock }
}

/** A step that somebody says they have read: the least time for it, and the time told for it, in milliseconds. */
export type ReadStep = { leastMs: number; activeMs: number }

/** Whether the server can vouch for a reading that is said to be finished. Two things must hold: by the server's own clock, the edition was
 * given at least as long ago as all its steps take at the least; and the times told for the steps come to at least that. The step from
 * which somebody finishes does not count in the second sum, as its time is told when it is left.
 * @param givenAt when the edition was first given to the person, epoch milliseconds; `null` when it never was
 * @param steps   the steps on the way that was read */
export function isVouchedFor(reading: {
  givenAt: number | null
  receivedAt: number
  steps: readonly ReadStep[]
  last: ReadStep | null
}): boolean {
  const { givenAt, receivedAt, steps, last } = reading
  if (givenAt === null) return false
  const least = steps.reduce((sum, step) => sum + step.leastMs, 0)
  const told = steps.reduce((sum, step) => sum + (step === last ? 0 : step.activeMs), 0)
  return receivedAt - givenAt >= least && told >= least - (last?.leastMs ?? 0)
}
