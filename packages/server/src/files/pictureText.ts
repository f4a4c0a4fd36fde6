import type { TextBox } from '@jackdaw/core/recording'
import type { PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** Keeps the words that stand in a picture. @param boxes in pixels of the stored picture */
export async function storePictureText(db: Db, id: PictureId, boxes: readonly TextBox[]): Promise<void> {
  if (boxes.length === 0) return
  await db.rows(
    'insert into picture_text (picture_id, boxes) values ($1, $2) on conflict (picture_id) do update set boxes = excluded.boxes',
    [id, JSON.stringify(boxes)],
  )
}

/** The words that stand in a picture; none where nobody has told them. */
export const textOfPicture = async (db: Db, id: PictureId): Promise<TextBox[]> =>
  (await db.one<{ boxes: TextBox[] }>('select boxes from picture_text where picture_id = $1', [id]))?.boxes ?? []
