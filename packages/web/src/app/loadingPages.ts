import { useSyncExternalStore } from 'react'

let loading = 0
const listeners = new Set<() => void>()
function add(n: 1 | -1): void {
  loading += n
  listeners.forEach((each) => each())
}
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Whether the script of a page is on its way; the page before it stays until it is there. */
export const loadingPages = {
  use: (): boolean =>
    useSyncExternalStore(
      subscribe,
      () => loading > 0,
      () => false,
    ),
  during: <T>(coming: Promise<T>): Promise<T> => {
    add(1)
    return coming.finally(() => add(-1))
  },
}
