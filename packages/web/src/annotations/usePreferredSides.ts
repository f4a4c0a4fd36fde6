import { preferredSides, type Side } from '@jackdaw/core/annotations'
import type { GuideDocument, Look, PictureSizes } from '@jackdaw/core/guides'
import { useEffect, useMemo, useState } from 'react'

/** What is computed while somebody waits for the page, in milliseconds; the rest when the browser has nothing else to do. */
const BUDGET_MS = 8
const later = (work: () => void): (() => void) => {
  if (typeof requestIdleCallback === 'function') {
    const handle = requestIdleCallback(work)
    return () => cancelIdleCallback(handle)
  }
  const timer = setTimeout(work, 50)
  return () => clearTimeout(timer)
}

/** For every step the side that its labels prefer. In a long guide the steps at the end learn it a moment later. */
export function usePreferredSides(document: GuideDocument, sizes: PictureSizes, look: Look): ReadonlyMap<string, Side | null> {
  const [round, setRound] = useState(0)
  const { sides, done, go } = useMemo(() => {
    const within = (ms: number) => {
      const until = performance.now() + ms
      return preferredSides(document, sizes, look, () => performance.now() < until)
    }
    return { ...within(BUDGET_MS), go: () => within(BUDGET_MS).done }
  }, [document, sizes, look, round])
  useEffect(() => {
    if (done) return
    // Shown once all of them are known: what is shown in between would have everything drawn as often.
    let stop = later(function more() {
      if (go()) setRound((now) => now + 1)
      else stop = later(more)
    })
    return () => stop()
  }, [done, go])
  return sides
}
