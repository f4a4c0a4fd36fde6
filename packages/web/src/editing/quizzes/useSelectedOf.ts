import { useState } from 'react'

/** One of a list that is written: which one is selected, and what is done to it. @param change takes the list as it is then */
export function useSelectedOf<T extends { id: string }>(list: readonly T[], change: (list: T[]) => void) {
  const [selected, setSelected] = useState<string | null>(null)
  const at = list.findIndex(({ id }) => id === selected)
  return {
    selected,
    setSelected,
    at,
    here: list[at],
    put: (next: T) => change(list.map((each) => (each.id === next.id ? next : each))),
    /** Puts one behind the selected one, or at the end, and selects it. */
    insert: (added: T) => {
      change(at < 0 ? [...list, added] : [...list.slice(0, at + 1), added, ...list.slice(at + 1)])
      setSelected(added.id)
    },
    /** Puts several at the end, and selects the first of them. */
    append: (added: readonly T[]) => {
      change([...list, ...added])
      setSelected(added[0]?.id ?? selected)
    },
    remove: () => {
      change(list.filter(({ id }) => id !== selected))
      setSelected(list[at + 1]?.id ?? list[at - 1]?.id ?? null)
    },
    move: (from: number, to: number) => {
      const next = [...list]
      next.splice(to, 0, ...next.splice(from, 1))
      change(next)
    },
  }
}
