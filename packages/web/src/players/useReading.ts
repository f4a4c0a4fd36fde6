import { guideItem } from '@jackdaw/core/items'
import { getReader, type ReaderEdition } from '@jackdaw/contracts/reading'
import { recall, type Play, type PlayerState } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { call } from '../api'
import { settled } from '../events'
import { DRAFT, playFor } from './used'
import { usePlayer, type Doing } from './usePlayer'

export const useReaderEdition = (id: GuideId) =>
  useQuery({
    queryKey: ['reader', id],
    queryFn: ({ signal }) => settled().then(() => call(getReader, { params: { id }, signal })),
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })

/** Runs the reader over an edition and tells the record what happens. */
export function useReading(edition: ReaderEdition): { play: Play; state: PlayerState; act: (doing: Doing) => void; startedFrom: string } {
  const { guideId, edition: number, progress } = edition
  const [play] = useState(() => playFor(edition))
  const [first] = useState(() =>
    recall(
      play,
      {
        lastStepId: progress.lastStepId,
        seen: progress.seen,
        acknowledged: progress.acknowledged,
        confirmed: progress.confirmed,
        finished: progress.finishedEdition !== null && !progress.mustReread,
      },
      Date.now(),
    ),
  )
  const about = number === DRAFT ? null : { item: guideItem(guideId), edition: number }
  const { state, act } = usePlayer(play, first, { way: 'read', about, begins: true, endsByItself: false })
  return { play, state, act, startedFrom: first.state.at }
}
