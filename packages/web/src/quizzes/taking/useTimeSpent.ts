import type { QuestionId } from '@jackdaw/core/shared'
import { useEffect, useRef, useState } from 'react'

/** How long each question was in sight since that was last told, in milliseconds; a page in the background does not count. */
export function useTimeSpent(shown: QuestionId | undefined) {
  const times = useRef(new Map<QuestionId, number>())
  const since = useRef<{ id: QuestionId | undefined; at: number }>({ id: undefined, at: 0 })
  const mark = useRef((next: QuestionId | undefined) => {
    const { id, at } = since.current
    const at2 = performance.now()
    if (id !== undefined) times.current.set(id, (times.current.get(id) ?? 0) + Math.min(at2 - at, 3_600_000))
    since.current = { id: next, at: at2 }
  })
  useEffect(() => {
    const turn = () => mark.current(document.visibilityState === 'visible' ? shown : undefined)
    turn()
    document.addEventListener('visibilitychange', turn)
    return () => {
      document.removeEventListener('visibilitychange', turn)
      mark.current(undefined)
    }
  }, [shown])
  const [spent] = useState(() => ({
    take: (id: QuestionId): number => {
      mark.current(since.current.id)
      const ms = Math.round(Math.min(times.current.get(id) ?? 0, 3_600_000))
      times.current.set(id, 0)
      return ms
    },
  }))
  return spent
}
