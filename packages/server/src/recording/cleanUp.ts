import type { RecordingId } from '@jackdaw/core/recording'
import type { Database } from '../db'
import { unusedContents } from '../files'
import type { ContentStore } from '../storage'
import { abandonedBefore, deleteRecording, shotsOf, type ShotRow } from './store'

/** A recording that nobody came back to for so long is thrown away. */
const KEPT_UNFINISHED_MS = 30 * 86_400_000

/** Deletes the files of pictures that nothing refers to any more. */
export async function deleteContents(db: Database, content: ContentStore, shots: readonly ShotRow[]): Promise<void> {
  const hashes = shots.flatMap((shot) => [shot.fullHash, shot.screenHash, shot.thumbHash])
  for (const hash of await unusedContents(db, [...new Set(hashes)])) await content.delete(hash)
}

export async function throwAway(db: Database, content: ContentStore, id: RecordingId): Promise<void> {
  const shots = await shotsOf(db, id)
  await deleteRecording(db, id)
  await deleteContents(db, content, shots)
}

/** Throws recordings away that were begun long ago and never ended. */
export async function throwAwayAbandoned(db: Database, content: ContentStore, now: number): Promise<void> {
  for (const id of await abandonedBefore(db, now - KEPT_UNFINISHED_MS)) await throwAway(db, content, id)
}
