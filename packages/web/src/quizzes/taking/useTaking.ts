import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { getQuizPicture } from '@jackdaw/contracts/quizzes'
import type { PictureId, QuestionId } from '@jackdaw/core/shared'
import { useRef, useState } from 'react'
import { useHandInAttempt } from '../queries'
import { useAnswers } from './useAnswers'

/** Where the pictures of an attempt's questions are. */
export const sourceOf =
  ({ quizId, edition }: QuizAttempt) =>
  (pictureId: PictureId): string =>
    addressOf(getQuizPicture, { id: quizId, edition, pictureId })

/** An attempt that is under way: where somebody is in it, what they answer, and handing it in. */
export function useTaking(attempt: QuizAttempt, onOver: () => void) {
  const { questions } = attempt
  const [at, setAt] = useState(0)
  const here = questions[at]
  const { answers, session } = useAnswers(attempt, here?.id, onOver)
  const heading = useRef<HTMLHeadingElement>(null)
  const handIn = useHandInAttempt(attempt.attemptId)
  const [unsaved, setUnsaved] = useState(false)
  const isAnswered = (id: QuestionId) => (answers.get(id)?.answer ?? null) !== null
  const left = questions.filter(({ id }) => !isAnswered(id)).length
  const go = (n: number) => {
    setAt(n)
    void session.flush()
    window.scrollTo(0, 0)
    requestAnimationFrame(() => heading.current?.focus({ preventScroll: true }))
  }
  const send = async () => {
    setUnsaved(false)
    if (await session.flush()) handIn.mutate()
    else setUnsaved(true)
  }
  return { at, here, left, answers, session, go, send, handIn, unsaved, heading, isAnswered }
}
/** What is known of an attempt that is under way. */
export type Taking = ReturnType<typeof useTaking>
