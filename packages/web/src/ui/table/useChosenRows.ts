import { useMemo, useRef, useState } from 'react'

/** Rows that are chosen to be worked on together, by their keys. `toggle` with `range`: with all from the last one on. */
export type ChosenRows = {
  keys: ReadonlySet<string>
  toggle: (key: string, range: boolean) => void
  all: () => void
  none: () => void
}

/** Keeps which rows of a list are chosen; what is no longer in it is no longer chosen.
 * @param keys of the rows that can be chosen, in order */
export function useChosenRows(keys: readonly string[]): ChosenRows {
  const [wanted, setWanted] = useState<ReadonlySet<string>>(new Set())
  const last = useRef<string | null>(null)
  return useMemo(() => {
    const chosen = new Set(keys.filter((key) => wanted.has(key)))
    return {
      keys: chosen,
      toggle: (key, range) => {
        const [from, to] = [last.current === null ? -1 : keys.indexOf(last.current), keys.indexOf(key)]
        last.current = key
        const next = new Set(chosen)
        if (range && from >= 0) for (const each of keys.slice(Math.min(from, to), Math.max(from, to) + 1)) next.add(each)
        else if (!next.delete(key)) next.add(key)
        setWanted(next)
      },
      all: () => setWanted(new Set(keys)),
      none: () => setWanted(new Set()),
    }
  }, [keys, wanted])
}
