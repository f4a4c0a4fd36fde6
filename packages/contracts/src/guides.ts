import { AnnotationId, Change, GuideDocument, GuideItem, Look, Rect } from '@jackdaw/core/guides'
import { PrivateKind } from '@jackdaw/core/recording'
import { FolderId, GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

const guide = z.object({ id: GuideId })

/** The draft and the facts about the guide that are not part of its text. `revision` counts the saved changes. */
export const Draft = z.object({
  id: GuideId,
  number: z.int(),
  revision: z.int(),
  document: GuideDocument,
  owner: PersonRef,
  folderId: z.nullable(FolderId),
  sharedWith: z.array(PersonRef),
  edition: z.nullable(z.int()),
  changedSinceEdition: z.boolean(),
  archived: z.boolean(),
  may: z.object({ publish: z.boolean(), handOver: z.boolean(), seeRecords: z.boolean() }),
})
export type Draft = z.infer<typeof Draft>

/** The draft with its facts, for those who may edit it. */
export const getDraft = endpoint({
  method: 'get',
  path: '/api/guides/:id/draft',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  response: Draft,
  problems: [],
})

/** Changes of one saving by somebody, with the revision that they made. */
export const SavedChanges = z.object({ revision: z.int(), by: PersonRef, changes: z.array(Change) })
export type SavedChanges = z.infer<typeof SavedChanges>

/** A change that was not made because somebody else had changed the same. `theirs` is what stands there now; `null` when it is gone. */
export const DraftConflict = z.object({
  reason: z.enum(['changed', 'gone', 'removal']),
  target: z.string(),
  itemId: z.nullable(z.string()),
  mine: Change,
  theirs: z.nullable(z.union([GuideItem, z.object({ kind: z.literal('fact'), value: z.union([z.string(), z.boolean()]) })])),
  by: z.nullable(PersonRef),
})
export type DraftConflict = z.infer<typeof DraftConflict>

/** Changes to save, made on the state `baseRevision`. Sending the same `changeSetId` again changes nothing. */
export const saveChanges = endpoint({
  method: 'post',
  path: '/api/guides/:id/draft/changes',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  body: z.object({
    baseRevision: z.int().check(z.minimum(0)),
    changeSetId: z.string().check(z.regex(/^[A-Za-z0-9_-]{21}$/)),
    changes: z.array(Change).check(z.minLength(1), z.maxLength(2_000)),
  }),
  response: z.object({ revision: z.int(), missed: z.array(SavedChanges), conflicts: z.array(DraftConflict) }),
  problems: ['invalid', 'draft-moved-on', 'guide-archived'],
})
/** What others saved since a revision, and who has the draft open. */
export const getChangesSince = endpoint({
  method: 'get',
  path: '/api/guides/:id/draft/changes',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  query: z.object({ since: z.coerce.number().check(z.int(), z.minimum(0)) }),
  response: z.object({ revision: z.int(), saved: z.array(SavedChanges), alsoHere: z.array(PersonRef) }),
  problems: ['invalid', 'draft-moved-on'],
})

/** Largest file of a picture, in bytes. */
export const MAX_PICTURE_BYTES = 25 * 1024 * 1024
/** Media types of pictures that are taken. */
export const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/gif'] as const

/** A picture that was stored; sizes in pixels, as it is shown upright. */
export const StoredPicture = z.object({ id: PictureId, widthPx: z.int(), heightPx: z.int() })
export type StoredPicture = z.infer<typeof StoredPicture>

/** Stores a picture for a guide; a change puts it into a step. */
export const addPicture = endpoint({
  method: 'post',
  path: '/api/guides/:id/pictures',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  bytes: { types: ['image/*', 'application/octet-stream'], maxBytes: MAX_PICTURE_BYTES },
  response: StoredPicture,
  problems: ['not-a-picture', 'too-large', 'wrong-type'],
})

/** How large a picture is asked for: as stored, at most 1280 px wide, or at most 320 px wide. */
export const PictureSize = z.enum(['full', 'screen', 'thumb'])
export type PictureSize = z.infer<typeof PictureSize>

/** A picture of the draft. */
export const getDraftPicture = endpoint({
  method: 'get',
  path: '/guides/:id/draft/pictures/:pictureId',
  access: { may: 'guide.edit', over: 'guide' },
  file: true,
  params: z.object({ id: GuideId, pictureId: PictureId }),
  query: z.object({ size: z.optional(PictureSize) }),
  problems: ['not-found'],
})
/** A picture of an edition, for those who may read the guide. */
export const getEditionPicture = endpoint({
  method: 'get',
  path: '/guides/:id/editions/:edition/pictures/:pictureId',
  access: { may: 'guide.read', over: 'guide' },
  file: true,
  params: z.object({ id: GuideId, edition: z.coerce.number().check(z.int(), z.minimum(1), z.maximum(1_000_000)), pictureId: PictureId }),
  query: z.object({ size: z.optional(PictureSize) }),
  problems: ['not-found'],
})

/** Sizes of the guide's stored pictures, in pixels. */
export const getPictureSizes = endpoint({
  method: 'get',
  path: '/api/guides/:id/picture-sizes',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  response: z.record(z.string(), z.object({ widthPx: z.int(), heightPx: z.int() })),
  problems: [],
})

/** How the company's guides look. */
export const getLook = endpoint({ method: 'get', path: '/api/look', access: { may: 'look.read' }, response: Look, problems: [] })
/** Changes how all guides look that do not overrule it. */
export const saveLook = endpoint({
  method: 'put',
  path: '/api/look',
  access: { may: 'look.change' },
  body: Look,
  response: Look,
  problems: ['invalid'],
})

/** Makes pictures of another guide pictures of this one, for steps that are copied here. The caller must be able to edit both.
 * The answer tells the new id of each; pictures that the other guide does not have are left out. */
export const adoptPictures = endpoint({
  method: 'post',
  path: '/api/guides/:id/adopted-pictures',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  body: z.object({ from: GuideId, pictures: z.array(PictureId).check(z.maxLength(2_000)) }),
  response: z.record(z.string(), PictureId),
  problems: ['invalid', 'not-found'],
})

/** A part of a picture, in its pixels, in which something that looks private stands. */
export const FoundPrivate = z.object({ kind: PrivateKind, rect: Rect, words: z.string() })
export type FoundPrivate = z.infer<typeof FoundPrivate>
/** What looks private in a picture of the draft, from the words that the recorder saw in it. `known`: whether there are any such words. */
export const findPrivateInPicture = endpoint({
  method: 'get',
  path: '/api/guides/:id/pictures/:pictureId/private',
  access: { may: 'guide.edit', over: 'guide' },
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
export type BlackoutPlace = z.infer<typeof BlackoutPlace>
/** What applying blackouts would touch. `elsewhere` counts guides with copies of the pictures that the asker may not edit: those keep theirs. */
export const BlackoutReach = z.object({
  pictures: z.int(),
  guides: z.array(z.object({ id: GuideId, number: z.int(), title: z.string(), editions: z.array(z.int()) })),
  elsewhere: z.int(),
})
export type BlackoutReach = z.infer<typeof BlackoutReach>
const places = z.object({ places: z.array(BlackoutPlace).check(z.minLength(1), z.maxLength(500)) })
/** Tells which pictures, guides and editions blackouts would touch. Changes nothing. */
export const askBlackoutReach = endpoint({
  method: 'post',
  path: '/api/guides/:id/blackout-reach',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  body: places,
  response: BlackoutReach,
  problems: ['invalid'],
})
/** Destroys what lies under blackouts, for ever: in the stored pictures, in everything derived from them, in every edition that shows them. */
export const applyBlackouts = endpoint({
  method: 'post',
  path: '/api/guides/:id/blackouts',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  body: places,
  response: z.object({ reach: BlackoutReach, revision: z.int() }),
  problems: ['invalid', 'draft-moved-on', 'guide-archived', 'not-found'],
})

/** Tells which of these guides somebody who follows a link would not find: they do not exist, are in the archive, were never published, or
 * the asker may not know of them. */
export const findDeadLinks = endpoint({
  method: 'post',
  path: '/api/guides/:id/dead-links',
  access: { may: 'guide.edit', over: 'guide' },
  params: guide,
  body: z.object({ guides: z.array(GuideId).check(z.maxLength(1_000)) }),
  response: z.array(GuideId),
  problems: ['invalid'],
})
