import type { Database, Db } from '../db'
import { putJob } from '../jobs'
import type { ContentStore } from '../storage'
import { FILE_REMOVAL } from './model'

/** Which of these contents nothing refers to any more. */
export async function unusedContents(db: Db, hashes: readonly string[]): Promise<string[]> {
  if (hashes.length === 0) return []
  const rows = await db.rows<{ hash: string }>(
    `select h.hash from unnest($1::text[]) as h (hash) where not exists (
       select 1 from picture_version v where h.hash in (v.full_hash, v.screen_hash, v.thumb_hash))
     and not exists (select 1 from person p where p.face_hash = h.hash)
     and not exists (select 1 from clip_part c where c.hash = h.hash)
     and not exists (select 1 from export_file e where e.hash = h.hash)
     and not exists (select 1 from recording_shot s where h.hash in (s.full_hash, s.screen_hash, s.thumb_hash))`,
    [[...hashes]],
  )
  return rows.map((row) => row.hash)
}

/** Says that files are to go once the transaction is through, and has that done. */
export async function noteRemoval(tx: Db, hashes: readonly string[]): Promise<void> {
  if (hashes.length === 0) return
  await tx.in(FILE_REMOVAL).insertAll(
    [...new Set(hashes)].map((hash) => ({ hash })),
    { skip: true },
  )
  await putJob(tx, 'remove-noted-files', {})
}

/** Deletes the files that are to go and that nothing refers to. A blackout does it before it says that it is done; else it is a job. */
export async function removeNotedFiles(db: Database, content: ContentStore): Promise<void> {
  const noted = (await db.in(FILE_REMOVAL).find({})).map((row) => row.hash)
  for (const hash of await unusedContents(db, noted)) await content.delete(hash)
  await db.in(FILE_REMOVAL).remove({ hash: noted })
}

/** What no row refers to is left alone for so long: an upload is stored before its row is written. */
const SETTLED_AFTER_MS = 86_400_000

/** Deletes stored files to which nothing refers: what uploads have left that were broken off.
 * @returns how many */
export async function removeStrayFiles(db: Db, content: ContentStore, now: number): Promise<number> {
  let removed = 0
  const look = async (hashes: readonly string[]): Promise<void> => {
    for (const hash of await unusedContents(db, hashes)) {
      await content.delete(hash)
      removed++
    }
  }
  let old: string[] = []
  for await (const { hash, storedAt } of content.list()) {
    if (storedAt > now - SETTLED_AFTER_MS) continue
    old.push(hash)
    if (old.length < 500) continue
    await look(old)
    old = []
  }
  await look(old)
  return removed
}
