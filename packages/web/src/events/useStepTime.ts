import { activeTime, MAX_ACTIVE_MS } from '@jackdaw/core/events'
import { useEffect } from 'react'

const REPORT_EVERY_MS = 20_000
const SIGNS = ['pointerdown', 'pointermove', 'keydown', 'wheel', 'touchstart', 'scroll'] as const

/** Measures the active time on a step and reports it when the step is left, the page is hidden, and every 20 seconds.
 * @param report gets milliseconds; silence over a minute is not in them */
export function useStepTime(stepId: string | null, report: (stepId: string, activeMs: number) => void): void {
  useEffect(() => {
    if (stepId === null) return
    let signs: number[] = document.visibilityState === 'visible' ? [Date.now()] : []
    let reportedUntil = Date.now()
    const sign = () => {
      const now = Date.now()
      if (document.visibilityState === 'visible' && now - (signs.at(-1) ?? 0) > 500) signs.push(now)
    }
    const settle = (stillHere: boolean) => {
      const now = Date.now()
      const ms = Math.min(MAX_ACTIVE_MS, activeTime(signs, now) - activeTime(signs, reportedUntil))
      reportedUntil = now
      // The last sign stays: the minute of grace runs on from it and is not begun anew by a report.
      signs = stillHere ? signs.slice(-1) : []
      if (ms >= 1) report(stepId, Math.round(ms))
    }
    const visibility = () => (document.visibilityState === 'hidden' ? settle(false) : sign())
    const timer = setInterval(() => settle(true), REPORT_EVERY_MS)
    for (const name of SIGNS) window.addEventListener(name, sign, { passive: true, capture: true })
    document.addEventListener('visibilitychange', visibility)
    return () => {
      clearInterval(timer)
      for (const name of SIGNS) window.removeEventListener(name, sign, { capture: true })
      document.removeEventListener('visibilitychange', visibility)
      settle(false)
    }
  }, [stepId, report])
}
