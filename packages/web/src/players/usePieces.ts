import { startTransition, useCallback, useEffect, useRef, useState } from 'react'

/** How much of something long is there: what is seen first at once, the rest piece by piece, so that a slow device is never held up.
 * @param of how much there is; `first` of it is there at once, `more` is added each time
 * @returns how much of it is to be shown; `all` puts the whole there, and resolves once it is */
export function usePieces(of: number, { first, more }: { first: number; more: number }): { there: number; all: () => Promise<void> } {
  const [there, setThere] = useState(first)
  const isAll = there >= of
  const isThere = useRef(isAll)
  const waiting = useRef<(() => void)[]>([])
  useEffect(() => {
    isThere.current = isAll
    if (isAll) return waiting.current.splice(0).forEach((go) => go())
    const timer = setTimeout(() => startTransition(() => setThere((now) => now + more)), 0)
    return () => clearTimeout(timer)
  }, [isAll, there, more])
  const all = useCallback(
    () =>
      new Promise<void>((resolve) => {
        if (isThere.current) return resolve()
        waiting.current.push(resolve)
        setThere(Infinity)
      }),
    [],
  )
  return { there: isAll ? of : there, all }
}
