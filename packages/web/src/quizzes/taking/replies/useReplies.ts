import { beginReplyClip } from '@jackdaw/contracts/clips'
import type { AnswerTo } from '@jackdaw/core/quizzes'
import type { QuestionId, QuizAttemptId } from '@jackdaw/core/shared'
import { useEffect, useMemo, useRef, useState } from 'react'
import { call } from '../../../api'
import { sendClip } from '../../../clips/sendClip'
import { useWarnUnsaved } from '../../../ui/useWarnUnsaved'
import { keptReplies } from './keptReplies'
import type { Replies, SendingReply } from './repliesHere'
import { ReplySession } from './replySession'

/** The recorded replies of an attempt on their way; what an earlier page could not send to its end goes on here.
 * @param onCome is given a reply once all of it is there */
export function useReplies(
  attemptId: QuizAttemptId,
  onCome: (id: QuestionId, answer: AnswerTo<'recorded'>) => void,
): Replies & { busy: boolean } {
  const [all, setAll] = useState<ReadonlyMap<QuestionId, SendingReply>>(new Map())
  const come = useRef(onCome)
  come.current = onCome
  const [session] = useState(
    () =>
      new ReplySession({
        begin: async (questionId, { file, kind, durationMs }) => {
          const clip = { kind, bytes: file.size, durationMs }
          return (await call(beginReplyClip, { params: { id: attemptId }, body: { questionId, clip } })).id
        },
        send: sendClip,
        keep: (questionId, clip, clipId) => keptReplies.put({ ...clip, attemptId, questionId, clipId, at: Date.now() }),
        drop: (questionId) => keptReplies.drop(attemptId, questionId),
        come: (id, answer) => come.current(id, answer),
        changed: setAll,
      }),
  )
  useEffect(() => {
    let gone = false
    void keptReplies.of(attemptId, Date.now()).then((left) => {
      if (gone) return
      for (const { questionId, clipId, file, kind, durationMs } of left) void session.send(questionId, { file, kind, durationMs }, clipId)
    })
    const online = () => void session.againAll()
    window.addEventListener('online', online)
    return () => {
      gone = true
      window.removeEventListener('online', online)
    }
  }, [attemptId, session])
  const busy = all.size > 0
  useWarnUnsaved(busy)
  return useMemo(
    () => ({
      of: (id) => all.get(id),
      send: (id, clip) => void session.send(id, clip),
      again: (id) => void session.again(id),
      drop: (id) => void session.drop(id),
      busy,
    }),
    [all, session, busy],
  )
}
