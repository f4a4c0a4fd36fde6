/** Counts what changes in a frame and tells when it has come to rest.
 *
 * A picture taken ahead may be used as long as the count is the same: counters are compared, never clocks. */

const QUIET_MS = 120
/** A page that never comes to rest is pictured all the same after this long. */
const RESTLESS_AFTER_MS = 1_500

const EVENTS = ['scroll', 'input', 'change', 'load', 'toggle', 'fullscreenchange'] as const

export type Changes = {
  /** Page changes so far; flushes what the browser has not told yet. */
  count(): number
  /** Watches a shadow root, too. */
  watch(root: Node): void
  /** Counts a change that leaves no trace in the document. */
  touch(): void
  /** Begins the wait for rest anew without counting a change. */
  stir(): void
  stop(): void
}

/** @param mine whether a change is our own
 * @param onChange each change
 * @param onDirty the first change after a rest
 * @param onRest  at rest; `restless` when it only seems so because the page never stops changing */
export function watchChanges(
  mine: (node: Node) => boolean,
  { onChange, onDirty, onRest }: { onChange: () => void; onDirty: () => void; onRest: (restless: boolean) => void },
): Changes {
  let changes = 0
  let dirtySince = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  const roots = new Set<Node>()

  const arm = () => {
    clearTimeout(timer)
    const now = performance.now()
    if (dirtySince === 0) dirtySince = now
    const restless = now - dirtySince > RESTLESS_AFTER_MS
    timer = setTimeout(
      () => {
        if (!restless && isMoving()) return arm()
        dirtySince = 0
        onRest(restless)
      },
      restless ? 0 : QUIET_MS,
    )
  }
  const changed = () => {
    changes++
    onChange()
    if (dirtySince === 0) onDirty()
    arm()
  }
  const take = (records: MutationRecord[]) => {
    if (records.some((record) => isForeign(record, mine))) changed()
  }
  const observer = new MutationObserver(take)
  const watch = (root: Node) => {
    if (roots.has(root)) return
    roots.add(root)
    observer.observe(root, { subtree: true, childList: true, attributes: true, characterData: true })
  }
  watch(document)
  const heard = (event: Event) => {
    if (!(event.target instanceof Node && mine(event.target))) changed()
  }
  const ends = new AbortController()
  for (const name of EVENTS) document.addEventListener(name, heard, { capture: true, passive: true, signal: ends.signal })
  for (const name of ['resize', 'visibilitychange']) addEventListener(name, changed, { passive: true, signal: ends.signal })
  arm()
  return {
    count() {
      take(observer.takeRecords())
      return changes
    },
    watch,
    touch: changed,
    stir: arm,
    stop() {
      clearTimeout(timer)
      observer.disconnect()
      ends.abort()
    },
  }
}

/** Whether a change is the page's own: not of our bar, and not that our bar was put in or taken out. */
function isForeign({ target, addedNodes, removedNodes }: MutationRecord, mine: (node: Node) => boolean): boolean {
  const moved = [...addedNodes, ...removedNodes]
  return !mine(target) && !(moved.length > 0 && moved.every(mine))
}

/** Whether something is on its way to another place: what ends by itself is waited for, what turns for ever is not. */
const isMoving = (): boolean =>
  document
    .getAnimations()
    .some((each) => each.playState === 'running' && Number.isFinite(Number(each.effect?.getComputedTiming().endTime ?? Infinity)))
