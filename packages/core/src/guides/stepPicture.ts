import * as z from 'zod/mini'
import { PictureId } from '../shared'
import { Annotation } from './annotation'
import { GUIDE_LIMITS } from './limits'
import { Rect } from './onScreen'

/** Pictures laid out on a blank sheet. Its size and where each picture lies, in pixels of the sheet. */
export const Sheet = z.object({
  widthPx: z.int().check(z.minimum(100), z.maximum(4_000)),
  heightPx: z.int().check(z.minimum(100), z.maximum(4_000)),
  pictures: z.array(z.object({ id: PictureId, rect: Rect })).check(z.maxLength(24)),
})
/** Read by {@link Sheet}. */
export type Sheet = z.infer<typeof Sheet>

/** What a picture shows, in words; at most 1,000 characters. */
export const PictureAlt = z.string().check(z.maxLength(1_000))

/** A picture where a step shows it; `alt` says in words what it shows. */
export const StepPicture = z.object({
  id: PictureId,
  alt: PictureAlt,
  annotations: z.optional(z.array(Annotation).check(z.maxLength(GUIDE_LIMITS.annotations.most))),
  /** The part that is shown, in pixels of the stored picture; the rest is kept. */
  shown: z.optional(Rect),
  /** A blank sheet with pictures on it instead of one stored picture; `id` is then no stored picture's. */
  sheet: z.optional(Sheet),
})
/** Read by {@link StepPicture}. */
export type StepPicture = z.infer<typeof StepPicture>

/** Sizes of stored pictures, by their ids. */
export type PictureSizes = Readonly<Record<string, { widthPx: number; heightPx: number }>>

/** The stored pictures that a place in a step shows: one, or those on its sheet. */
export const storedPicturesOf = (picture: StepPicture): PictureId[] =>
  picture.sheet ? picture.sheet.pictures.map((each) => each.id) : [picture.id]
