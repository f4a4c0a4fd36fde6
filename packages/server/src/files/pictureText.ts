import type { TextBox } from '@jackdaw/core/recording'
import type { PictureId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { PICTURE_TEXT } from './model'

/** Keeps the words that stand in a picture. @param boxes in pixels of the stored picture */
export async function storePictureText(db: Db, id: PictureId, boxes: readonly TextBox[]): Promise<void> {
  if (boxes.length > 0) await db.in(PICTURE_TEXT).insertAll([{ pictureId: id, boxes: [...boxes] }], { inPlaceOf: ['boxes'] })
}

/** The words that stand in a picture; none where nobody has told them. */
export const textOfPicture = async (db: Db, id: PictureId): Promise<TextBox[]> =>
  (await db.in(PICTURE_TEXT).one({ pictureId: id }))?.boxes ?? []
