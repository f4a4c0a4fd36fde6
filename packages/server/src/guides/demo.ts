import type { Change, GuideDocument, Look } from '@jackdaw/core/guides'
import type { FolderId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { findLook, writeLook } from './look'
import { saveDraftChanges } from './saveChanges'
import { findDraft, insertGuide } from './store'

type NewGuide = { id: GuideId; document: GuideDocument; ownerId: PersonId; folderId: FolderId | null; now: number }

/** Loads guides of the demo company. */
export const demoGuides = ({ database: db, config, newId }: Parts) => ({
  addGuide: (guide: NewGuide) => insertGuide(db, guide),
  async setLook(look: Partial<Look>): Promise<void> {
    await writeLook(db, { ...(await findLook(db)), ...look })
  },
  /** @param baseRevision the state on which the changes were made; the newest without it */
  async saveChanges(guideId: GuideId, by: PersonId, changes: Change[], now: number, baseRevision?: number) {
    const base = baseRevision ?? (await findDraft(db, guideId))?.revision ?? 0
    const set = { baseRevision: base, changeSetId: newId(), changes }
    return saveDraftChanges(db, { newId, config, mail: null }, { id: by }, guideId, set, now)
  },
})
