/** What is known of one step of an edition: how many people got to it, and for how many it is the furthest so far. */
export type StepReach = { stepId: string; reached: number; stoppedHere: number }

/** Drop-off by step. `lost` is the share of those who reached the step and then neither went on nor finished. */
export type DropOff = StepReach & { share: number; lost: number }

/** Shares for the ruler.
 * @param steps in the order of the newest edition
 * @param started people who opened the guide
 * @returns `share` of those who started that reached the step, and `lost`, both 0 to 1 */
export function dropOff(steps: readonly StepReach[], started: number): DropOff[] {
  return steps.map((step) => ({
    ...step,
    share: started === 0 ? 0 : step.reached / started,
    lost: step.reached === 0 ? 0 : step.stoppedHere / step.reached,
  }))
}

/** The step where most people stopped; `null` when nobody did. The earlier one wins a tie. */
export function biggestLoss(steps: readonly StepReach[]): StepReach | null {
  let worst: StepReach | null = null
  for (const step of steps) if (step.stoppedHere > (worst?.stoppedHere ?? 0)) worst = step
  return worst
}
