import { watchEntries } from './entries'
import { newHub, type ActionParts } from './hub'
import { watchPointer, type Pressed } from './pointer'
import { watchKeys } from './watchKeys'

/** Listens to what a person does in this frame and tells it as raw actions. */
export function watchActions(parts: ActionParts): { flush(): void; stop(): void } {
  const ends = new AbortController()
  const hub = newHub(parts, ends.signal)
  const pressed: { now: () => Pressed | null } = { now: () => null }
  const keys = watchKeys(hub, () => typing.flush())
  const typing = watchEntries(hub, () => pressed.now(), keys.keyed)
  pressed.now = watchPointer(hub, (target) => typing.flushUnless(target), keys.last).pressed
  const flush = () => {
    typing.flush()
    keys.flush()
  }
  window.addEventListener('pagehide', flush, { capture: true, signal: ends.signal })
  return { flush, stop: () => ends.abort() }
}
