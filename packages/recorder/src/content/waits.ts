const STARTS_WITHIN_MS = 600

/** How long the page was busy after the action before: until what it fetched had come, or until the page that it led to could be used. */
export function watchWaits(): {
  /** Something was done in this tab before this page; epoch milliseconds, 0 when nothing was. */
  after(lastActionAt: number): void
  acted(): void
  waitedMs(): number
  stop(): void
} {
  // Times are those of this document's own clock.
  let actedAt = Number.NaN
  let busyUntil = 0
  const loaded = () => {
    const [page] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[]
    return page && actedAt < 0 ? page.domContentLoadedEventEnd : 0
  }
  const observer = new PerformanceObserver((list) => {
    for (const entry of list.getEntries() as PerformanceResourceTiming[]) {
      if (!['fetch', 'xmlhttprequest'].includes(entry.initiatorType)) continue
      const from = Math.max(actedAt, loaded())
      if (entry.startTime >= from - 50 && entry.startTime - from < STARTS_WITHIN_MS) busyUntil = Math.max(busyUntil, entry.responseEnd)
    }
  })
  observer.observe({ type: 'resource', buffered: true })
  return {
    after(lastActionAt) {
      if (lastActionAt > 0 && Number.isNaN(actedAt)) actedAt = lastActionAt - performance.timeOrigin
    },
    acted() {
      actedAt = performance.now()
      busyUntil = 0
    },
    waitedMs() {
      const until = Math.max(busyUntil, loaded())
      return Number.isFinite(actedAt) && until > actedAt ? Math.round(until - actedAt) : 0
    },
    stop: () => observer.disconnect(),
  }
}
