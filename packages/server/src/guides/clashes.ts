import type { DraftConflict } from '@jackdaw/contracts/guides'
import { theirsIn } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { notify, settle, type Telling } from '../inbox'
import { DRAFT_CLASH } from './model'
import { findDraft, readConflicts, type StoredConflict } from './store'

/** Keeps changes that met those of others until whoever made them has decided, also when they leave the page, and tells them. */
export async function keepClashes(
  tx: Db,
  telling: Telling,
  { guideId, personId, title }: { guideId: GuideId; personId: PersonId; title: string },
  conflicts: readonly DraftConflict[],
  now: number,
): Promise<void> {
  if (conflicts.length === 0) return
  await tx.in(DRAFT_CLASH).insertAll(
    conflicts.map((conflict) => ({ guideId, personId, target: conflict.target, conflict, at: now })),
    { inPlaceOf: ['conflict', 'at'] },
  )
  const by = conflicts.find((conflict) => conflict.by !== null)?.by?.name ?? null
  const data = { title, by, step: conflicts[0]?.itemId ?? null }
  await notify(tx, telling, 'clash', guideItem(guideId), [{ personId, data }], now)
}

/** What waits for somebody's decision in a draft, with what stands there now. */
export async function clashesOf(db: Db, guideId: GuideId, personId: PersonId): Promise<DraftConflict[]> {
  const rows = await db.in(DRAFT_CLASH).find({ guideId, personId }, { order: ['at', 'target'] })
  const draft = rows.length > 0 ? await findDraft(db, guideId) : undefined
  if (!draft) return []
  const theirs = theirsIn(draft.document)
  return readConflicts(rows.map((row) => row.conflict as StoredConflict)).map((conflict) => ({
    ...conflict,
    theirs: theirs(conflict.target),
  }))
}

/** Says that a decision has been made; with the last one, nothing waits any more. */
export async function dropClash(db: Db, guideId: GuideId, personId: PersonId, target: string, now: number): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.in(DRAFT_CLASH).remove({ guideId, personId, target })
    if ((await tx.in(DRAFT_CLASH).count({ guideId, personId })) === 0) await settle(tx, 'clash', guideItem(guideId), personId, now)
  })
}
