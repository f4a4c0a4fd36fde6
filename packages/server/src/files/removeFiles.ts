import type { Database, Db } from '../db'
import type { ContentStore } from '../storage'
import { FILE_REMOVAL } from './model'

/** Which of these contents nothing refers to any more. */
export async function unusedContents(db: Db, hashes: readonly string[]): Promise<string[]> {
  if (hashes.length === 0) return []
  const rows = await db.rows<{ hash: string }>(
    `select h.hash from unnest($1::text[]) as h (hash) where not exists (
       select 1 from picture_version v where h.hash in (v.full_hash, v.screen_hash, v.thumb_hash))
     and not exists (select 1 from recording_shot s where h.hash in (s.full_hash, s.screen_hash, s.thumb_hash))`,
    [[...hashes]],
  )
  return rows.map((row) => row.hash)
}

/** Says that files are to go once the transaction is through. */
export const noteRemoval = (tx: Db, hashes: readonly string[]): Promise<void> =>
  tx.in(FILE_REMOVAL).insertAll(
    [...new Set(hashes)].map((hash) => ({ hash })),
    { skip: true },
  )

/** Deletes the files that are to go and that nothing refers to. Done after every blackout and when a server starts. */
export async function removeNotedFiles(db: Database, content: ContentStore): Promise<void> {
  const noted = (await db.in(FILE_REMOVAL).find({})).map((row) => row.hash)
  for (const hash of await unusedContents(db, noted)) await content.delete(hash)
  await db.in(FILE_REMOVAL).remove({ hash: noted })
}
