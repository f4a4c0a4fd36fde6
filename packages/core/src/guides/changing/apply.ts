import type { Change } from './changes'
import type { GuideDocument } from '../document'
import type { Limit } from '../limits'
import type { Refusal } from './refusal'
import { WorkingCopy } from './workingCopy'

/** A change carried out: the new document, and the change that undoes it. */
export type Applied = { ok: true; document: GuideDocument; inverse: Change }

/** Carries out one change.
 * @returns the new document and the change that undoes it, or why it cannot be done; an anchor that is gone means "at the end" */
export function apply(change: Change, document: GuideDocument): Applied | Refusal {
  const copy = new WorkingCopy(document)
  const done = copy.apply(change)
  return done.ok ? { ok: true, document: copy.document(), inverse: done.inverse } : done
}

/** What came of several changes: the document, the inverses in the order in which they undo, the refused changes, and the first limit
 * that one of those would have broken. */
export type AppliedAll = { document: GuideDocument; inverses: Change[]; refused: Change[]; limit: Limit | null }

/** Carries out changes one after the other; those that cannot be done are left out and told. */
export function applyAll(changes: readonly Change[], document: GuideDocument): AppliedAll {
  const copy = new WorkingCopy(document)
  const inverses: Change[] = []
  const refused: Change[] = []
  let limit: Limit | null = null
  for (const change of changes) {
    const result = copy.apply(change)
    if (result.ok) inverses.push(result.inverse)
    else {
      refused.push(change)
      if (result.reason === 'over-limit') limit ??= result.limit
    }
  }
  return { document: copy.document(), inverses: inverses.reverse(), refused, limit }
}
