import { guideItem } from '@jackdaw/core/items'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import type { Database, Db } from '../db'
import { dropFiles } from '../files'

/** A picture that is nowhere to be seen is kept for so long: somebody may undo what took it away. */
export const KEPT_UNUSED_MS = 30 * 86_400_000

/** Pictures of guides that no edition shows and that are old enough to go, by guide. */
const candidates = (db: Db, before: Date): Promise<{ guide: GuideId; ids: PictureId[] }[]> =>
  db.rows(
    `select p.item_id as guide, array_agg(p.id) as ids from picture p where p.item_kind = 'guide' and p.created_at < $1
       and exists (select 1 from picture_version v where v.picture_id = p.id) and not exists (select 1 from picture_use u where u.picture_id = p.id)
     group by p.item_id`,
    [before],
  )

/** Those of them that are mentioned nowhere: not in the draft, not in what was changed in it lately, not in a change that waits for a decision. */
const unmentioned = (tx: Db, guide: GuideId, ids: readonly PictureId[], before: Date): Promise<{ id: PictureId }[]> =>
  tx.rows(
    `with held as materialized (select document from draft where guide_id = $1 for update),
       words as materialized (
         select document::text as words from held
         union all select changes::text || conflicts::text from draft_change where guide_id = $1 and saved_at >= $3)
     select id from unnest($2::text[]) as id where exists (select 1 from held) and not exists (select 1 from words where position(id in words.words) > 0)`,
    [guide, [...ids], before],
  )

/** Takes the files of pictures away that nothing has referred to for thirty days.
 * @returns how many pictures */
export async function dropUnusedPictures(db: Database, now: number): Promise<number> {
  const before = new Date(now - KEPT_UNUSED_MS)
  let dropped = 0
  for (const { guide, ids } of await candidates(db, before))
    await db.transaction(async (tx) => {
      const gone = (await unmentioned(tx, guide, ids, before)).map((row) => row.id)
      await dropFiles(tx, guideItem(guide), gone)
      dropped += gone.length
    })
  return dropped
}
