import type { DraftConflict, SavedChanges } from '@jackdaw/contracts/guides'
import { inOldForm, type Change } from '@jackdaw/core/guides'

/** What was saved, for a page that does not know `set-step`: it would leave such a change out without a word, and save its own state over it. */
export const savedInOldForm = (saved: readonly SavedChanges[]): SavedChanges[] =>
  saved.map((each) => ({ ...each, changes: each.changes.flatMap(inOldForm) as Change[] }))
/** Conflicts for such a page. A change that clashed sets one field. */
export const conflictsInOldForm = (conflicts: readonly DraftConflict[]): DraftConflict[] =>
  conflicts.map((conflict) => ({ ...conflict, mine: (inOldForm(conflict.mine)[0] ?? conflict.mine) as Change }))
