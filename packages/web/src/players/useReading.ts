import { getReader, type ReaderEdition } from '@jackdaw/contracts/reading'
import type { UsageEvent } from '@jackdaw/core/events'
import { stepsOf, toAcknowledge } from '@jackdaw/core/guides'
import { reduceReader, startReading, type ReaderEffect, type ReaderEvent, type ReaderState } from '@jackdaw/core/players'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { v7 as uuidV7 } from 'uuid'
import { call } from '../api'
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

/** Runs the reader over an edition and tells the record what happens. */
export function useReading(edition: ReaderEdition): { state: ReaderState; act: (event: ReaderEvent) => void; startedFrom: number } {
  const { guideId, edition: number, document, progress } = edition
  const [initial] = useState(() =>
    startReading(
      stepsOf(document).map((step) => step.id),
      document.confirmSteps,
      {
        lastStepId: progress.lastStepId,
        seen: progress.seen,
        acknowledged: progress.acknowledged,
        confirmed: progress.confirmed,
        finished: progress.finishedEdition !== null && !progress.mustReread,
      },
      stepsOf(document).flatMap((step) => (toAcknowledge(step.cautions).length > 0 ? [step.id] : [])),
    ),
  )
  const [state, setState] = useState(initial.state)
  const current = useRef(state)

  const tell = useCallback(
    (told: Told) => void record({ ...told, id: uuidV7(), guideId, edition: number, way: 'read', occurredAt: Date.now() } as UsageEvent),
    [guideId, number],
  )
  const carryOut = useCallback(
    (effects: readonly ReaderEffect[]) => {
      for (const effect of effects) tell('stepId' in effect ? { verb: effect.tell, stepId: effect.stepId as StepId } : { verb: 'finished' })
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
    (event: ReaderEvent) => {
      const next = reduceReader(current.current, event)
      current.current = next.state
      setState(next.state)
      carryOut(next.effects)
      if (event.type === 'finish') void flush()
    },
    [carryOut],
  )
  const report = useCallback((stepId: string, activeMs: number) => tell({ verb: 'time-spent', stepId: stepId as StepId, activeMs }), [tell])
  useStepTime(state.steps[state.at] ?? null, report)
  return { state, act, startedFrom: initial.state.at }
}
