import { quizItem } from '@jackdaw/core/items'
import type { ClipId, PictureId, QuizId } from '@jackdaw/core/shared'
import type { Database } from '../db'
import { dropClips, dropFiles } from '../files'

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

/** What came and was not answered with, and what has not come to its end, is kept for so long. */
const LEFT_LYING_MS = 2 * 86_400_000

/** Takes sound and video away that no draft, no bank and no edition shows, that nobody has replied with, or that has never come to its end.
 * @returns how many */
export async function dropUnusedClips(db: Database, now: number): Promise<number> {
  const rows = await db.rows<{ id: ClipId }>(
    `select c.id from clip c where not exists (select 1 from clip_use u where u.clip_id = c.id) and case
       when c.received_bytes < c.bytes then c.created_at < $2
       when c.owner_kind = 'quiz' then c.created_at < $1 and not exists (select 1 from quiz q where q.id = c.owner_id and strpos(q.document::text, c.id) > 0)
       when c.owner_kind = 'bank' then c.created_at < $1 and not exists (select 1 from question_bank b where b.id = c.owner_id and strpos(b.document::text, c.id) > 0)
       else c.created_at < $2 and not exists (select 1 from quiz_answer a where a.attempt_id = c.owner_id and a.answer -> 'answer' ->> 'clipId' = c.id) end`,
    [new Date(now - KEPT_MS), new Date(now - LEFT_LYING_MS)],
  )
  await db.transaction((tx) =>
    dropClips(
      tx,
      rows.map(({ id }) => id),
    ),
  )
  return rows.length
}
