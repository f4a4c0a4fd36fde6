import { getChangesSince, getDraft, saveChanges, settleClash, type Draft } from '@jackdaw/contracts/guides'
import type { PersonRef } from '@jackdaw/contracts/people'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { ApiProblem, call, queryClient, Unreachable } from '../../api'
import { DraftSession, type DraftPorts, type DraftView } from './draftSession'
import { judgeSaving } from './judgeSaving'
import { keepDraft, leftBehind } from './keptDrafts'

const ASK_EVERY_MS = 4_000

export const useDraftQuery = (id: GuideId) =>
  useQuery({
    queryKey: ['draft', id],
    queryFn: ({ signal }) => call(getDraft, { params: { id }, signal }),
    staleTime: 0,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })

const send =
  (id: GuideId): DraftPorts['send'] =>
  (baseRevision, set) =>
    call(saveChanges, { params: { id }, body: { baseRevision, changeSetId: set.id, changes: set.changes, form: 2 } })

/** Without an answer the clash is shown once more when the draft is opened next. */
const settle =
  (id: GuideId): DraftPorts['settled'] =>
  (target) => {
    call(settleClash, { params: { id }, body: { target } }).then(
      () => queryClient.invalidateQueries({ queryKey: ['inbox'] }),
      (error: unknown) => {
        if (!(error instanceof Unreachable) && !(error instanceof ApiProblem)) throw error
      },
    )
  }

/** Brings home what an earlier page of this person could not save. */
async function adoptLeftBehind(session: DraftSession, id: GuideId, personId: PersonId): Promise<void> {
  for (const left of await leftBehind(id, personId)) {
    const first = left.inFlight ? await send(id)(left.baseRevision, left.inFlight) : null
    const since = await call(getChangesSince, { params: { id }, query: { since: left.baseRevision, form: '2' } })
    session.receive(
      since.revision,
      since.saved.filter((each) => each.revision > session.snapshot().revision),
    )
    const foreign = first ? first.missed : since.saved
    session.adopt({ conflicts: first?.conflicts ?? [] }, left.queue, foreign)
    await left.forget()
  }
}

/** Opens a session on a draft: saves as one types, takes in what others do, survives closed tabs and lost networks. */
export function useDraftSession(draft: Draft, personId: PersonId): { session: DraftSession; view: DraftView; alsoHere: PersonRef[] } {
  const { id } = draft
  const [{ session, stop }] = useState(() => {
    const kept = keepDraft(id, personId)
    const later = (work: () => void, ms: number) => {
      const timer = setTimeout(work, ms)
      return () => clearTimeout(timer)
    }
    const session = new DraftSession(draft.document, draft.revision, {
      me: personId,
      send: send(id),
      judge: judgeSaving,
      keep: kept.keep,
      settled: settle(id),
      newId: nanoid,
      now: () => Date.now(),
      later,
    })
    session.adopt({ conflicts: draft.clashes }, [], [])
    return { session, stop: kept.stop }
  })
  const view = useSyncExternalStore(session.subscribe, session.snapshot)
  const [alsoHere, setAlsoHere] = useState<PersonRef[]>([])

  useEffect(() => {
    let over = false
    const ask = async () => {
      if (over || !session.idle || document.visibilityState === 'hidden') return
      try {
        await adoptLeftBehind(session, id, personId)
        const answer = await call(getChangesSince, { params: { id }, query: { since: session.snapshot().revision, form: '2' } })
        if (over) return
        session.receive(answer.revision, answer.saved)
        setAlsoHere((before) => (JSON.stringify(before) === JSON.stringify(answer.alsoHere) ? before : answer.alsoHere))
      } catch (error) {
        // Without an answer the next try comes in four seconds; a refusal is told by the next saving.
        if (!(error instanceof Unreachable) && !(error instanceof ApiProblem)) throw error
      }
    }
    void ask()
    const timer = setInterval(() => void ask(), ASK_EVERY_MS)
    const online = () => session.retry()
    const hidden = () => document.visibilityState === 'hidden' && session.flush()
    window.addEventListener('online', online)
    document.addEventListener('visibilitychange', hidden)
    return () => {
      over = true
      clearInterval(timer)
      window.removeEventListener('online', online)
      document.removeEventListener('visibilitychange', hidden)
      session.flush()
    }
  }, [session, id, personId])
  useEffect(() => () => void setTimeout(stop, 10_000), [stop])
  return { session, view, alsoHere }
}
