import { Change, GUIDE_ITEMS, GUIDE_LIMITS, GuideDocument, GuideItem, OldChange, type FactNow } from '@jackdaw/core/guides'
import { FolderId, GuideId, keysOf, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint, WholeInAddress } from './endpoint'
import { PersonRef } from './people'

const guide = z.object({ id: GuideId })

/** A document as it was stored. It was held against its schema when it was made; one from before a limit was set is answered as it is,
 * so that it can be opened and mended. */
export const StoredDocument = z.custom<GuideDocument>(
  (value) => typeof value === 'object' && value !== null && 'version' in value && 'items' in value && Array.isArray(value.items),
  'Not a document',
)
/** Changes as they were stored, see {@link StoredDocument}. */
const StoredChange = z.custom<Change>((value) => typeof value === 'object' && value !== null && 'type' in value, 'Not a change')
const StoredItem = z.custom<GuideItem>(
  (value) => typeof value === 'object' && value !== null && 'kind' in value && String(value.kind) in GUIDE_ITEMS,
  'Not an item of a guide',
)

/** Changes of one saving by somebody, with the revision that they made. */
export const SavedChanges = z.object({ revision: z.int(), by: PersonRef, changes: z.array(StoredChange) })
/** Read by {@link SavedChanges}. */
export type SavedChanges = z.infer<typeof SavedChanges>

/** A fact about a guide as it stands there. */
const StoredFact = z.custom<FactNow>(
  (value) => typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'fact',
  'Not a fact',
)

/** A change that was not made because somebody else had changed the same, or because there would be too much of something.
 * `theirs` is what stands there now; `null` when it is gone. */
export const DraftConflict = z.object({
  reason: z.enum(['changed', 'gone', 'removal', 'limit']),
  target: z.string(),
  itemId: z.nullable(z.string()),
  mine: StoredChange,
  theirs: z.nullable(z.union([StoredFact, StoredItem])),
  by: z.nullable(PersonRef),
  limit: z.optional(z.enum(keysOf(GUIDE_LIMITS))),
})
/** Read by {@link DraftConflict}. */
export type DraftConflict = z.infer<typeof DraftConflict>

/** The draft and the facts about the guide that are not part of its text. `revision` counts the saved changes. */
export const Draft = z.object({
  id: GuideId,
  number: z.int(),
  revision: z.int(),
  document: StoredDocument,
  owner: PersonRef,
  folderId: z.nullable(FolderId),
  sharedWith: z.array(PersonRef),
  edition: z.nullable(z.int()),
  changedSinceEdition: z.boolean(),
  archived: z.boolean(),
  /** Changes of the asker that met those of others and wait for a decision. */
  clashes: z.array(DraftConflict),
  may: z.object({ publish: z.boolean(), handOver: z.boolean(), seeRecords: z.boolean() }),
})
/** Read by {@link Draft}. */
export type Draft = z.infer<typeof Draft>

/** The draft with its facts, for those who may edit it. */
export const getDraft = endpoint({
  method: 'get',
  path: '/api/guides/:id/draft',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  response: Draft,
  problems: [],
})

/** Form in which a page writes and understands changes: 2 since there is `set-step`. A page that does not say is older, and is answered
 * with the changes that it knows. */
export const ChangesForm = z.literal(2)
/** Changes to save, made on the state `baseRevision`. Sending the same `changeSetId` again changes nothing. */
export const saveChanges = endpoint({
  method: 'post',
  path: '/api/guides/:id/draft/changes',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  body: z.object({
    baseRevision: Whole,
    changeSetId: z.string().check(z.regex(/^[A-Za-z0-9_-]{21}$/)),
    changes: z.array(z.union([Change, OldChange])).check(z.minLength(1), z.maxLength(2_000)),
    form: z.optional(ChangesForm),
  }),
  maxBytes: 4 * 1024 * 1024,
  response: z.object({ revision: z.int(), missed: z.array(SavedChanges), conflicts: z.array(DraftConflict) }),
  problems: ['invalid', 'draft-moved-on', 'item-archived', 'too-large'],
})
/** Says that a clash of the asker's own has been decided: what was to be done about it is done. */
export const settleClash = endpoint({
  method: 'post',
  path: '/api/guides/:id/draft/clashes/settle',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  body: z.object({ target: z.string().check(z.minLength(1), z.maxLength(300)) }),
  problems: ['invalid'],
})
/** What others saved since a revision, and who has the draft open. */
export const getChangesSince = endpoint({
  method: 'get',
  path: '/api/guides/:id/draft/changes',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  query: z.object({ since: WholeInAddress, form: z.optional(z.literal('2')) }),
  response: z.object({ revision: z.int(), saved: z.array(SavedChanges), alsoHere: z.array(PersonRef) }),
  problems: ['invalid', 'draft-moved-on'],
})

/** Tells which of these guides somebody who follows a link would not find: they do not exist, are in the archive, were never published, or
 * the asker may not know of them. */
export const findDeadLinks = endpoint({
  method: 'post',
  path: '/api/guides/:id/dead-links',
  access: { may: 'item.edit', over: 'guide' },
  params: guide,
  body: z.object({ guides: z.array(GuideId).check(z.maxLength(1_000)) }),
  response: z.array(GuideId),
  problems: ['invalid'],
})
