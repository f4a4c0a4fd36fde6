import type { Change, GuideDocument, Look } from '@jackdaw/core/guides'
import type { FolderId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { findLook, writeLook } from './look'
import { saveDraftChanges } from './saveChanges'
import { findDraft, insertGuide } from './store'

type NewGuide = { id: GuideId; document: GuideDocument; ownerId: PersonId; folderId: FolderId | null; now: number }

/** Loads guides of the demo company. */
export const demoGuides = ({ database: db, newId }: Parts) => ({
  addGuide: (guide: NewGuide) => insertGuide(db, guide),
  async setLook(look: Partial<Look>): Promise<void> {
    await writeLook(db, { ...(await findLook(db)), ...look })
  },
  async saveChanges(guideId: GuideId, by: PersonId, changes: Change[], now: number) {
    const draft = await findDraft(db, guideId)
    return saveDraftChanges(db, newId, { id: by }, guideId, { baseRevision: draft?.revision ?? 0, changeSetId: newId(), changes }, now)
  },
})
