import { changesByKey, watchEntries } from './entries'
import { innermost, meant } from './hit'
import { newHub, type ActionParts, type Hub } from './hub'
import { keyThatMatters, type KeyPlace } from './keys'
import { isInteractive } from './locators'
import type { Asked } from './pictures'
import { watchPointer, type Pressed } from './pointer'
import { isSecret } from './secrets'
import { fieldOf } from './typing'

/** Listens to what a person does in this frame and tells it as raw actions. */
export function watchActions(parts: ActionParts): { flush(): void; stop(): void } {
  const ends = new AbortController()
  const hub = newHub(parts, ends.signal)
  const pressed: { now: () => Pressed | null } = { now: () => null }
  const keys = watchKeys(hub, () => typing.flush())
  const typing = watchEntries(hub, () => pressed.now(), keys.keyed)
  const scrolls = watchScrolls(hub, ends.signal)
  pressed.now = watchPointer(
    hub,
    (target) => {
      scrolls.end()
      typing.flushUnless(target)
    },
    keys.last,
  ).pressed
  const flush = () => {
    typing.flush()
    scrolls.end()
  }
  window.addEventListener('pagehide', flush, { capture: true, signal: ends.signal })
  return {
    flush,
    stop: () => {
      scrolls.end()
      ends.abort()
    },
  }
}

function placeOfKey(element: Element | null): KeyPlace {
  const field = fieldOf(element)
  if (field) return field instanceof HTMLInputElement ? 'line' : 'lines'
  return element && isInteractive(element) ? 'pressable' : 'other'
}

/** Keys that matter, and what was asked for when a key went down on a list, a box or a slider. */
function watchKeys(hub: Hub, flush: () => void): { last: () => { key: string; at: number }; keyed: (element: Element) => Asked | null } {
  let last = { key: '', at: 0 }
  let keyed: { element: Element; asked: Asked } | null = null
  hub.listen('keydown', (event) => {
    last = { key: event.key, at: Date.now() }
    const inner = innermost(event)
    if (changesByKey(inner) && keyed?.element !== inner && event.key !== 'Tab') keyed = { element: inner, asked: hub.press(inner, false) }
    const key = keyThatMatters(event, placeOfKey(inner))
    if (key === null || (key === 'Enter' && inner instanceof HTMLSelectElement)) return
    const field = fieldOf(inner)
    const tells = inner !== null && inner !== document.body && !(field && isSecret(field) && key !== 'Enter')
    const element = tells ? hub.seen(meant(inner)) : undefined
    const asked = hub.press(inner ?? document.documentElement, false)
    flush()
    hub.emit('key', asked, { key, ...(element ? { element } : {}) })
  })
  return {
    last: () => last,
    keyed(element) {
      const asked = keyed?.element === element ? keyed.asked : null
      keyed = null
      return asked
    },
  }
}

const SCROLL_ENDS_MS = 350
const SCROLL_COUNTS_PX = 20

/** Scrolls of the page itself, each from where it began to where it came to rest. */
function watchScrolls(hub: Hub, signal: AbortSignal): { end(): void } {
  let from: number | null = null
  let lastY = scrollY
  let timer: ReturnType<typeof setTimeout> | undefined
  const end = () => {
    clearTimeout(timer)
    if (from !== null && Math.abs(from - scrollY) > SCROLL_COUNTS_PX)
      hub.emit('scroll', null, { scrolled: { fromY: from, toY: scrollY }, textBoxes: undefined, waitedMs: undefined })
    from = null
  }
  const scrolled = (event: Event) => {
    if (!hub.on() || event.target !== document || window !== top) return
    from ??= lastY
    lastY = scrollY
    clearTimeout(timer)
    timer = setTimeout(end, SCROLL_ENDS_MS)
  }
  window.addEventListener('scroll', scrolled, { capture: true, passive: true, signal })
  return { end }
}
