import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { getQuizPicture } from '@jackdaw/contracts/quizzes'
import type { QuestionId } from '@jackdaw/core/shared'
import { useRef, useState } from 'react'
import { attemptFiles } from '../attemptFiles'
import type { FileSource } from '../ContentView'
import { useHandInAttempt } from '../queries'
import { useReplies } from './replies/useReplies'
import { useAnswers } from './useAnswers'

/** Where the files of an attempt are. Pictures are those of the edition: the next attempt has them already. */
export const sourceOf = ({ attemptId, quizId, edition }: QuizAttempt): FileSource => ({
  ...attemptFiles(attemptId),
  picture: (pictureId) => addressOf(getQuizPicture, { id: quizId, edition, pictureId }),
})

/** An attempt that is under way: where somebody is in it, what they answer, and handing it in. */
export function useTaking(attempt: QuizAttempt, onOver: () => void) {
  const { questions } = attempt
  const [at, setAt] = useState(0)
  const here = questions[at]
  const { answers, session } = useAnswers(attempt, here?.id, onOver)
  const replies = useReplies(attempt.attemptId, (id, answer) => session.answer(id, { kind: 'recorded', answer }, true))
  const heading = useRef<HTMLHeadingElement>(null)
  const handIn = useHandInAttempt(attempt.attemptId)
  const [unsaved, setUnsaved] = useState<'answers' | 'replies' | null>(null)
  const isAnswered = (id: QuestionId) => (answers.get(id)?.answer ?? null) !== null
  const left = questions.filter(({ id }) => !isAnswered(id)).length
  const go = (n: number) => {
    setAt(n)
    void session.flush()
    window.scrollTo(0, 0)
    requestAnimationFrame(() => heading.current?.focus({ preventScroll: true }))
  }
  const send = async () => {
    setUnsaved(null)
    if (replies.busy) setUnsaved('replies')
    else if (await session.flush()) handIn.mutate()
    else setUnsaved('answers')
  }
  return { at, here, left, answers, session, replies, go, send, handIn, unsaved, heading, isAnswered }
}
/** What is known of an attempt that is under way. */
export type Taking = ReturnType<typeof useTaking>
