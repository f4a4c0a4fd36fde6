import { changeMe, type Me } from '@jackdaw/contracts/people'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { useQuery } from '@tanstack/react-query'
import { useCallback, useState } from 'react'
import { call, queryClient } from '../../api'
import { meQuery } from '../../people'
import { DRAFT } from '../used'

/** How a guide is read: step by step, or as one page. */
export type View = 'steps' | 'page'

/** How the person wants to read, as they did last. What is still to be done begins step by step. */
export function useView(edition: ReaderEdition): { view: View; choose: (view: View, remembered?: boolean) => void } {
  const me = useQuery({ ...meQuery, enabled: false }).data
  const toDo = edition.assigned && (edition.progress.finishedEdition === null || edition.progress.mustReread)
  const [view, setView] = useState<View>(me?.readsAsPage && !toDo && edition.edition !== DRAFT ? 'page' : 'steps')
  const choose = useCallback(
    (next: View, remembered = true) => {
      setView(next)
      if (!remembered || edition.edition === DRAFT) return
      const readsAsPage = next === 'page'
      queryClient.setQueryData<Me | null>(meQuery.queryKey, (now) => now && { ...now, readsAsPage })
      // Without a network it is not remembered, and nothing is lost by that.
      call(changeMe, { body: { readsAsPage } }).catch(() => undefined)
    },
    [edition.edition],
  )
  return { view, choose }
}
