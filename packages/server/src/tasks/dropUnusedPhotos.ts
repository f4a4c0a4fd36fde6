import { taskItem } from '@jackdaw/core/items'
import type { PictureId, TaskId } from '@jackdaw/core/shared'
import type { Database } from '../db'
import { dropFiles } from '../files'

/** What is neither shown nor handed in is kept for so long: somebody may be about to. */
const KEPT_MS = 30 * 86_400_000

/** Takes the files of pictures of tasks away that no draft and no edition shows and nobody has handed in.
 * @returns how many pictures */
export async function dropUnusedPhotos(db: Database, now: number): Promise<number> {
  const rows = await db.rows<{ task: TaskId; ids: PictureId[] }>(
    `select p.item_id as task, array_agg(p.id) as ids from picture p join task t on t.id = p.item_id
     where p.item_kind = 'task' and p.created_at < $1 and exists (select 1 from picture_version v where v.picture_id = p.id)
       and t.document -> 'picture' ->> 'id' is distinct from p.id and not exists (select 1 from picture_use u where u.picture_id = p.id)
       and not exists (select 1 from hand_in h where h.picture_id = p.id) group by p.item_id`,
    [new Date(now - KEPT_MS)],
  )
  for (const { task, ids } of rows) await db.transaction((tx) => dropFiles(tx, taskItem(task), ids))
  return rows.reduce((sum, { ids }) => sum + ids.length, 0)
}
