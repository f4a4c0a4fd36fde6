import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import { sameValue, type QuestionId } from '@jackdaw/core/shared'
import { useEffect, useRef, useState } from 'react'
import { AnswerSession } from './answerSession'
import { NOTHING, type AnswerState } from './answerState'
import { keptAnswers } from './keptAnswers'
import { saveOne } from './saveOne'
import { useTimeSpent } from './useTimeSpent'

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
  const over = useRef(onOver)
  over.current = onOver
  const spent = useTimeSpent(shown)
  const [first] = useState(() => firstAnswers(attempt))
  const [answers, setAnswers] = useState<ReadonlyMap<QuestionId, AnswerState>>(first)
  const [session] = useState(
    () =>
      new AnswerSession(first, {
        save: (questionId, answer, revision) => saveOne(attemptId, { questionId, answer, revision, activeMs: spent.take(questionId) }),
        changed: (next) => {
          setAnswers(next)
          keptAnswers.write(attemptId, next)
        },
        over: () => over.current(),
        later: (work, ms) => {
          const timer = setTimeout(work, ms)
          return () => clearTimeout(timer)
        },
      }),
  )
  useEffect(() => {
    const flush = () => void session.flush()
    const leave = () => document.visibilityState === 'hidden' && flush()
    document.addEventListener('visibilitychange', leave)
    window.addEventListener('online', flush)
    flush()
    return () => {
      document.removeEventListener('visibilitychange', leave)
      window.removeEventListener('online', flush)
      flush()
      session.end()
    }
  }, [session])
  return { answers, session }
}
