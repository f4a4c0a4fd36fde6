import type { QuestionId } from '@jackdaw/core/shared'
import { createContext, useContext } from 'react'
import type { FileClip } from '../../../clips/fileClip'

/** A recorded reply on its way. `sent`: what share of it has come, from 0 to 1; `error`: why it does not go on. */
export type SendingReply = { clip: FileClip; sent: number; error: unknown }
/** Where recorded replies go. */
export type Replies = {
  of: (id: QuestionId) => SendingReply | undefined
  send: (id: QuestionId, clip: FileClip) => void
  /** Goes on with one that has come to a stop. */
  again: (id: QuestionId) => void
  /** Gives one up that is on its way. */
  drop: (id: QuestionId) => void
}

const Here = createContext<Replies | null>(null)
/** Says where the recorded replies below go. */
export const RepliesTo = Here.Provider
/** Where recorded replies go from here. */
export function useRepliesHere(): Replies {
  const here = useContext(Here)
  if (!here) throw new Error('recorded replies are given in an attempt')
  return here
}
