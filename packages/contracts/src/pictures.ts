import { GuideId, PictureId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { EditionInAddress, endpoint } from './endpoint'

const guide = z.object({ id: GuideId })

/** Largest file of a picture, in bytes. */
export const MAX_PICTURE_BYTES = 25 * 1024 * 1024
/** Media types of pictures that are taken. */
export const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/gif'] as const

/** A picture that was stored; sizes in pixels, as it is shown upright. */
export const StoredPicture = z.object({ id: PictureId, widthPx: z.int(), heightPx: z.int() })
/** Read by {@link StoredPicture}. */
export type StoredPicture = z.infer<typeof StoredPicture>

/** Stores a picture for a guide; a change puts it into a step. */
export const addPicture = endpoint({
  method: 'post',
  path: '/api/guides/:id/pictures',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  bytes: { types: ['image/*', 'application/octet-stream'], maxBytes: MAX_PICTURE_BYTES },
  response: StoredPicture,
  problems: ['not-a-picture', 'too-large', 'wrong-type'],
})

/** How large a picture is asked for: as stored, at most 1280 px wide, or at most 320 px wide. */
export const PictureSize = z.enum(['full', 'screen', 'thumb'])
/** Read by {@link PictureSize}. */
export type PictureSize = z.infer<typeof PictureSize>

/** A picture of the draft. */
export const getDraftPicture = endpoint({
  method: 'get',
  path: '/guides/:id/draft/pictures/:pictureId',
  access: { may: 'item.edit', over: 'guide' },
  file: true,
  params: z.object({ id: GuideId, pictureId: PictureId }),
  query: z.object({ size: z.optional(PictureSize) }),
  problems: ['not-found'],
})
/** A picture of an edition, for those who may read the guide. */
export const getEditionPicture = endpoint({
  method: 'get',
  path: '/guides/:id/editions/:edition/pictures/:pictureId',
  access: { may: 'item.read', over: 'guide' },
  file: true,
  params: z.object({ id: GuideId, edition: EditionInAddress, pictureId: PictureId }),
  query: z.object({ size: z.optional(PictureSize) }),
  problems: ['not-found'],
})

/** Sizes of the guide's stored pictures, in pixels. */
export const getPictureSizes = endpoint({
  method: 'get',
  path: '/api/guides/:id/picture-sizes',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  response: z.record(z.string(), z.object({ widthPx: z.int(), heightPx: z.int() })),
  problems: [],
})

/** Makes pictures of another guide pictures of this one, for steps that are copied here. The caller must be able to edit both.
 * The answer tells the new id of each; pictures that the other guide does not have are left out. */
export const adoptPictures = endpoint({
  method: 'post',
  path: '/api/guides/:id/adopted-pictures',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  body: z.object({ from: GuideId, pictures: z.array(PictureId).check(z.maxLength(2_000)) }),
  response: z.record(z.string(), PictureId),
  problems: ['invalid', 'not-found'],
})
