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

// eslint-disable-next-line @typescript-eslint/no-explicit-any
type LazyPart<C extends ComponentType<any>> = LazyExoticComponent<C> & Record<'preload' | 'preloadAtRest', () => Promise<void>>

const REST_MS = 1_500

/** Resolves when the page has been at rest for a moment: what is fetched then holds up nothing that one is waiting for. */
const atRest = (): Promise<void> =>
  new Promise((resolve) =>
    setTimeout(() => ('requestIdleCallback' in window ? window.requestIdleCallback(() => resolve()) : resolve()), REST_MS),
  )

/** A part of a page that is loaded when it is needed, or before by `preload` (`preloadAtRest`: when nothing more urgent comes). A load that
 * fails is tried again until it comes: without a network the place of the part says that it is coming, and the page lives on. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export function lazyPart<C extends ComponentType<any>>(load: () => Promise<C>): LazyPart<C> {
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
  const preload = async (): Promise<void> => void (await come())
  return Object.assign(lazy(come), { preload, preloadAtRest: () => atRest().then(preload) })
}
