import type { Database, Db } from '../db'
import type { ContentStore } from '../storage'

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
export const noteRemoval = (tx: Db, hashes: readonly string[]): Promise<unknown> =>
  tx.rows('insert into file_removal (hash) select unnest($1::text[]) on conflict do nothing', [[...hashes]])

/** Deletes the files that are to go and that nothing refers to. Done after every blackout and when a server starts. */
export async function removeNotedFiles(db: Database, content: ContentStore): Promise<void> {
  const noted = (await db.rows<{ hash: string }>('select hash from file_removal')).map((row) => row.hash)
  for (const hash of await unusedContents(db, noted)) await content.delete(hash)
  await db.rows('delete from file_removal where hash = any ($1)', [noted])
}
