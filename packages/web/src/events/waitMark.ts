const KEY = 'jackdaw-events-wait'

/** Marks, so that the next page knows at once, whether events of this browser have not reached the server yet. */
export function markWaiting(waiting: boolean): void {
  try {
    if (waiting) localStorage.setItem(KEY, 'yes')
    else localStorage.removeItem(KEY)
  } catch {
    // No room, or forbidden: the next page may show for a moment what the server knew before.
  }
}

/** Whether events of this browser may not have reached the server: what it said of progress may be old. */
export const eventsMayWait = (): boolean => typeof localStorage !== 'undefined' && localStorage.getItem(KEY) !== null
