import { createElement, lazy, useState, type Attributes, type ComponentType, type ReactElement } from 'react'

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

type LazyPart<P> = ((props: P) => ReactElement) & Record<'preload' | 'preloadAtRest', () => Promise<void>>

const REST_MS = 1_500

/** Resolves when the page has been at rest for a moment: what is fetched then holds up nothing that one is waiting for. */
const atRest = (): Promise<void> =>
  new Promise((resolve) =>
    setTimeout(() => ('requestIdleCallback' in window ? window.requestIdleCallback(() => resolve()) : resolve()), REST_MS),
  )

/** A part of a page that is loaded when it is needed, or before by `preload` (`preloadAtRest`: when nothing more urgent comes). A load that
 * fails is tried again until it comes: without a network the place of the part says that it is coming, and the page lives on. What has come
 * already is drawn at once. */
export function lazyPart<P extends object>(load: () => Promise<ComponentType<P>>): LazyPart<P> {
  let coming: Promise<{ default: ComponentType<P> }> | null = null
  let here: ComponentType<P> | null = null
  const come = (): Promise<{ default: ComponentType<P> }> =>
    (coming ??= (async () => {
      for (;;) {
        try {
          here = await load()
          return { default: here }
        } catch {
          // The script could not be fetched; it is asked for again.
          await nextChance()
        }
      }
    })())
  const preload = async (): Promise<void> => void (await come())
  const Fetched: ComponentType<P> = lazy(come)
  function Part(props: P & Attributes) {
    const [Now] = useState<ComponentType<P>>(() => here ?? Fetched)
    return createElement(Now, props)
  }
  return Object.assign(Part, { preload, preloadAtRest: () => atRest().then(preload) })
}
