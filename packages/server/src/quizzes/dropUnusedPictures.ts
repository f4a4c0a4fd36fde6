import { quizItem } from '@jackdaw/core/items'
import type { PictureId, QuizId } from '@jackdaw/core/shared'
import type { Database } from '../db'
import { dropFiles } from '../files'

/** What is not shown is kept for so long: somebody may be about to. */
const KEPT_MS = 30 * 86_400_000

/** Takes the files of pictures of quizzes away that no draft and no edition shows.
 * @returns how many pictures */
export async function dropUnusedQuizPictures(db: Database, now: number): Promise<number> {
  const rows = await db.rows<{ quiz: QuizId; ids: PictureId[] }>(
    `select p.item_id as quiz, array_agg(p.id) as ids from picture p join quiz q on q.id = p.item_id
     where p.item_kind = 'quiz' and p.created_at < $1 and exists (select 1 from picture_version v where v.picture_id = p.id)
       and strpos(q.document::text, p.id) = 0 and not exists (select 1 from picture_use u where u.picture_id = p.id) group by p.item_id`,
    [new Date(now - KEPT_MS)],
  )
  for (const { quiz, ids } of rows) await db.transaction((tx) => dropFiles(tx, quizItem(quiz), ids))
  return rows.reduce((sum, { ids }) => sum + ids.length, 0)
}
