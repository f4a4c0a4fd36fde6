import { activeTime } from './activeTime'

/** Measures the active time on one step and hands it out in portions. Instants are epoch milliseconds and never go back. */
export class StepTimer {
  private signs: number[]
  private reportedUntil: number

  /** @param visible whether the page could be seen when the step was opened */
  constructor(openedAt: number, visible: boolean) {
    this.signs = visible ? [openedAt] : []
    this.reportedUntil = openedAt
  }
  /** A sign of life: a key, the pointer, scrolling, the page seen again. */
  sign(at: number): void {
    this.signs.push(at)
  }
  /** The active time since the last portion, in milliseconds. The minute of grace after the last sign runs on over portions. */
  portion(at: number): number {
    const ms = activeTime(this.signs, at) - activeTime(this.signs, this.reportedUntil)
    this.reportedUntil = at
    this.signs = this.signs.slice(-1)
    return ms
  }
  /** The last portion before the page goes out of sight; nothing counts until the next sign. */
  hide(at: number): number {
    const ms = this.portion(at)
    this.signs = []
    return ms
  }
}
