import { AnnotationId, Rect } from '@jackdaw/core/guides'
import { PrivateKind } from '@jackdaw/core/recording'
import { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

const guide = z.object({ id: GuideId })

/** A part of a picture, in its pixels, in which something that looks private stands. */
export const FoundPrivate = z.object({ kind: PrivateKind, rect: Rect, words: z.string() })
/** Read by {@link FoundPrivate}. */
export type FoundPrivate = z.infer<typeof FoundPrivate>
/** What looks private in a picture of the draft, from the words that the recorder saw in it. `known`: whether there are any such words. */
export const findPrivateInPicture = endpoint({
  method: 'get',
  path: '/api/guides/:id/pictures/:pictureId/private',
  access: { may: 'item.edit', over: 'guide' },
  params: z.object({ id: GuideId, pictureId: PictureId }),
  response: z.object({ known: z.boolean(), found: z.array(FoundPrivate) }),
  problems: ['not-found'],
})

/** Blackouts of the draft: the annotations of one picture that are to be applied. */
export const BlackoutPlace = z.object({
  stepId: StepId,
  pictureId: PictureId,
  annotationIds: z.array(AnnotationId).check(z.minLength(1), z.maxLength(200)),
})
/** Read by {@link BlackoutPlace}. */
export type BlackoutPlace = z.infer<typeof BlackoutPlace>
/** What applying blackouts would touch. `elsewhere` counts guides with copies of the pictures that the asker may not edit: those keep theirs. */
export const BlackoutReach = z.object({
  pictures: z.int(),
  guides: z.array(z.object({ id: GuideId, number: z.int(), title: z.string(), editions: z.array(z.int()) })),
  elsewhere: z.int(),
})
/** Read by {@link BlackoutReach}. */
export type BlackoutReach = z.infer<typeof BlackoutReach>
const places = z.object({ places: z.array(BlackoutPlace).check(z.minLength(1), z.maxLength(500)) })
/** Tells which pictures, guides and editions blackouts would touch. Changes nothing. */
export const askBlackoutReach = endpoint({
  method: 'post',
  path: '/api/guides/:id/blackout-reach',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  body: places,
  maxBytes: 1024 * 1024,
  response: BlackoutReach,
  problems: ['invalid'],
})
/** Destroys what lies under blackouts, for ever: in the stored pictures, in everything derived from them, in every edition that shows them. */
export const applyBlackouts = endpoint({
  method: 'post',
  path: '/api/guides/:id/blackouts',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  body: places,
  maxBytes: 1024 * 1024,
  response: z.object({ reach: BlackoutReach, revision: z.int() }),
  problems: ['invalid', 'draft-moved-on', 'item-archived', 'not-found'],
})
