import { actInAttempt, getAttempt, giveUpAttempt, type SoloAct, type SoloAttempt } from '@jackdaw/contracts/players'
import { nanoid } from 'nanoid'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ApiProblem, call, Unreachable, wordsFor } from '../../api'
import { useTexts } from '../../ui/words/texts'
import { actsInTurn, type SoloWaiting } from './actsInTurn'

const AGAIN_AFTER_MS = 2_000

/** Tells acts to the server one after the other; what did not get through is sent again, with the same id, until it does. */
export function useAttempt(first: SoloAttempt) {
  const { t } = useTexts()
  const [attempt, setAttempt] = useState(first)
  const [busy, setBusy] = useState(false)
  const [trouble, setTrouble] = useState('')
  const current = useRef(first)
  const gone = useRef(false)
  useEffect(() => {
    gone.current = false
    return () => void (gone.current = true)
  }, [])
  const deliver = useCallback(
    async (send: () => Promise<SoloAttempt>, waiting: SoloWaiting) => {
      const take = (next: SoloAttempt) => {
        current.current = next
        setAttempt(next)
        setTrouble('')
      }
      while (!gone.current) {
        try {
          return take(await send())
        } catch (error) {
          // What somebody did while nothing was judged is no longer meant.
          waiting.clear()
          const lost = error instanceof Unreachable || (error instanceof ApiProblem && error.problem.status >= 500)
          if (!lost) {
            const { guideId, attemptId } = current.current
            setTrouble(wordsFor(error).detail ?? wordsFor(error).title)
            // Another window may have gone on with it: what the server knows counts.
            if (error instanceof ApiProblem && error.problem.status === 409)
              take(await call(getAttempt, { params: { id: guideId, attemptId } }))
            return
          }
          setTrouble(t('No connection. What you did last is kept and sent as soon as there is one.'))
          await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER_MS))
          waiting.clear()
        }
      }
    },
    [t],
  )
  const [waiting] = useState(() => actsInTurn())
  const drain = useCallback(async () => {
    if (waiting.running) return
    waiting.running = true
    setBusy(true)
    for (let act = waiting.next(current.current); act && !gone.current; act = waiting.next(current.current)) {
      const { guideId, attemptId, acts } = current.current
      const body = { n: acts + 1, actId: nanoid(), does: act }
      await deliver(() => call(actInAttempt, { params: { id: guideId, attemptId }, body }), waiting)
    }
    waiting.running = false
    setBusy(false)
  }, [waiting, deliver])
  const does = useCallback(
    (act: SoloAct) => {
      waiting.add(act, current.current)
      void drain()
    },
    [waiting, drain],
  )
  const giveUp = useCallback(() => {
    if (waiting.running) return
    const { guideId, attemptId } = current.current
    void deliver(() => call(giveUpAttempt, { params: { id: guideId, attemptId } }), waiting)
  }, [waiting, deliver])
  return { attempt, busy, trouble, does, giveUp }
}
