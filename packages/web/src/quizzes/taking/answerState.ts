import type { Answer } from '@jackdaw/core/quizzes'

/** How an answer stands: it is saved; it waits to be; it could not be, and is tried again; another window has saved another one (`theirs`); or
 * the time was over before it came. */
export type AnswerState = {
  answer: Answer | null
  revision: number
  state: 'saved' | 'waits' | 'retries' | 'clash' | 'too-late' | 'refused'
  theirs?: { answer: Answer | null; revision: number }
  why?: string
}

/** Nothing is answered. */
export const NOTHING: AnswerState = { answer: null, revision: 0, state: 'saved' }
/** Whether it is still to be saved. */
export const isPending = ({ state }: Pick<AnswerState, 'state'>): boolean => state === 'waits' || state === 'retries'
