import { lazy, type ComponentType, type LazyExoticComponent } from 'react'

const RETRY_MS = 4_000

/** Resolves when the network says that it is back, or a moment later where it says nothing. */
function nextChance(): Promise<void> {
  return new Promise((resolve) => {
    const timer = setTimeout(done, RETRY_MS)
    function done(): void {
      clearTimeout(timer)
      window.removeEventListener('online', done)
      resolve()
    }
    window.addEventListener('online', done)
  })
}

/** A part of a page that is loaded when it is needed, or before by `preload`. A load that fails is tried again until it comes: without a network
 * the place of the part says that it is coming, and the page lives on. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export function lazyPart<C extends ComponentType<any>>(load: () => Promise<C>): LazyExoticComponent<C> & { preload: () => Promise<void> } {
  let coming: Promise<{ default: C }> | null = null
  const come = (): Promise<{ default: C }> =>
    (coming ??= (async () => {
      for (;;) {
        try {
          return { default: await load() }
        } catch {
          // The script could not be fetched; it is asked for again.
          await nextChance()
        }
      }
    })())
  return Object.assign(lazy(come), { preload: async () => void (await come()) })
}
