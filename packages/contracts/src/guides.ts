import { Change, GuideDocument, GuideItem } from '@jackdaw/core/guides'
import { FolderId, GuideId } from '@jackdaw/core/shared'
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
