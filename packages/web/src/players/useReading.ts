import { getReader, type ReaderEdition } from '@jackdaw/contracts/reading'
import type { UsageEvent } from '@jackdaw/core/events'
import { END } from '@jackdaw/core/flow'
import { recall, reduce, type Play, type PlayerEffect, type PlayerEvent, type PlayerState } from '@jackdaw/core/players'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { v7 as uuidV7 } from 'uuid'
import { call } from '../api'
import { DRAFT, playFor } from './used'
import { flush, record, settled, useStepTime } from '../events'

export const useReaderEdition = (id: GuideId) =>
  useQuery({
    queryKey: ['reader', id],
    queryFn: ({ signal }) => settled().then(() => call(getReader, { params: { id }, signal })),
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })

type Told = UsageEvent extends infer E
  ? E extends UsageEvent
    ? Omit<E, 'id' | 'guideId' | 'edition' | 'occurredAt' | 'way'>
    : never
  : never
/** What is done, without the time. */
export type Doing = PlayerEvent extends infer E ? (E extends PlayerEvent ? Omit<E, 'at'> : never) : never

/** Runs the reader over an edition and tells the record what happens. */
export function useReading(edition: ReaderEdition): { play: Play; state: PlayerState; act: (doing: Doing) => void; startedFrom: string } {
  const { guideId, edition: number, progress } = edition
  const [play] = useState(() => playFor(edition))
  const [initial] = useState(() =>
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
  const [state, setState] = useState(initial.state)
  const current = useRef(state)

  const tell = useCallback(
    (told: Told) => {
      if (number !== DRAFT)
        void record({ ...told, id: uuidV7(), guideId, edition: number, way: 'read', occurredAt: Date.now() } as UsageEvent)
    },
    [guideId, number],
  )
  const carryOut = useCallback(
    (effects: readonly PlayerEffect[]) => {
      for (const effect of effects) {
        if (effect.do !== 'tell' || effect.verb === 'step-done') continue
        tell(effect.verb === 'finished' ? { verb: 'finished' } : { verb: effect.verb, stepId: effect.stepId as StepId })
      }
    },
    [tell],
  )
  const begun = useRef(false)
  useEffect(() => {
    if (begun.current) return
    begun.current = true
    tell({ verb: 'opened' })
    carryOut(initial.effects)
  }, [tell, carryOut, initial])

  const act = useCallback(
    (doing: Doing) => {
      const next = reduce(current.current, { ...doing, at: Date.now() } as PlayerEvent, play)
      current.current = next.state
      setState(next.state)
      carryOut(next.effects)
      if (doing.type === 'finish') void flush()
    },
    [carryOut, play],
  )
  const report = useCallback((stepId: string, activeMs: number) => tell({ verb: 'time-spent', stepId: stepId as StepId, activeMs }), [tell])
  useStepTime(state.at === END ? null : state.at, report)
  return { play, state, act, startedFrom: initial.state.at }
}
