import { beginReplyClip } from '@jackdaw/contracts/clips'
import type { AnswerTo } from '@jackdaw/core/quizzes'
import type { ClipId, QuestionId, QuizAttemptId } from '@jackdaw/core/shared'
import { useEffect, useMemo, useRef, useState } from 'react'
import { call } from '../../../api'
import type { FileClip } from '../../../clips/fileClip'
import { sendClip } from '../../../clips/sendClip'
import { useWarnUnsaved } from '../../../ui/useWarnUnsaved'
import { keptReplies } from './keptReplies'
import type { Replies, SendingReply } from './repliesHere'

type Sending = SendingReply & { clipId: ClipId | null; end: AbortController }

/** The recorded replies of an attempt on their way: each is kept by the browser until it has come, and goes on where it broke off, also after the page was
 * lost. Once all of one is there, it is the answer.
 * @param onCome is given the answer */
export function useReplies(
  attemptId: QuizAttemptId,
  onCome: (id: QuestionId, answer: AnswerTo<'recorded'>) => void,
): Replies & { busy: boolean } {
  const [all, setAll] = useState<ReadonlyMap<QuestionId, Sending>>(new Map())
  const come = useRef(onCome)
  come.current = onCome
  const sendings = useRef(all)

  const put = (id: QuestionId, sending: Sending | null) => {
    const next = new Map(sendings.current)
    if (sending) next.set(id, sending)
    else next.delete(id)
    sendings.current = next
    setAll(next)
  }
  const begun = async (questionId: QuestionId, { clip: { file, kind, durationMs } }: Sending): Promise<ClipId> => {
    const clip = { kind, bytes: file.size, durationMs }
    return (await call(beginReplyClip, { params: { id: attemptId }, body: { questionId, clip } })).id
  }
  const run = async (id: QuestionId, sending: Sending) => {
    const isStill = () => sendings.current.get(id)?.end === sending.end
    const { clip, end } = sending
    try {
      const clipId = sending.clipId ?? (await begun(id, sending))
      if (!isStill()) return
      put(id, { ...sending, clipId, error: null })
      await keptReplies.put({ ...clip, attemptId, questionId: id, clipId, at: Date.now() })
      await sendClip(
        clipId,
        clip.file,
        (bytes) => isStill() && put(id, { ...sending, clipId, error: null, sent: bytes / clip.file.size }),
        end.signal,
      )
      if (!isStill()) return
      come.current(id, { clipId, kind: clip.kind, durationMs: clip.durationMs })
      put(id, null)
      await keptReplies.drop(attemptId, id)
    } catch (error) {
      const now = sendings.current.get(id)
      if (isStill() && now) put(id, { ...now, error })
    }
  }
  const start = (id: QuestionId, clip: FileClip, clipId: ClipId | null) => {
    sendings.current.get(id)?.end.abort()
    const sending = { clip, clipId, sent: 0, error: null, end: new AbortController() }
    put(id, sending)
    void run(id, sending)
  }
  const send = (id: QuestionId, clip: FileClip) => {
    void keptReplies.put({ ...clip, attemptId, questionId: id, clipId: null, at: Date.now() })
    start(id, clip, null)
  }
  const replies = useRef<Replies>(null)
  replies.current ??= {
    of: (id) => sendings.current.get(id),
    send,
    again: (id) => {
      const stopped = sendings.current.get(id)
      if (stopped) start(id, stopped.clip, stopped.clipId)
    },
    drop: (id) => {
      sendings.current.get(id)?.end.abort()
      put(id, null)
      void keptReplies.drop(attemptId, id)
    },
  }
  // What an earlier page could not send to its end.
  useEffect(() => {
    let gone = false
    void keptReplies.of(attemptId, Date.now()).then((left) => {
      if (gone) return
      for (const { questionId, clipId, file, kind, durationMs } of left) start(questionId, { file, kind, durationMs }, clipId)
    })
    return () => void (gone = true)
    // Once for an attempt: what is started later is started by hand.
  }, [attemptId])
  const busy = all.size > 0
  useWarnUnsaved(busy)
  const { send: first, again, drop } = replies.current
  return useMemo(() => ({ of: (id: QuestionId) => all.get(id), send: first, again, drop, busy }), [all, first, again, drop, busy])
}
