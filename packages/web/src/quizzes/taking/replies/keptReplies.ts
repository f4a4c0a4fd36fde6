import type { ClipId, QuestionId, QuizAttemptId } from '@jackdaw/core/shared'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { FileClip } from '../../../clips/fileClip'

/** A recorded reply that has not come to the server yet. `clipId`: once its sending has begun. */
export type KeptReply = FileClip & { attemptId: QuizAttemptId; questionId: QuestionId; clipId: ClipId | null; at: number }

interface Schema extends DBSchema {
  replies: { key: [string, string]; value: KeptReply }
}
let opened: Promise<IDBPDatabase<Schema>> | undefined
const open = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('jackdaw-replies', 1, {
    upgrade: (db) => void db.createObjectStore('replies', { keyPath: ['attemptId', 'questionId'] }),
  }))
/** What lies longer belongs to an attempt that is long over. */
const KEPT_FOR_MS = 30 * 86_400_000

/** Does something with what is kept. A browser that keeps nothing, such as in a private window, has the recording on the page only. */
async function ifKept<T>(work: (db: IDBPDatabase<Schema>) => Promise<T>): Promise<T | null> {
  try {
    return await work(await open())
  } catch (error) {
    console.warn('recorded replies are not kept by this browser:', error)
    return null
  }
}

/** Recordings on their way, kept by this browser in case that the page is lost. */
export const keptReplies = {
  put: (reply: KeptReply) => ifKept((db) => db.put('replies', reply)),
  drop: (attemptId: QuizAttemptId, questionId: QuestionId) => ifKept((db) => db.delete('replies', [attemptId, questionId])),
  /** Those of an attempt; what nobody will ask for any more is dropped. */
  async of(attemptId: QuizAttemptId, now: number): Promise<KeptReply[]> {
    const all = (await ifKept((db) => db.getAll('replies'))) ?? []
    for (const old of all.filter(({ at }) => at < now - KEPT_FOR_MS)) await keptReplies.drop(old.attemptId, old.questionId)
    return all.filter((each) => each.attemptId === attemptId)
  },
}
