import { guideItem } from '@jackdaw/core/items'
import { getReader, type ReaderEdition } from '@jackdaw/contracts/reading'
import { recall, type Play, type PlayerState } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { queryClient } from '../api'
import { readingSettled } from '../events'
import { DRAFT, playFor } from './used'
import { usePlayer, type Doing } from './usePlayer'

/** The edition to be used, with how far the person is; whoever comes again gets it anew. */
export function useReaderEdition(id: GuideId) {
  const query = useQuery({
    queryKey: ['reader', id],
    ...readingSettled(getReader, { params: { id } }),
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })
  // Not by `gcTime: 0`: a page that is drawn in slices would lose what came along with it before it is there.
  useEffect(() => () => void setTimeout(() => queryClient.removeQueries({ queryKey: ['reader', id], type: 'inactive' })), [id])
  return query
}

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
