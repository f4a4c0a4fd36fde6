import type { StoredPicture } from '@jackdaw/contracts/pictures'
import type { ItemId, PictureSizes } from '@jackdaw/core/guides'
import type { PictureId, StepId } from '@jackdaw/core/shared'
import type { FocusAt } from './text/StepBody'

/** What the page wants to hear of what an author does. */
export type PageCallbacks = {
  select: (id: ItemId | null) => void
  focus: (id: ItemId, at?: FocusAt['at']) => void
  /** Something was done that shows only to the eye, or was not done: the words and what is to be put into them. */
  said: (words: string, into?: Record<string, unknown>) => void
  uploading: (stepId: StepId, file: string, running: boolean) => void
  failed: (words: string) => void
  removed: (words: string) => void
  /** Wants to record steps after an item; `null`: at the beginning. */
  record: (after: ItemId | null) => void
  /** A picture has been stored: its size is known now. */
  stored: (picture: StoredPicture) => void
  /** Which picture is on the bench. */
  bench: (place: BenchPlace | null) => void
  /** An item was chosen among many, or no longer; `range`: with all from the last one on. */
  tick: (id: ItemId, range: boolean) => void
  sizes: () => PictureSizes
}
/** A picture of a step. */
export type BenchPlace = { stepId: StepId; pictureId: PictureId }
