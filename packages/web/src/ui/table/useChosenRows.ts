import { afterTick, chosenAmong } from './rowChoice'
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
    const chosen = chosenAmong(keys, wanted)
    return {
      keys: chosen,
      toggle: (key, range) => {
        setWanted(afterTick(keys, chosen, { key, last: last.current, range }))
        last.current = key
      },
      all: () => setWanted(new Set(keys)),
      none: () => setWanted(new Set()),
    }
  }, [keys, wanted])
}
