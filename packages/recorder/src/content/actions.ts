import { watchEntries } from './entries'
import { newHub, type ActionParts } from './hub'
import { watchPointer, type Pressed } from './pointer'
import { watchKeys } from './watchKeys'

export type Actions = {
  flush(): void
  /** Listens in a shadow root, too. */
  watchRoot(root: ShadowRoot): void
  stop(): void
}

/** Listens to what a person does in this frame and tells it as raw actions. */
export function watchActions(parts: ActionParts): Actions {
  const ends = new AbortController()
  const hub = newHub(parts, ends.signal)
  const pressed: { now: () => Pressed | null } = { now: () => null }
  const keys = watchKeys(
    hub,
    () => typing.flush(),
    (field) => typing.sent(field),
  )
  const typing = watchEntries(hub, () => pressed.now(), keys.keyed)
  pressed.now = watchPointer(hub, (target) => typing.flushUnless(target), keys.last).pressed
  const flush = (leaving: boolean) => {
    hub.flush()
    typing.flush()
    keys.flush(leaving)
  }
  window.addEventListener('pagehide', () => flush(true), { capture: true, signal: ends.signal })
  return { flush: () => flush(false), watchRoot: hub.watchRoot, stop: () => ends.abort() }
}
