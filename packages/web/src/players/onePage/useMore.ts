import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
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
  const isThere = useRef(isAll)
  const waiting = useRef<(() => void)[]>([])
  useEffect(() => {
    isThere.current = isAll
    if (isAll) return waiting.current.splice(0).forEach((go) => go())
    const timer = setTimeout(() => startTransition(() => setThere((now) => now + MORE)), 0)
    return () => clearTimeout(timer)
  }, [isAll, there])
  const all = useCallback(
    () =>
      new Promise<void>((resolve) => {
        if (isThere.current) return resolve()
        waiting.current.push(resolve)
        setThere(Infinity)
      }),
    [],
  )
  useEffect(() => showsAllBy(all), [all])
  return isAll || atOnce ? of : there
}
