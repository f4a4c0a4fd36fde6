import { NOTHING_PENDING, pendingBlackouts, type Pending } from '@jackdaw/core/annotations'
import type { GuideDocument, PictureSizes } from '@jackdaw/core/guides'
import { sameValue } from '@jackdaw/core/shared'
import { createContext, useMemo, useRef } from 'react'

/** What blackouts of the draft that is shown hide, wherever its pictures are drawn. In an edition nothing is pending: it is destroyed. */
export const PendingBlackouts = createContext<Pending>(NOTHING_PENDING)

/** The same map for as long as no blackout changes, so that pictures are not drawn anew for every key. */
export function usePending(document: GuideDocument, sizes: PictureSizes): Pending {
  const now = useMemo(() => pendingBlackouts(document, sizes), [document, sizes])
  const kept = useRef(now)
  if (!sameValue([...now], [...kept.current])) kept.current = now
  return kept.current
}
