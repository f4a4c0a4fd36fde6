import { guideItem } from '@jackdaw/core/items'
import type { ClipKind } from '@jackdaw/core/clips'
import type { CaptionsId, ClipId, GuideId, PersonId, PictureId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { addCaptions, addToClip, beginClip } from './clips/clipStore'
import type { ClipOwner } from './clips/model'
import { readPicture, storePicture } from './pictureStore'
import { storePictureText } from './pictureText'

type NewClipOf = { id: ClipId; owner: ClipOwner; kind: ClipKind; durationMs: number; bytes: Uint8Array; by: PersonId; now: number }
type NewPicture = { id: PictureId; guideId: GuideId; bytes: Uint8Array; by: PersonId; now: number }

/** Loads pictures, sound and video of the demo company. */
export const demoFiles = ({ database: db, content, decoder }: Parts) => ({
  async addPicture({ id, guideId, bytes, by, now }: NewPicture): Promise<void> {
    await storePicture(db, content, await readPicture(decoder, bytes), { id, item: guideItem(guideId), by, now })
  },
  async addClip({ bytes, kind, durationMs, ...clip }: NewClipOf): Promise<void> {
    await beginClip(db, { ...clip, clip: { kind, durationMs, bytes: bytes.length } })
    await addToClip(db, content, clip.id, 0, Buffer.from(bytes))
  },
  addCaptions: (captions: { id: CaptionsId; clipId: ClipId; language: string; text: string; now: number }) => addCaptions(db, captions),
  /** The words that stand in a picture, as a recorder tells them; in its pixels. */
  addPictureText: (id: PictureId, boxes: Parameters<typeof storePictureText>[2]) => storePictureText(db, id, boxes),
})
