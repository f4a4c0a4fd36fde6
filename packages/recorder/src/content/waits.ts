const STARTS_WITHIN_MS = 600
/** What is fetched makes a page busy only when the page changes once it is there. */
const SHOWS_WITHIN_MS = 400
const MOST_KEPT = 400
const BETWEEN_CHANGES_MS = 40
const BUSY = '[aria-busy="true"], [role="progressbar"], progress'

const withoutQuery = (address: string): string => address.replace(/[?#].*$/, '')

/** How long the page was busy after the action before: until what it fetched had come and was shown, until what told of its work was gone,
 * or until the page that it led to could be used. How long the person thought is no part of it. */
export function watchWaits(): {
  /** Something was done in this tab before this page; epoch milliseconds, 0 when nothing was. */
  after(lastActionAt: number): void
  acted(): void
  /** The page has changed, or has come to rest. */
  changed(): void
  waitedMs(): number
  stop(): void
} {
  // Times are those of this document's own clock.
  let actedAt = Number.NaN
  let fetches: { startTime: number; responseEnd: number }[] = []
  let changes: number[] = []
  let busySince = Number.NaN
  let busyUntil = 0
  /** What the page fetches without anything being done: news, its own heartbeat. */
  const unasked = new Set<string>()
  const loaded = () => {
    const [page] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[]
    return page && actedAt < 0 ? page.domContentLoadedEventEnd : 0
  }
  /** Whoever asks for a page long after the last action has thought, not waited. */
  const from = () => (actedAt < -STARTS_WITHIN_MS ? 0 : actedAt)
  const observer = new PerformanceObserver((list) => {
    for (const { initiatorType, startTime, responseEnd, name } of list.getEntries() as PerformanceResourceTiming[]) {
      if (!['fetch', 'xmlhttprequest'].includes(initiatorType)) continue
      const begun = Math.max(from(), loaded())
      if (!(startTime >= begun - 50 && startTime - begun < STARTS_WITHIN_MS)) unasked.add(withoutQuery(name))
      else if (!unasked.has(withoutQuery(name)) && fetches.length < MOST_KEPT) fetches.push({ startTime, responseEnd })
    }
  })
  observer.observe({ type: 'resource', buffered: true })
  const wasShown = ({ responseEnd }: { responseEnd: number }): boolean =>
    changes.some((at) => at >= responseEnd - 20 && at <= responseEnd + SHOWS_WITHIN_MS)
  return {
    after(lastActionAt) {
      if (lastActionAt > 0 && Number.isNaN(actedAt)) actedAt = lastActionAt - performance.timeOrigin
    },
    acted() {
      actedAt = performance.now()
      fetches = []
      changes = []
      busySince = Number.NaN
      busyUntil = 0
    },
    changed() {
      const now = performance.now()
      if (now - (changes.at(-1) ?? 0) < BETWEEN_CHANGES_MS) return
      if (changes.length < MOST_KEPT) changes.push(now)
      const isBusy = document.querySelector(BUSY)?.checkVisibility({ visibilityProperty: true, opacityProperty: true }) === true
      if (isBusy && Number.isNaN(busySince) && now - actedAt < STARTS_WITHIN_MS) busySince = now
      else if (!isBusy && !Number.isNaN(busySince)) {
        busyUntil = now
        busySince = Number.NaN
      }
    },
    waitedMs() {
      const until = Math.max(busyUntil, loaded(), ...fetches.filter(wasShown).map(({ responseEnd }) => responseEnd))
      const begun = from()
      return Number.isFinite(begun) && until > begun ? Math.round(until - begun) : 0
    },
    stop: () => observer.disconnect(),
  }
}
