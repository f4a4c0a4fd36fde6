import { guideItem } from '@jackdaw/core/items'
import type { GuideId, PersonId, PictureId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { readPicture, storePicture } from './pictureStore'
import { storePictureText } from './pictureText'

type NewPicture = { id: PictureId; guideId: GuideId; bytes: Uint8Array; by: PersonId; now: number }

/** Loads pictures of the demo company. */
export const demoFiles = ({ database: db, content, decoder }: Parts) => ({
  async addPicture({ id, guideId, bytes, by, now }: NewPicture): Promise<void> {
    await storePicture(db, content, await readPicture(decoder, bytes), { id, item: guideItem(guideId), by, now })
  },
  /** The words that stand in a picture, as a recorder tells them; in its pixels. */
  addPictureText: (id: PictureId, boxes: Parameters<typeof storePictureText>[2]) => storePictureText(db, id, boxes),
})
