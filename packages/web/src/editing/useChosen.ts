import { rangeBetween } from '@jackdaw/core/editing'
import type { ItemId } from '@jackdaw/core/guides'
import { useCallback, useMemo, useRef, useState } from 'react'
import type { DraftSession } from './saving/draftSession'

/** Which steps and sections are chosen, to be worked on together. What is gone from the guide is no longer chosen. */
export function useChosen(session: DraftSession): {
  ids: ReadonlySet<ItemId>
  tick: (id: ItemId, range: boolean) => void
  clear: () => void
} {
  const [ids, setIds] = useState<ReadonlySet<ItemId>>(new Set())
  const last = useRef<ItemId | null>(null)
  const tick = useCallback(
    (id: ItemId, range: boolean) => {
      const { document } = session.snapshot()
      const from = last.current
      last.current = id
      setIds((now) => {
        const here = new Set(document.items.map((item) => item.id))
        const next = new Set([...now].filter((each) => here.has(each)))
        if (range && from !== null && here.has(from)) for (const each of rangeBetween(document, from, id)) next.add(each)
        else if (next.has(id)) next.delete(id)
        else next.add(id)
        return next
      })
    },
    [session],
  )
  const clear = useCallback(() => setIds(new Set()), [])
  return useMemo(() => ({ ids, tick, clear }), [ids, tick, clear])
}
