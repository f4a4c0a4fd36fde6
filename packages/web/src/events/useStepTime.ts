import { StepTimer } from '@jackdaw/core/events'
import { MAX_ACTIVE_MS } from '@jackdaw/core/players'
import { useEffect } from 'react'

const REPORT_EVERY_MS = 20_000
const SIGNS = ['pointerdown', 'pointermove', 'keydown', 'wheel', 'touchstart', 'scroll'] as const

/** Measures the active time on a step and reports it when the step is left, the page is hidden, and every 20 seconds.
 * @param report gets milliseconds; silence over a minute is not in them */
export function useStepTime(stepId: string | null, report: (stepId: string, activeMs: number) => void): void {
  useEffect(() => {
    if (stepId === null) return
    const timer = new StepTimer(Date.now(), document.visibilityState === 'visible')
    let lastSign = 0
    const tell = (ms: number) => {
      if (ms >= 1) report(stepId, Math.min(MAX_ACTIVE_MS, Math.round(ms)))
    }
    const sign = () => {
      const now = Date.now()
      if (document.visibilityState !== 'visible' || now - lastSign < 500) return
      lastSign = now
      timer.sign(now)
    }
    const visibility = () => (document.visibilityState === 'hidden' ? tell(timer.hide(Date.now())) : sign())
    const beat = setInterval(() => tell(timer.portion(Date.now())), REPORT_EVERY_MS)
    for (const name of SIGNS) window.addEventListener(name, sign, { passive: true, capture: true })
    document.addEventListener('visibilitychange', visibility)
    return () => {
      clearInterval(beat)
      for (const name of SIGNS) window.removeEventListener(name, sign, { capture: true })
      document.removeEventListener('visibilitychange', visibility)
      tell(timer.hide(Date.now()))
    }
  }, [stepId, report])
}
