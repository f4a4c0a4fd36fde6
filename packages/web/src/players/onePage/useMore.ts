import { startTransition, useCallback, useEffect, useState } from 'react'
import { flushSync } from 'react-dom'
import { showsAllBy } from './scrollToPlace'

/** What fits on a large screen, and so many more each time. */
const AT_FIRST = 6
const MORE = 6

/** How much of a long page is there: the first screens at once, the rest piece by piece, so that a slow device is never held up.
 * @param of how much there is; `atOnce` says that all of it is needed now
 * @returns how much of it is to be shown */
export function useMore(of: number, atOnce: boolean): number {
  const [there, setThere] = useState(AT_FIRST)
  const isAll = there >= of
  useEffect(() => {
    if (isAll) return
    const timer = setTimeout(() => startTransition(() => setThere((now) => now + MORE)), 0)
    return () => clearTimeout(timer)
  }, [isAll, there])
  const all = useCallback(() => flushSync(() => setThere(Infinity)), [])
  useEffect(() => showsAllBy(all), [all])
  return isAll || atOnce ? of : there
}
