import { guideItem } from '@jackdaw/core/items'
import { getQuizzesAmongSteps, getReader, type QuizAmongSteps, type ReaderEdition } from '@jackdaw/contracts/reading'
import { recall, type Play, type PlayerState } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useEffect, useMemo, useRef, useState } from 'react'
import { call, queryClient } from '../api'
import { readingSettled } from '../events'
import { DRAFT, playFor, settledIn } from './used'
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

/** The quizzes among the steps, as the record knows them now. */
function useQuizzesAmong({ guideId, edition, quizzes }: ReaderEdition): readonly QuizAmongSteps[] {
  const query = useQuery({
    queryKey: ['guide-quizzes', guideId, edition],
    enabled: edition !== DRAFT && quizzes.length > 0,
    initialData: quizzes,
    staleTime: 5_000,
    queryFn: ({ signal }) => call(getQuizzesAmongSteps, { params: { id: guideId, edition }, signal }),
  })
  return query.data
}

/** Runs the reader over an edition and tells the record what happens. */
export function useReading(
  edition: ReaderEdition,
  asPage = false,
): {
  play: Play
  state: PlayerState
  act: (doing: Doing) => void
  startedFrom: string
  quizzes: readonly QuizAmongSteps[]
} {
  const { guideId, edition: number, progress } = edition
  const quizzes = useQuizzesAmong(edition)
  const [asItWas] = useState(() => playFor(edition, 'read'))
  // What was settled before stays so while somebody reads on without a connection.
  const play = useMemo(() => (number === DRAFT ? asItWas : { ...asItWas, settled: settledIn(quizzes) }), [asItWas, number, quizzes])
  const [first] = useState(() =>
    recall(
      play,
      {
        // Whoever has left a quiz half way goes on with it.
        lastStepId: quizzes.find(({ standing, settled }) => standing === 'under-way' && !settled)?.guideQuizId ?? progress.lastStepId,
        seen: progress.seen,
        acknowledged: progress.acknowledged,
        confirmed: progress.confirmed,
        finished: progress.finishedEdition !== null && !progress.mustReread,
      },
      Date.now(),
      asPage,
    ),
  )
  const about = number === DRAFT ? null : { item: guideItem(guideId), edition: number }
  // Each time that it is opened is a visit of its own.
  const playId = useRef(nanoid())
  const { state, act } = usePlayer(play, first, { way: 'read', about, playId, begins: true, endsByItself: false })
  return { play, state, act, startedFrom: first.state.at, quizzes }
}
