import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { Answer } from '@jackdaw/core/quizzes'
import { sameValue, type QuestionId } from '@jackdaw/core/shared'
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react'
import { isPending, NOTHING, type AnswerState } from './answerState'
import { keptAnswers } from './keptAnswers'
import { saveOne } from './saveOne'
import { useTimeSpent } from './useTimeSpent'

type Answers = ReadonlyMap<QuestionId, AnswerState>

/** So long after the last key an answer is saved. */
const REST_MS = 350
const AGAIN_MS = 3_000

/** What was answered before: what the server has, and what this browser could not send then. */
function firstAnswers({ attemptId, answers }: QuizAttempt): Map<QuestionId, AnswerState> {
  const first = new Map<QuestionId, AnswerState>(
    answers.map(({ questionId, answer, revision }) => [questionId, { answer, revision, state: 'saved' }]),
  )
  for (const [questionId, kept] of keptAnswers.read(attemptId)) {
    const there = first.get(questionId) ?? NOTHING
    if (!sameValue(there.answer, kept.answer)) first.set(questionId, { ...kept, state: 'waits' })
  }
  return first
}

/** The answers of an attempt: each is saved as it is given, also when the connection or the page was lost in between.
 * @param shown the question in sight, to which the time is counted */
export function useAnswers(attempt: QuizAttempt, shown: QuestionId | undefined, onOver: () => void) {
  const { attemptId } = attempt
  const [answers, setAnswers] = useState<Answers>(() => firstAnswers(attempt))
  const now = useRef(answers)
  const over = useRef(onOver)
  over.current = onOver
  const running = useRef(new Map<QuestionId, Promise<void>>())
  const timers = useRef(new Map<QuestionId, ReturnType<typeof setTimeout>>())
  const spent = useTimeSpent(shown)

  const put = useCallback(
    (id: QuestionId, state: AnswerState) => {
      now.current = new Map([...now.current, [id, state]])
      setAnswers(now.current)
      keptAnswers.write(attemptId, now.current)
    },
    [attemptId],
  )
  const send = useCallback(
    (id: QuestionId): Promise<void> => {
      clearTimeout(timers.current.get(id))
      const already = running.current.get(id)
      if (already) return already.then(() => (isPending(now.current.get(id)) ? send(id) : undefined))
      const state = now.current.get(id)
      if (!isPending(state)) return Promise.resolve()
      const sending = saveOne(attemptId, id, state!, spent.take(id))
        .then((next) => {
          if (next.state === 'retries') {
            timers.current.set(
              id,
              setTimeout(() => void send(id), AGAIN_MS),
            )
          }
          if (next.state === 'too-late') over.current()
          // What was typed meanwhile is saved next, over what was saved now.
          const typed = now.current.get(id)!
          const isNewer = typed !== state
          put(
            id,
            isNewer && next.state === 'saved' ? { ...typed, revision: next.revision } : isNewer && next.state !== 'clash' ? typed : next,
          )
          if (isNewer && next.state === 'saved')
            timers.current.set(
              id,
              setTimeout(() => void send(id), REST_MS),
            )
        })
        .finally(() => running.current.delete(id))
      running.current.set(id, sending)
      return sending
    },
    [attemptId, put, spent],
  )
  const answer = (id: QuestionId, given: Answer | null, atOnce = false) => {
    const { revision } = now.current.get(id) ?? NOTHING
    put(id, { answer: given, revision, state: 'waits' })
    clearTimeout(timers.current.get(id))
    timers.current.set(
      id,
      setTimeout(() => void send(id), atOnce ? 0 : REST_MS),
    )
  }
  /** Takes one of two answers where another window had saved another one. */
  const choose = (id: QuestionId, which: 'mine' | 'theirs') => {
    const { answer: mine, theirs } = now.current.get(id)!
    if (!theirs) return
    put(id, which === 'theirs' ? { ...theirs, state: 'saved' } : { answer: mine, revision: theirs.revision, state: 'waits' })
    if (which === 'mine') void send(id)
  }
  /** Saves all that waits. @returns whether all is saved */
  const flush = useCallback(async (): Promise<boolean> => {
    await Promise.all([...now.current.keys()].map((id) => send(id)))
    return [...now.current.values()].every(({ state }) => state === 'saved' || state === 'too-late')
  }, [send])
  useFlushing(flush, timers)
  return { answers, answer, choose, flush, forget: () => keptAnswers.forget(attemptId) }
}

/** Saves what waits when the page comes, goes, is hidden, or is connected again. */
function useFlushing(flush: () => Promise<boolean>, timers: RefObject<Map<QuestionId, ReturnType<typeof setTimeout>>>): void {
  useEffect(() => {
    const pending = timers.current
    const leave = () => document.visibilityState === 'hidden' && void flush()
    const online = () => void flush()
    document.addEventListener('visibilitychange', leave)
    window.addEventListener('online', online)
    void flush()
    return () => {
      document.removeEventListener('visibilitychange', leave)
      window.removeEventListener('online', online)
      for (const timer of pending.values()) clearTimeout(timer)
      void flush()
    }
  }, [flush, timers])
}
