import type { AnswerTo } from '@jackdaw/core/quizzes'
import type { ClipId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useEffect, useMemo, useRef } from 'react'
import type { FileSource } from '../../quizzes/ContentView'
import type { Replies } from '../../quizzes/taking/replies/repliesHere'

/** Recorded replies of an author who tries a quiz: they stay in this browser, as long as the page is there. */
export function useTriedReplies(
  source: FileSource,
  onAnswer: (answer: AnswerTo<'recorded'>) => void,
): { replies: Replies; source: FileSource } {
  const kept = useRef(new Map<ClipId, string>())
  const answer = useRef(onAnswer)
  answer.current = onAnswer
  useEffect(() => {
    const made = kept.current
    return () => made.forEach((address) => URL.revokeObjectURL(address))
  }, [])
  return useMemo(
    () => ({
      replies: {
        of: () => undefined,
        send: (_id, { file, kind, durationMs }) => {
          const clipId = nanoid<ClipId>()
          kept.current.set(clipId, URL.createObjectURL(file))
          answer.current({ clipId, kind, durationMs })
        },
        again: () => undefined,
        drop: () => undefined,
      },
      source: { ...source, clip: (id, captions) => kept.current.get(id) ?? source.clip(id, captions) },
    }),
    [source],
  )
}
